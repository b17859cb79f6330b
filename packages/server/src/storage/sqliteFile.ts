import sqlite3 from 'sqlite3';

/** Opens a database file by itself, to look into it or copy it; to be closed again. */
export const openFile = (file: string, mode = sqlite3.OPEN_READONLY): Promise<sqlite3.Database> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(file, mode, (error) => (error ? fail(error) : done(database)));
  });
export const run = (database: sqlite3.Database, sql: string): Promise<void> =>
  new Promise((done, fail) => database.run(sql, (error: Error | null) => (error ? fail(error) : done())));
export const all = <T>(database: sqlite3.Database, sql: string): Promise<T[]> =>
  new Promise((done, fail) => database.all<T>(sql, (error, rows) => (error ? fail(error) : done(rows))));
export const close = (database: sqlite3.Database) =>
  new Promise<void>((done) => database.close(() => done()));

/** Text or a file name as SQL says it. */
export const quoted = (text: string): string => `'${text.replace(/'/g, "''")}'`;
