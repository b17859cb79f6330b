import { parseBuild } from '@fixatum/core';
import { cp, mkdir, mkdtemp, readdir, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { all, close, openFile, quoted, run } from '../storage/sqliteFile';
import { DATABASE_FILE, MARKS, openDatabase } from '../storage/database';
import { migrations } from '../storage/migrations';
import { Backups, isIntact } from './backups';
import { freshIn, putBack, swapIn } from './putBack';
import { readRows } from './buildRows';
import { cleanPhotos, namedPhotos, photosIn } from './photos';
import { rebuild, TABLES, whyOf } from './rebuild';

/** One thing that was looked at in a data folder. */
export interface Examined {
  /** Fine, worth knowing, or wrong. */
  state: 'fine' | 'note' | 'wrong';
  says: string;
}

/** More names than these are not said. */
const MOST_NAMED = 5;
const named = (names: readonly string[]): string =>
  names.length <= MOST_NAMED
    ? names.join(', ')
    : `${names.slice(0, MOST_NAMED).join(', ')} and ${names.length - MOST_NAMED} more`;
const sizeOf = (file: string): Promise<number> =>
  stat(file).then(
    ({ size }) => size,
    () => 0,
  );
const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;
const counted = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

/** A build of a database that can't be opened, and why. */
interface BadBuild {
  id: string;
  name: string;
  why: string;
}

/** A copy of a database, by SQLite's own means, so that what a running server has not folded in yet is in it; to be taken away again. */
async function copied(dataFolder: string): Promise<string> {
  const folder = await mkdtemp(join(tmpdir(), 'fixatum-doctor-'));
  const source = await openFile(join(dataFolder, DATABASE_FILE));
  try {
    await run(source, `VACUUM INTO ${quoted(join(folder, DATABASE_FILE))}`);
  } finally {
    await close(source);
  }
  return folder;
}

/** What is beside the tables this program makes, and how far they were brought. */
async function examineTables(file: string): Promise<Examined[]> {
  const database = await openFile(file);
  try {
    const things = await all<{ type: string; name: string }>(
      database,
      'SELECT type, name FROM sqlite_master',
    );
    const marks = await all<{ name: string }>(database, `SELECT name FROM ${quoted(MARKS)}`).catch(() => []);
    const known = new Set(migrations.map(({ name }) => name));
    const strange = marks.filter(({ name }) => !known.has(name)).map(({ name }) => name);
    const odd = things.filter(({ type }) => type === 'trigger' || type === 'view').map(({ name }) => name);
    return [
      strange.length > 0
        ? { state: 'wrong', says: `The tables were changed by a newer version: ${named(strange)}.` }
        : marks.length < known.size
          ? {
              state: 'note',
              says: `The tables are of an earlier version; starting the program brings them up to date.`,
            }
          : { state: 'fine', says: 'The tables are those of this version.' },
      ...(odd.length > 0
        ? [{ state: 'wrong', says: `Triggers or views that are not ours: ${named(odd)}.` } as const]
        : []),
    ];
  } finally {
    await close(database);
  }
}

/** Opens every build of a database folder, put aside or not, and says which can't be. */
async function openBuilds(folder: string): Promise<{ count: number; bad: BadBuild[]; photos: Set<string> }> {
  const database = await openDatabase(folder);
  try {
    const { models } = database;
    const rows = await models.builds.findAll({ order: ['position'] });
    const bad: BadBuild[] = [];
    for (const { id, body } of rows) {
      const name = /"name":"((?:[^"\\]|\\.)*)"/.exec(body)?.[1] ?? id;
      const stored = await readRows(models, id, undefined, true).catch(() => undefined);
      const parsed = stored && parseBuild(stored.build);
      if (parsed?.ok) continue;
      const [first] = parsed?.faults ?? [];
      bad.push({ id, name, why: first ? whyOf(first) : 'it can’t be read' });
    }
    return { count: rows.length, bad, photos: await namedPhotos(database.sequelize) };
  } finally {
    await database.close();
  }
}

async function examinePhotos(folder: string, wanted: ReadonlySet<string>): Promise<Examined[]> {
  const there = await photosIn(folder);
  const missing = [...wanted].filter((name) => !there.includes(name));
  const scratch = await mkdtemp(join(tmpdir(), 'fixatum-photos-'));
  try {
    const torn = await cleanPhotos(folder, scratch);
    return [
      missing.length > 0
        ? {
            state: 'wrong',
            says: `${counted(missing.length, 'photo is', 'photos are')} named and not there: ${named(missing)}.`,
          }
        : {
            state: 'fine',
            says: `${counted(there.length, 'photo', 'photos')}; none that is named is missing.`,
          },
      ...(torn.length > 0
        ? [
            {
              state: 'wrong',
              says: `${counted(torn.length, 'photo', 'photos')} can’t be read: ${named(torn)}.`,
            } as const,
          ]
        : []),
    ];
  } finally {
    await rm(scratch, { recursive: true, force: true });
  }
}

async function examineBackups(dataFolder: string): Promise<Examined[]> {
  const backups = new Backups(dataFolder);
  const there = await backups.list();
  const second = await backups.second.state();
  if (there.length === 0) return [{ state: 'note', says: 'There is no backup.' }];
  const whole = await backups.newestWhole();
  return [
    whole === undefined
      ? { state: 'wrong', says: `None of ${counted(there.length, 'backup', 'backups')} is whole.` }
      : whole.id === there[0]?.id
        ? {
            state: 'fine',
            says: `${counted(there.length, 'backup', 'backups')}; the newest, of ${whole.madeAt}, is whole.`,
          }
        : {
            state: 'wrong',
            says: `The newest backup is not whole; the newest that is is of ${whole.madeAt}.`,
          },
    second === null
      ? { state: 'note', says: 'No second place for backups is chosen.' }
      : second.isOld || second.trouble !== null
        ? {
            state: 'wrong',
            says: `Copies do not get to ${second.folder}: ${second.trouble ?? 'the last is older than a week'}.`,
          }
        : { state: 'fine', says: `Copies get to ${second.folder}; the last did on ${second.lastAt}.` },
  ];
}

/** Says what is right and wrong with a data folder. Nothing in it is changed; a server may work on it meanwhile. */
export async function examine(dataFolder: string): Promise<Examined[]> {
  const file = join(dataFolder, DATABASE_FILE);
  const backups = await examineBackups(dataFolder);
  const size = await sizeOf(file);
  if (size === 0)
    return [{ state: 'wrong', says: `There is no data in ${file}, or the file is empty.` }, ...backups];
  if (!(await isIntact(file)))
    return [{ state: 'wrong', says: `${file} can’t be read as a whole: it is damaged.` }, ...backups];
  const log = await sizeOf(`${file}-wal`);
  const folder = await copied(dataFolder);
  try {
    const tables = await examineTables(join(folder, DATABASE_FILE));
    const isNewer = tables.some(({ says }) => says.includes('newer version'));
    const { count, bad, photos } = isNewer
      ? { count: 0, bad: [], photos: new Set<string>() }
      : await openBuilds(folder);
    return [
      { state: 'fine', says: `The file is whole, ${megabytes(size)}.` },
      ...(log > 0
        ? [
            {
              state: 'note',
              says: `${megabytes(log)} of it are still in the log beside it: copy the file only once the program has ended.`,
            } as const,
          ]
        : []),
      ...tables,
      ...(isNewer
        ? []
        : bad.length === 0
          ? [{ state: 'fine', says: `${counted(count, 'build opens', 'builds all open')}.` } as const]
          : bad.map(({ name, why }): Examined => ({
              state: 'wrong',
              says: `${name} can’t be opened: ${why}.`,
            }))),
      ...(await examinePhotos(join(dataFolder, 'photos'), photos)),
      ...backups,
    ];
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/**
 * Makes a mended copy of a data folder in a new one: the database built again row by row, without what can't be opened, or where it is damaged the
 * newest whole backup; and the photos that can be read. What there is stays as it is.
 * @param to a folder that is not there yet, or empty
 * @returns what was done, and what is not in the copy
 * @throws Error when there is nothing to make one of
 */
export async function mend(dataFolder: string, to: string): Promise<string[]> {
  if ((await readdir(to).catch(() => [])).length > 0)
    throw new Error(`${to} is not empty. Name a folder that is not there yet.`);
  await mkdir(to, { recursive: true });
  const done: string[] = [];
  if (!(await isIntact(join(dataFolder, DATABASE_FILE)))) {
    const newest = await new Backups(dataFolder).newestWhole();
    if (!newest)
      throw new Error('The file is damaged and there is no whole backup: nothing can be made of that.');
    await putBack(newest.folder, to, 'own');
    done.push(`The file is damaged, so this is the backup of ${newest.madeAt}.`);
  } else {
    const folder = await copied(dataFolder);
    try {
      const { bad } = await openBuilds(folder);
      await leaveOut(join(folder, DATABASE_FILE), bad);
      for (const { name, why } of bad) done.push(`Left out: ${name}, as it can’t be opened (${why}).`);
      // Made where it stays: another disk can't be moved to in one go.
      await rebuild(join(folder, DATABASE_FILE), freshIn(to), 'own');
      await swapIn({ folder: freshIn(to), photos: join(folder, 'none'), leftOut: [] }, to);
      done.push('Every row was read into new tables; who is paired has to be paired again.');
    } finally {
      await rm(folder, { recursive: true, force: true });
    }
  }
  const torn = await cleanPhotos(join(dataFolder, 'photos'), join(to, 'photos'));
  if (torn.length > 0)
    done.push(`Left out: ${counted(torn.length, 'photo', 'photos')} that can’t be read (${named(torn)}).`);
  await cp(join(dataFolder, 'backups'), join(to, 'backups'), { recursive: true }).catch(() => undefined);
  return done;
}

/** Takes builds out of a database with all their rows, and looks that can't be read. */
async function leaveOut(file: string, bad: readonly BadBuild[]): Promise<void> {
  const database = await openFile(file, sqlite3.OPEN_READWRITE);
  try {
    for (const { id } of bad)
      for (const table of TABLES) {
        const column = table === 'builds' ? 'id' : 'buildId';
        // Workshops, looks and readings belong to no one build.
        await run(database, `DELETE FROM "${table}" WHERE "${column}" = ${quoted(id)}`).catch(
          () => undefined,
        );
      }
    await run(database, 'DELETE FROM looks WHERE NOT json_valid(body)').catch(() => undefined);
  } finally {
    await close(database);
  }
}
