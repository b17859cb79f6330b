import { mkdir, rename, rm } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { DATABASE_FILE } from '../storage/database';
import { all, close, openFile, quoted, run } from '../storage/sqliteFile';
import { checkWhole, isThere, keepPhotos, PHOTOS } from './backups';
import { cleanPhotos } from './photos';
import { rebuild, type Origin } from './rebuild';

/** Nobody makes so many changes between a backup and its being put back. */
const VERSIONS_ON = 1_000_000;

/**
 * What a database that takes another's place goes on from: versions that no screen has seen, so that nothing open anywhere is taken for
 * what was put back, and the devices that are paired now, as one that was taken back since stays so. Where that can't be
 * read they are paired anew.
 */
const DEVICE_COLUMNS = 'id, name, role, tokenHash, pairedAt, lastSeenAt';

async function goOnFrom(old: string, fresh: string): Promise<void> {
  const database = await openFile(fresh, sqlite3.OPEN_READWRITE);
  try {
    const tables = await all<{ name: string }>(database, 'SELECT name FROM sqlite_master');
    const has = (table: string) => tables.some(({ name }) => name === table);
    for (const table of ['builds', 'pieces', 'workshops'].filter(has))
      await run(database, `UPDATE ${table} SET version = version + ${VERSIONS_ON}`);
    if (!has('devices')) return;
    await run(database, 'DELETE FROM devices');
    await run(database, `ATTACH ${quoted(old)} AS old`)
      .then(() =>
        run(database, `INSERT INTO devices (${DEVICE_COLUMNS}) SELECT ${DEVICE_COLUMNS} FROM old.devices`),
      )
      .catch(() => undefined);
  } finally {
    await close(database);
  }
}

/** A backup that was found whole and brought to how this version keeps it, ready to take the place of what there is. */
export interface Prepared {
  /** Where its database lies. */
  folder: string;
  /** Where its photos lie. */
  photos: string;
  /** Photos that could not be read, and are left out. */
  leftOut: string[];
}

/**
 * Reads a backup into a new database, which is left beside the data until it is swapped in. Nothing else is changed, so the server may work on
 * meanwhile.
 * @param from a folder with a database, and photos beside it if there are any
 * @param into a folder for the new one; it is emptied first
 * @throws BadBackup when it is not whole
 */
export async function prepare(from: string, into: string, origin: Origin): Promise<Prepared> {
  await checkWhole(from);
  await rm(into, { recursive: true, force: true });
  await rebuild(join(from, DATABASE_FILE), into, origin);
  const theirs = join(from, PHOTOS);
  // What was kept here was made clean when it came in.
  if (origin === 'own') return { folder: into, photos: theirs, leftOut: [] };
  const photos = join(into, PHOTOS);
  return { folder: into, photos, leftOut: await cleanPhotos(theirs, photos) };
}

/** Puts what was prepared in the place of what is in a data folder. Nothing may have the database open. */
export async function swapIn({ folder, photos }: Prepared, dataFolder: string): Promise<void> {
  await mkdir(dataFolder, { recursive: true });
  const [fresh, old] = [join(folder, DATABASE_FILE), join(dataFolder, DATABASE_FILE)];
  if (await isThere(old)) await goOnFrom(old, fresh);
  await keepPhotos(photos, join(dataFolder, PHOTOS));
  // The old log of writes belongs to the old file.
  for (const end of ['-wal', '-shm']) await rm(join(dataFolder, `${DATABASE_FILE}${end}`), { force: true });
  await rename(fresh, old);
  await rm(folder, { recursive: true, force: true });
}

/** The folder in which a database is made that is to take the place of the one in a data folder. */
export const freshIn = (dataFolder: string): string => join(dataFolder, '.fresh');

/**
 * Puts a backup in the place of what is in a data folder, while no server works on it. What was there is overwritten only once the backup was
 * found whole.
 * @returns the photos that could not be read, and were left out
 * @throws BadBackup when it is not whole; nothing has been changed then
 */
export async function putBack(from: string, dataFolder: string, origin: Origin): Promise<string[]> {
  await mkdir(dataFolder, { recursive: true });
  const prepared = await prepare(from, freshIn(dataFolder), origin);
  await swapIn(prepared, dataFolder);
  return prepared.leftOut;
}
