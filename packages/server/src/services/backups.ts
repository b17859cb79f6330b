import { copyFile, link, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { z } from 'zod';
import { keptBackups } from './keptBackups';
import { photosIn } from './photos';

export const DATABASE_FILE = 'fixatum.sqlite';
const PHOTOS = 'photos';
const ABOUT = 'about.json';

const A_DAY_MS = 86_400_000;

/** Why a backup was made. */
export const reasons = ['start', 'daily', 'by-hand', 'before-upgrade', 'before-restore'] as const;

const aboutSchema = z.object({
  madeAt: z.string(),
  reason: z.enum(reasons),
  builds: z.array(z.object({ name: z.string(), pieces: z.number(), logged: z.number() })),
  photos: z.number(),
});
/** What is in a backup. */
export type AboutBackup = z.infer<typeof aboutSchema>;
export interface Backup extends AboutBackup {
  id: string;
  megabytes: number;
}

/** A backup that can't be used: a sentence for whoever wants it back. */
export class BadBackup extends Error {}

const open = (file: string, mode = sqlite3.OPEN_READONLY): Promise<sqlite3.Database> =>
  new Promise((done, fail) => {
    const database = new sqlite3.Database(file, mode, (error) => (error ? fail(error) : done(database)));
  });
const run = (database: sqlite3.Database, sql: string): Promise<void> =>
  new Promise((done, fail) => database.run(sql, (error: Error | null) => (error ? fail(error) : done())));
const all = <T>(database: sqlite3.Database, sql: string): Promise<T[]> =>
  new Promise((done, fail) => database.all<T>(sql, (error, rows) => (error ? fail(error) : done(rows))));
const close = (database: sqlite3.Database) => new Promise<void>((done) => database.close(() => done()));

const countSchema = z.array(z.object({ name: z.string(), pieces: z.number(), logged: z.number() }));

/**
 * Opens a database file and looks whether it is whole.
 * @throws BadBackup when it is not
 */
export async function lookInside(file: string): Promise<AboutBackup['builds']> {
  const bad = () => new BadBackup(`${file} is no whole database: it is cut off, or something else.`);
  const database = await open(file).catch(() => {
    throw bad();
  });
  try {
    const [answer] = await all<Record<string, unknown>>(database, 'PRAGMA integrity_check');
    if (Object.values(answer ?? {})[0] !== 'ok') throw bad();
    return countSchema.parse(
      await all(
        database,
        `SELECT json_extract(body, '$.name') AS name,
          (SELECT count(*) FROM pieces WHERE buildId = builds.id) AS pieces,
          (SELECT count(*) FROM log_entries WHERE buildId = builds.id) AS logged
        FROM builds WHERE deletedAt IS NULL ORDER BY position`,
      ),
    );
  } catch (error) {
    throw error instanceof BadBackup ? error : bad();
  } finally {
    await close(database);
  }
}

/** Photos never change, so one that is kept twice on one disk needs no room of its own. */
async function keepPhotos(from: string, to: string): Promise<number> {
  const names = await photosIn(from);
  if (names.length > 0) await mkdir(to, { recursive: true });
  for (const name of names) {
    const target = join(to, name);
    await rm(target, { force: true });
    await link(join(from, name), target).catch(() => copyFile(join(from, name), target));
  }
  return names.length;
}

/**
 * Copies of everything, made while the server runs: the database by SQLite's own means and the photos, each in a folder of its own that
 * is there whole or not at all. Every copy is opened and checked before it counts. Old ones go by age.
 */
export class Backups {
  readonly folder: string;

  constructor(
    private readonly dataFolder: string,
    private readonly nowIso: () => string = () => new Date().toISOString(),
  ) {
    this.folder = join(dataFolder, 'backups');
  }

  /**
   * Makes one, checks it, and lets go of those that are too many.
   * @param butNot one that stays in any case
   * @throws BadBackup when the copy is not whole
   */
  async make(reason: AboutBackup['reason'], butNot?: string): Promise<Backup> {
    const madeAt = this.nowIso();
    // To the thousandth, so that two of one second are two.
    const id = `${madeAt.slice(0, 23).replace(/[:.]/g, '')}-${reason}`;
    const partial = join(this.folder, `.${id}.partial`);
    await rm(partial, { recursive: true, force: true });
    await mkdir(partial, { recursive: true });
    try {
      const source = await open(join(this.dataFolder, DATABASE_FILE));
      try {
        const target = join(partial, DATABASE_FILE).replace(/'/g, "''");
        await run(source, `VACUUM INTO '${target}'`);
      } finally {
        await close(source);
      }
      const photos = await keepPhotos(join(this.dataFolder, PHOTOS), join(partial, PHOTOS));
      const builds = await lookInside(join(partial, DATABASE_FILE));
      const about: AboutBackup = { madeAt, reason, builds, photos };
      await writeFile(join(partial, ABOUT), `${JSON.stringify(about, null, 2)}\n`, { flush: true });
      await rm(join(this.folder, id), { recursive: true, force: true });
      await rename(partial, join(this.folder, id));
    } catch (error) {
      await rm(partial, { recursive: true, force: true });
      throw error;
    }
    await this.prune(new Set([id, butNot]));
    const made = (await this.list()).find((one) => one.id === id);
    if (!made) throw new BadBackup('The backup was made and is not there.');
    return made;
  }

  /** The backups there are, newest first. */
  async list(): Promise<Backup[]> {
    const names = (await readdir(this.folder).catch(() => [])).filter((name) => !name.startsWith('.'));
    const known = await Promise.all(
      names.map(async (id): Promise<Backup[]> => {
        try {
          const about = aboutSchema.parse(JSON.parse(await readFile(join(this.folder, id, ABOUT), 'utf8')));
          const { size } = await stat(join(this.folder, id, DATABASE_FILE));
          return [{ id, ...about, megabytes: Math.round(size / 1e5) / 10 }];
        } catch {
          // Something else lies in the folder.
          return [];
        }
      }),
    );
    return known.flat().sort((a, b) => (a.madeAt < b.madeAt ? 1 : a.madeAt > b.madeAt ? -1 : 0));
  }

  /** Whether a day has passed since the last. One from days to come was made before the clock was set back, and is no reason to wait. */
  async isDue(): Promise<boolean> {
    const now = Date.parse(this.nowIso());
    return !(await this.list()).some(({ madeAt }) => {
      const age = now - Date.parse(madeAt);
      return age >= 0 && age < A_DAY_MS;
    });
  }

  /** @param butNot those that stay in any case: the one just made may look old, where the clock was set back */
  private async prune(butNot: ReadonlySet<string | undefined>): Promise<void> {
    const there = await this.list();
    const kept = keptBackups(new Map(there.map(({ id, madeAt }) => [id, madeAt])));
    for (const { id } of there)
      if (!kept.has(id) && !butNot.has(id)) await rm(join(this.folder, id), { recursive: true, force: true });
  }

  /** The newest that is still whole, and its folder; undefined when there is none. */
  async newestWhole(): Promise<(Backup & { folder: string }) | undefined> {
    for (const one of await this.list()) {
      const folder = join(this.folder, one.id);
      const isWhole = await lookInside(join(folder, DATABASE_FILE)).then(
        () => true,
        () => false,
      );
      if (isWhole) return { ...one, folder };
    }
    return undefined;
  }

  /** Keeps a damaged file as it is, for whoever can read more of it. Returns where. */
  async putAside(): Promise<string> {
    const aside = join(this.folder, `damaged-${this.nowIso().slice(0, 23).replace(/[:.]/g, '')}.sqlite`);
    await mkdir(this.folder, { recursive: true });
    await copyFile(join(this.dataFolder, DATABASE_FILE), aside);
    return aside;
  }

  /** The folder of one. @throws BadBackup when there is none with that id */
  async folderOf(id: string): Promise<string> {
    if (!(await this.list()).some((one) => one.id === id))
      throw new BadBackup('That backup is not there any more.');
    return join(this.folder, id);
  }
}

/** Nobody makes so many changes between a backup and its being put back. */
const VERSIONS_ON = 1_000_000;

/**
 * What a database that takes another's place goes on from: versions that no screen has seen, so that nothing open anywhere is taken for
 * what was put back, and the devices that are paired now, as one that was taken back since stays so. Where that can't be
 * read they are paired anew.
 */
async function goOnFrom(old: string, fresh: string): Promise<void> {
  const database = await open(fresh, sqlite3.OPEN_READWRITE);
  try {
    const tables = await all<{ name: string }>(database, 'SELECT name FROM sqlite_master');
    const isThere = (table: string) => tables.some(({ name }) => name === table);
    for (const table of ['builds', 'pieces', 'workshops'].filter(isThere))
      await run(database, `UPDATE ${table} SET version = version + ${VERSIONS_ON}`);
    if (!isThere('devices')) return;
    await run(database, 'DELETE FROM devices');
    await run(database, `ATTACH '${old.replace(/'/g, "''")}' AS old`)
      .then(() => run(database, 'INSERT INTO devices SELECT * FROM old.devices'))
      .catch(() => undefined);
  } finally {
    await close(database);
  }
}

/**
 * Puts a backup in the place of what is in a data folder. Nothing may have the database open. What was there is overwritten only once
 * the backup was found whole.
 * @param from a folder with a database, and photos beside it if there are any
 * @throws BadBackup when it is not whole; nothing has been changed then
 */
export async function putBack(from: string, dataFolder: string): Promise<void> {
  const source = join(from, DATABASE_FILE);
  await lookInside(source);
  await mkdir(dataFolder, { recursive: true });
  const fresh = join(dataFolder, `${DATABASE_FILE}.fresh`);
  await copyFile(source, fresh);
  const old = join(dataFolder, DATABASE_FILE);
  const isThere = await stat(old).then(
    () => true,
    () => false,
  );
  if (isThere) await goOnFrom(old, fresh);
  await keepPhotos(join(from, PHOTOS), join(dataFolder, PHOTOS));
  // The old log of writes belongs to the old file.
  for (const end of ['-wal', '-shm']) await rm(join(dataFolder, `${DATABASE_FILE}${end}`), { force: true });
  await rename(fresh, old);
}
