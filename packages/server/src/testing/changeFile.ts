import sqlite3 from 'sqlite3';
import { close, openFile, run } from '../storage/sqliteFile';

/** Changes a database file by hand, as no program of ours would. */
export async function changeFile(file: string, ...statements: string[]): Promise<void> {
  const database = await openFile(file, sqlite3.OPEN_READWRITE);
  for (const sql of statements) await run(database, sql);
  await close(database);
}
