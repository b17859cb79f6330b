import { copyFile, mkdir, mkdtemp, readdir, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DATABASE_FILE, openDatabase } from '../storage/database';
import { samplesFolder, testClock } from '../testing/appParts';
import { changeFile } from '../testing/changeFile';
import { Backups } from './backups';
import { BuildStore } from './buildStore';
import { examine, mend } from './doctor';
import { loadSamples } from './samples';

let folder: string;
const data = () => join(folder, 'data');
const file = () => join(data(), DATABASE_FILE);
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-doctor-test-'));
  const database = await openDatabase(data());
  await loadSamples(new BuildStore(database), samplesFolder, testClock);
  await database.close();
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const change = (...statements: string[]) => changeFile(file(), ...statements);
const wrong = async (at = data()) =>
  (await examine(at)).flatMap(({ state, says }) => (state === 'wrong' ? [says] : []));
const fine = async () =>
  (await examine(data())).flatMap(({ state, says }) => (state === 'fine' ? [says] : []));

test('a folder in which all is well is said to be, also while a server works on it', async () => {
  expect(await wrong()).toEqual([]);
  const database = await openDatabase(data());
  await database.models.looks.destroy({ where: {} });
  expect(await wrong()).toEqual([]);
  expect(await fine()).toEqual(
    expect.arrayContaining(['The tables are those of this version.', '2 builds all open.']),
  );
  await database.close();
});

test('each thing that is wrong is named, and nothing is changed', async () => {
  await mkdir(join(data(), 'photos'));
  await writeFile(join(data(), 'photos/torn.jpg'), 'no picture');
  await change(
    'CREATE TRIGGER odd AFTER UPDATE ON builds BEGIN SELECT 1; END',
    "UPDATE builds SET body = json_set(body, '$.start', 'long ago') WHERE position = (SELECT min(position) FROM builds)",
    "UPDATE log_entries SET body = json_set(body, '$.photo', 'gone.jpg') WHERE rowid = (SELECT min(rowid) FROM log_entries)",
  );
  // What SQLite itself puts beside a file while it is read.
  const names = async () =>
    (await readdir(data(), { recursive: true })).filter((name) => !/-(wal|shm)$/.test(name));
  const before = await names();
  expect(await wrong()).toEqual([
    'Triggers or views that are not ours: odd.',
    expect.stringMatching(
      /^.+ can’t be opened: start: Write a date with a time of day, in a file as 2027-03-05T19:00\.$/,
    ),
    '1 photo is named and not there: gone.jpg.',
    '1 photo can’t be read: torn.jpg.',
  ]);
  expect(await names()).toEqual(before);
});

test('a copy without what can’t be opened is made beside it, in which all is well', async () => {
  await change(
    'CREATE TRIGGER odd AFTER UPDATE ON builds BEGIN SELECT 1; END',
    "UPDATE builds SET body = '{' WHERE position = (SELECT min(position) FROM builds)",
    "INSERT INTO looks VALUES ('l', '{')",
  );
  const to = join(folder, 'mended');
  expect(await mend(data(), to)).toEqual([
    expect.stringMatching(/^Left out: .+, as it can’t be opened \(it can’t be read\)\.$/),
    'Every row was read into new tables; who is paired has to be paired again.',
  ]);
  expect(await wrong(to)).toEqual([]);
  const database = await openDatabase(to);
  expect(await database.models.builds.count()).toBe(1);
  expect(await database.models.steps.count()).toBeGreaterThan(5);
  await database.close();
  // What there was stays as it was.
  expect((await wrong()).length).toBe(2);
  await expect(mend(data(), to)).rejects.toThrow('is not empty');
});

test('of a damaged file the copy is the newest whole backup', async () => {
  await new Backups(data()).make('by-hand');
  await truncate(file(), 30_000);
  expect(await wrong()).toEqual([expect.stringContaining('it is damaged')]);
  const to = join(folder, 'mended');
  expect((await mend(data(), to))[0]).toMatch(/^The file is damaged, so this is the backup of /);
  expect(await wrong(to)).toEqual([]);
});

test('nothing, and a damaged file without a backup, are said', async () => {
  expect(await wrong(join(folder, 'nowhere'))).toEqual([expect.stringContaining('There is no data in')]);
  await copyFile(__filename, file());
  await expect(mend(data(), join(folder, 'mended'))).rejects.toThrow('no whole backup');
});
