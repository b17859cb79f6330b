import { isRecord } from '@fixatum/core';
import { types } from 'node:util';
import sqlite3 from 'sqlite3';

/** How a connection has to be set for writes to be on disk before they are answered, and for waiting its turn. */
export interface Durability {
  /** How long a write waits for another program that holds the file, ms. */
  busyTimeoutMs: number;
}

export const usualDurability: Durability = { busyTimeoutMs: 5000 };

/** What each PRAGMA has to answer once it is set (SQLite names full synchronisation 2). */
const wanted = ({ busyTimeoutMs }: Durability) =>
  [
    ['busy_timeout', busyTimeoutMs, busyTimeoutMs],
    ['journal_mode', 'WAL', 'wal'],
    ['synchronous', 'FULL', 2],
    ['foreign_keys', 'ON', 1],
  ] as const;

/** The file can't be set so that nothing is lost: a sentence for whoever starts the server. */
export class NotDurable extends Error {}

/** Whether what was thrown says that the file is no whole database. */
export function isDamaged(error: unknown): boolean {
  const { code, parent } = isRecord(error) ? error : {};
  const said = isRecord(parent) ? parent.code : code;
  return said === 'SQLITE_CORRUPT' || said === 'SQLITE_NOTADB';
}

const run = <T>(work: (done: (error: Error | null, value?: T) => void) => void): Promise<T> =>
  new Promise((resolve, reject) => work((error, value) => (error ? reject(error) : resolve(value as T))));

/** Sets a connection and checks that it took. */
async function setUp(database: sqlite3.Database, durability: Durability): Promise<void> {
  for (const [name, value, answer] of wanted(durability)) {
    await run<void>((done) => database.exec(`PRAGMA ${name} = ${value}`, done));
    const row = await run<Record<string, unknown>>((done) => database.get(`PRAGMA ${name}`, done));
    const said = Object.values(row)[0];
    if (said !== answer)
      throw new NotDurable(
        `The database can’t be set up so that nothing is lost: ${name} is ${String(said)}, not ${answer}. ` +
          'A network folder or a read-only one is the usual cause; keep the data on a disk of this machine.',
      );
  }
}

/**
 * The SQLite driver with every connection set up before it is used. The dialect opens connections itself, one for each
 * transaction, and calls no hook when it does, so this takes the driver's place.
 */
export function durableDriver(durability: Durability): typeof sqlite3 {
  function Database(file: string, mode: number, ready: (error: Error | null) => void): sqlite3.Database {
    const database = new sqlite3.Database(file, mode, (error) => {
      if (error) return ready(error);
      setUp(database, durability).then(
        () => ready(null),
        (failure: unknown) =>
          database.close(() => ready(types.isNativeError(failure) ? failure : new Error(String(failure)))),
      );
    });
    return database;
  }
  return { ...sqlite3, Database: Database as unknown as typeof sqlite3.Database };
}
