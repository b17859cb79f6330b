import { readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { isRecord } from '@fixatum/core';
import sqlite3 from 'sqlite3';
import { z } from 'zod';
import { isDamaged } from './connection';

/** Another server works on the data folder: a sentence for whoever starts this one. */
export class FolderTaken extends Error {}

const ownerSchema = z.object({ process: z.number(), since: z.string() });

/**
 * Keeps a data folder for one process. The hold is a lock on a file of its own that ends with the process however that ends, so
 * nothing is left behind to be cleaned up.
 * @returns what lets go
 * @throws FolderTaken naming who has it
 */
export async function lockFolder(dataFolder: string): Promise<() => Promise<void>> {
  const file = join(dataFolder, 'in-use.sqlite');
  try {
    return await hold(dataFolder, file);
  } catch (error) {
    if (!isDamaged(error)) throw error;
    // There is nothing in it that could be lost.
    await rm(file, { force: true });
    return hold(dataFolder, file);
  }
}

async function hold(dataFolder: string, file: string): Promise<() => Promise<void>> {
  const database = await new Promise<sqlite3.Database>((done, fail) => {
    const opened = new sqlite3.Database(file, (error) => (error ? fail(error) : done(opened)));
  });
  const close = () => new Promise<void>((done) => database.close(() => done()));
  const owner = join(dataFolder, 'in-use.json');
  try {
    await new Promise<void>((done, fail) =>
      database.exec('PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE;', (error) =>
        error ? fail(error) : done(),
      ),
    );
  } catch (error) {
    await close();
    if (!isRecord(error) || error.code !== 'SQLITE_BUSY') throw error;
    const who = await readFile(owner, 'utf8').then(
      (text) => ownerSchema.safeParse(JSON.parse(text)).data,
      () => undefined,
    );
    throw new FolderTaken(
      `Another Fixatum${who ? ` (process ${who.process}, since ${who.since})` : ''} works on the data in ${dataFolder}. ` +
        'Stop that one first, or name another folder with FIXATUM_DATA.',
    );
  }
  await writeFile(owner, JSON.stringify({ process: process.pid, since: new Date().toISOString() }));
  return close;
}
