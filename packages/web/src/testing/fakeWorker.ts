/** A worker for tests: it keeps what it was asked, and says what the test lets it say. */
export class FakeWorker {
  static made: FakeWorker[] = [];
  readonly asked: unknown[] = [];
  terminated = false;
  onmessage: ((event: { data: unknown }) => void) | undefined;

  /** The script it was started with, without its folder. */
  readonly script: string;
  constructor(url: URL) {
    this.script = url.pathname.split('/').at(-1)!;
    FakeWorker.made.push(this);
  }
  postMessage(message: unknown): void {
    // As a real one, it can't be sent what can't be copied.
    this.asked.push(structuredClone(message));
  }
  terminate(): void {
    this.terminated = true;
  }
  say(data: unknown): void {
    if (!this.terminated) this.onmessage?.({ data });
  }

  /** The newest worker that runs a script. */
  static of(script: string): FakeWorker {
    const found = FakeWorker.made.filter((worker) => worker.script === script).at(-1);
    if (!found) throw new Error(`no ${script} was started`);
    return found;
  }
  /** Puts it in place of real workers. All that were made are forgotten but the planner's, which runs as long as the page. */
  static install(): void {
    FakeWorker.made = FakeWorker.made.filter((worker) => worker.script === 'planWorker.ts');
    (globalThis as { Worker?: unknown }).Worker = FakeWorker;
  }
}
