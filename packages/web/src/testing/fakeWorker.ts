/** One call that a worker was asked for, and how the test answers it. */
export interface FakeCall {
  method: string;
  /** What was sent along, copied as it would be on its way. */
  given: unknown[];
  answer(value?: unknown): void;
  fail(message: string): void;
}

/** A worker for tests: it keeps what it was asked, and says what the test lets it say. Goes with `fakeComlink`. */
export class FakeWorker {
  static made: FakeWorker[] = [];
  readonly calls: FakeCall[] = [];
  terminated = false;
  onerror: (() => void) | undefined;
  onmessageerror: (() => void) | undefined;

  /** What it was started for. */
  readonly name: string;
  constructor(_url: URL, options: { name: string }) {
    this.name = options.name;
    FakeWorker.made.push(this);
  }
  take(method: string, given: unknown[]): Promise<unknown> {
    return new Promise((answer, refuse) => {
      // As a real one, it can't be sent what can't be copied; functions stay where they are and are called from afar.
      // A page made up for tests knows no copying.
      const isSent = (one: unknown) => typeof one !== 'function' && typeof structuredClone === 'function';
      const sent = given.map((one) => (isSent(one) ? structuredClone(one) : one));
      this.calls.push({ method, given: sent, answer, fail: (message) => refuse(new Error(message)) });
    });
  }
  terminate(): void {
    this.terminated = true;
  }

  /** What it was asked, the first thing sent along with each call. */
  get asked(): unknown[] {
    return this.calls.map(({ given }) => given[0]);
  }
  get last(): FakeCall {
    return this.calls.at(-1)!;
  }
  /** Calls back what was sent along with the last call, by its place among all that was sent. */
  tell(at: number, ...said: unknown[]): void {
    if (!this.terminated) (this.last.given[at] as (...said: unknown[]) => void)(...said);
  }

  /** The newest worker that was started for something. */
  static of(name: string): FakeWorker {
    const found = FakeWorker.made.filter((worker) => worker.name === name).at(-1);
    if (!found) throw new Error(`no worker was started for: ${name}`);
    return found;
  }
  /** Puts it in place of real workers. All that were made are forgotten but the planner's, which runs as long as the page. */
  static install(): void {
    FakeWorker.made = FakeWorker.made.filter((worker) => worker.name === 'planner');
    (globalThis as { Worker?: unknown }).Worker = FakeWorker;
  }
}
