// What `npm run backup` and `npm run restore` run.
import { messageOf } from '@fixatum/core';
import { access, stat } from 'node:fs/promises';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readConfig } from './config';
import { withUnpacked, writeZip } from './services/archive';
import { Backups } from './services/backups';
import { putBack } from './services/putBack';
import { DATABASE_FILE } from './storage/database';
import { lockFolder } from './storage/folderLock';

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../../..');
const { dataFolder } = readConfig(process.env, root);
const backups = new Backups(dataFolder);

/** Makes a backup, of a running server too; as one zip file where one is named. */
async function back(file: string | undefined): Promise<void> {
  await access(join(dataFolder, DATABASE_FILE)).catch(() => {
    throw new Error(`There is no data in ${dataFolder} yet.`);
  });
  const made = await backups.make('by-hand');
  const folder = await backups.folderOf(made.id);
  if (file !== undefined) await writeZip(folder, resolve(file));
  console.log(
    `${made.builds.map(({ name, pieces, logged }) => `${name}: ${pieces} pieces, ${logged} log entries`).join('\n')}\n${made.photos} photos. Kept in ${file === undefined ? folder : resolve(file)}`,
  );
}

/** Puts a backup back: a folder, a zip file, or the newest there is. */
async function restore(what: string | undefined): Promise<void> {
  if (what === undefined)
    throw new Error('Name a backup: npm run restore -- FILE, or npm run restore -- newest');
  const letGo = await lockFolder(dataFolder);
  try {
    if (what === 'newest') {
      const newest = await backups.newestWhole();
      if (!newest) throw new Error(`There is no whole backup in ${backups.folder}.`);
      await backups.putAside().catch(() => undefined);
      await putBack(newest.folder, dataFolder, 'own');
      console.log(`All is as it was at ${newest.madeAt}.`);
      return;
    }
    const path = resolve(what);
    const there = await stat(path).catch(() => {
      throw new Error(`There is nothing at ${path}.`);
    });
    // What is there now is kept, unless it is what is damaged.
    await backups.make('before-restore').catch(() => undefined);
    const leftOut = there.isDirectory()
      ? await putBack(path, dataFolder, 'outside')
      : await withUnpacked(path, (folder) => putBack(folder, dataFolder, 'outside'));
    console.log(`All is as it was in ${path}.`);
    if (leftOut.length > 0)
      console.log(`These photos could not be read and were left out: ${leftOut.join(', ')}.`);
  } finally {
    await letGo();
  }
}

const [command, what] = process.argv.slice(2);
try {
  await (command === 'restore' ? restore(what) : back(what));
} catch (error) {
  console.error(messageOf(error));
  process.exit(1);
}
