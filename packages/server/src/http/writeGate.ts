import type { IncomingMessage, ServerResponse } from 'node:http';

const READS = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Nobody's press takes longer to arrive; what does is cut off, and was not answered. */
const PATIENCE_MS = 10_000;

/**
 * Knows which requests may still write. Closed, it lets none in any more, and can be waited on until those that were let in before are answered:
 * whatever was said to be stored is in what is copied then.
 */
export class WriteGate {
  private closed = false;
  private readonly open = new Set<ServerResponse>();
  private readonly waiting = new Set<() => void>();

  /** Lets a request in, or not. */
  admit({ method = 'GET' }: IncomingMessage, response: ServerResponse): boolean {
    if (READS.has(method)) return true;
    if (this.closed) return false;
    this.open.add(response);
    response.once('close', () => {
      this.open.delete(response);
      for (const look of this.waiting) look();
    });
    return true;
  }

  /**
   * Lets no more writes in, and returns once those that were let in are answered. The one that asks for it is a write itself and has to be
   * left out.
   * @param but how many of those let in are not waited for
   */
  async close(but: number, patienceMs = PATIENCE_MS): Promise<void> {
    this.closed = true;
    if (this.open.size <= but) return;
    await new Promise<void>((done) => {
      const end = () => {
        clearTimeout(patience);
        this.waiting.delete(look);
        done();
      };
      const look = () => this.open.size <= but && end();
      const patience = setTimeout(() => {
        // Who has sent nothing whole for so long is not answered any more: the press is tried again by whoever made it.
        for (const response of this.open) if (!response.req.complete) response.destroy();
        end();
      }, patienceMs);
      this.waiting.add(look);
    });
  }

  /** Whether nothing is let in. */
  get isClosed(): boolean {
    return this.closed;
  }

  reopen(): void {
    this.closed = false;
  }
}
