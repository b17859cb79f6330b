import { copyFile, link, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { z } from 'zod';
import { DATABASE_FILE } from '../storage/database';
import { all, close, openFile, quoted, run } from '../storage/sqliteFile';
import { BadBackup } from './badBackup';
import { keptBackups } from './keptBackups';
import { checkManifest, writeManifest } from './manifest';
import { photosIn } from './photos';
import { SecondPlace } from './secondPlace';

export const PHOTOS = 'photos';
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

const countSchema = z.array(z.object({ name: z.string(), pieces: z.number(), logged: z.number() }));

/** Whether a database file can be read from end to end, whatever stands in it. */
export async function isIntact(file: string): Promise<boolean> {
  const database = await openFile(file).catch(() => undefined);
  if (!database) return false;
  try {
    return await passesCheck(database);
  } catch {
    return false;
  } finally {
    await close(database);
  }
}
async function passesCheck(database: sqlite3.Database): Promise<boolean> {
  const [answer] = await all<Record<string, unknown>>(database, 'PRAGMA integrity_check');
  return Object.values(answer ?? {})[0] === 'ok';
}

/**
 * Opens a database file and looks whether it is whole.
 * @throws BadBackup when it is not
 */
export async function lookInside(file: string): Promise<AboutBackup['builds']> {
  const bad = () => new BadBackup('The database is not whole: it is cut off, or something else.');
  const database = await openFile(file).catch(() => {
    throw bad();
  });
  try {
    if (!(await passesCheck(database))) throw bad();
    for (const table of ['builds', 'pieces', 'steps', 'log_entries']) {
      const [odd] = await all<{ count: number }>(
        database,
        `SELECT count(*) AS count FROM ${table} WHERE NOT json_valid(body)`,
      );
      if (odd?.count !== 0) throw bad();
    }
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

/** Whether there is such a file. */
export const isThere = (file: string): Promise<boolean> =>
  stat(file).then(
    () => true,
    () => false,
  );

/** @throws BadBackup when a folder with a backup is not as it was made, or its database is not whole */
export async function checkWhole(folder: string): Promise<void> {
  await checkManifest(folder);
  await lookInside(join(folder, DATABASE_FILE));
}

/** Photos never change, so one that is kept twice on one disk needs no room of its own. */
export async function keepPhotos(from: string, to: string): Promise<number> {
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
  /** Where copies of them go, too. */
  readonly second: SecondPlace;

  constructor(
    private readonly dataFolder: string,
    private readonly nowIso: () => string = () => new Date().toISOString(),
  ) {
    this.folder = join(dataFolder, 'backups');
    this.second = new SecondPlace(dataFolder, nowIso);
  }

  /** The file with all that is not a photo. */
  get dataFile(): string {
    return join(this.dataFolder, DATABASE_FILE);
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
      const source = await openFile(join(this.dataFolder, DATABASE_FILE));
      try {
        await run(source, `VACUUM INTO ${quoted(join(partial, DATABASE_FILE))}`);
      } finally {
        await close(source);
      }
      const photos = await keepPhotos(join(this.dataFolder, PHOTOS), join(partial, PHOTOS));
      const builds = await lookInside(join(partial, DATABASE_FILE));
      const about: AboutBackup = { madeAt, reason, builds, photos };
      await writeFile(join(partial, ABOUT), `${JSON.stringify(about, null, 2)}\n`, { flush: true });
      await writeManifest(partial);
      await rm(join(this.folder, id), { recursive: true, force: true });
      await rename(partial, join(this.folder, id));
    } catch (error) {
      await rm(partial, { recursive: true, force: true });
      throw error;
    }
    await this.prune(new Set([id, butNot]));
    const there = await this.list();
    const made = there.find((one) => one.id === id);
    if (!made) throw new BadBackup('The backup was made and is not there.');
    await this.second.copy(join(this.folder, id), id, new Set(there.map((one) => one.id)));
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
      const isWhole = await checkWhole(folder).then(
        () => true,
        () => false,
      );
      if (isWhole) return { ...one, folder };
    }
    return undefined;
  }

  /** Keeps a damaged file as it is, for whoever can read more of it. Returns where; undefined where there is none. */
  async putAside(): Promise<string | undefined> {
    if (!(await isThere(this.dataFile))) return undefined;
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
