import { Transaction } from 'sequelize';
import type { Database } from '../storage/database';

/** Runs writes one at a time, each in one transaction. */
export class WriteQueue {
  private last: Promise<unknown> = Promise.resolve();

  constructor(private readonly database: Database) {}

  /**
   * A write in a transaction of its own that holds the file from its first read on: one that read first and then found that a hygrometer
   * had written meanwhile could not go on.
   */
  alone<T>(work: (transaction: Transaction) => Promise<T>): Promise<T> {
    return this.inTurn(() =>
      this.database.sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work),
    );
  }

  /** Runs some work once all that was asked for before is done. */
  inTurn<T>(work: () => Promise<T>): Promise<T> {
    const next = this.last.then(work);
    this.last = next.catch(() => undefined);
    return next;
  }

  /** Once every write that was asked for so far is done, well or not. */
  async settled(): Promise<void> {
    await this.last;
  }
}
