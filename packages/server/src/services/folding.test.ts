import { copyFile, mkdir, mkdtemp, rm, stat } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DATABASE_FILE, openDatabase, type Database } from '../storage/database';
import { samplesFolder, testClock } from '../testing/appParts';
import { lookInside } from './backups';
import { BuildStore } from './buildStore';
import { keepFolded } from './folding';
import { loadSamples } from './samples';

let folder: string;
let database: Database;
const file = () => join(folder, DATABASE_FILE);
const logFile = () => `${file()}-wal`;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-fold-'));
  database = await openDatabase(folder);
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

/** What somebody gets who copies the one file while the server runs. */
async function namesInCopy(): Promise<string[]> {
  const copy = join(folder, 'copy');
  await mkdir(copy, { recursive: true });
  await copyFile(file(), join(copy, DATABASE_FILE));
  return (await lookInside(join(copy, DATABASE_FILE))).map(({ name }) => name);
}

test('a file that was just made holds its tables', async () => {
  expect(await namesInCopy()).toEqual([]);
});

test('once nothing is written any more the file by itself holds everything', async () => {
  await loadSamples(new BuildStore(database), samplesFolder, testClock);
  expect((await stat(logFile())).size).toBeGreaterThan(0);
  let folded: () => void = () => undefined;
  const done = new Promise<void>((resolve) => (folded = resolve));
  const errors: unknown[] = [];
  const folding = keepFolded({
    logFile: logFile(),
    fold: async () => {
      const could = await database.fold();
      if (could) folded();
      return could;
    },
    onError: (error) => errors.push(error),
    everyMs: 1,
  });
  await done;
  await folding.stop();
  expect(errors).toEqual([]);
  expect((await stat(logFile())).size).toBe(0);
  expect((await namesInCopy()).sort()).toEqual(['Orrery Courier', 'Tidepool lantern']);
});
