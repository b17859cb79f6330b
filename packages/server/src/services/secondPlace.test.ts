import { mkdir, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../storage/database';
import { withUnpacked } from './archive';
import { Backups, lookInside } from './backups';
import { OLD_AFTER_DAYS } from './secondPlace';

let folder: string;
let nowMs: number;
const data = () => join(folder, 'data');
const drive = () => join(folder, 'drive');
const backups = () => new Backups(data(), () => new Date(nowMs).toISOString());
const DAY = 86_400_000;

beforeEach(async () => {
  nowMs = Date.parse('2027-02-20T19:30:00Z');
  folder = await mkdtemp(join(tmpdir(), 'fixatum-second-'));
  await mkdir(drive());
  await (await openDatabase(data())).close();
});
afterEach(() => rm(folder, { recursive: true, force: true }));

test('each backup goes there as one file that can be opened, and its last success is known', async () => {
  expect(await backups().second.state()).toBeNull();
  await backups().second.choose(drive());
  expect(await backups().second.state()).toEqual({
    folder: drive(),
    lastAt: null,
    trouble: null,
    isOld: true,
  });
  const made = await backups().make('by-hand');
  expect(await readdir(drive())).toEqual([`fixatum-${made.id}.zip`]);
  await withUnpacked(join(drive(), `fixatum-${made.id}.zip`), async (unpacked) => {
    expect(await lookInside(join(unpacked, 'fixatum.sqlite'))).toEqual([]);
  });
  expect(await backups().second.state()).toMatchObject({ lastAt: '2027-02-20T19:30:00.000Z', isOld: false });
});

test('after a week without one it is old', async () => {
  await backups().second.choose(drive());
  await backups().make('daily');
  expect(OLD_AFTER_DAYS).toBe(7);
  nowMs += 7 * DAY;
  expect((await backups().second.state())!.isOld).toBe(false);
  nowMs += 1;
  expect((await backups().second.state())!.isOld).toBe(true);
});

test('a drive that is not there is said, and keeps no backup from being made', async () => {
  await backups().second.choose(drive());
  await backups().make('daily');
  await rm(drive(), { recursive: true });
  nowMs += DAY;
  const made = await backups().make('daily');
  expect((await backups().list()).map(({ id }) => id)).toContain(made.id);
  const state = await backups().second.state();
  expect([state!.trouble, state!.lastAt]).toEqual([
    expect.stringContaining('no such file or directory'),
    '2027-02-20T19:30:00.000Z',
  ]);
  // Nothing was made where the drive would be.
  expect(await readdir(folder)).toEqual(['data']);
});

test('what is no longer kept goes there, too, and what is not ours stays', async () => {
  await backups().second.choose(drive());
  await mkdir(join(drive(), 'holiday'));
  for (let day = 0; day < 40; day += 1) {
    await backups().make('daily');
    nowMs += DAY;
  }
  const kept = (await backups().list()).map(({ id }) => `fixatum-${id}.zip`);
  expect(kept.length).toBeLessThan(20);
  expect((await readdir(drive())).sort()).toEqual([...kept, 'holiday'].sort());
});

test.each([
  ['drive', 'Write the whole path'],
  [() => join(data(), 'copies'), 'lies within the data itself'],
  [data, 'lies within the data itself'],
  [() => join(folder, 'nowhere'), 'There is no folder'],
])('%s is refused', async (path, sentence) => {
  const chosen = backups().second.choose(typeof path === 'string' ? path : path());
  await expect(chosen).rejects.toThrow(sentence);
  expect(await backups().second.state()).toBeNull();
});
