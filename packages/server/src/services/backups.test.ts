import { copyFile, mkdir, mkdtemp, readdir, readFile, rm, truncate, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build } from '@fixatum/core';
import { QueryTypes } from 'sequelize';
import { FolderTaken, lockFolder } from '../storage/folderLock';
import { DATABASE_FILE, openDatabase, type Database } from '../storage/database';
import { migrations } from '../storage/migrations';
import { withUnpacked, writeZip } from './archive';
import { BadBackup } from './badBackup';
import { Backups, lookInside } from './backups';
import { putBack } from './putBack';
import { BuildStore } from './buildStore';
import { loadSamples } from './samples';
import { makeClock } from './clock';

let folder: string;
let data: string;
let database: Database;
let nowMs: number;
const backups = () => new Backups(data, () => new Date(nowMs).toISOString());

beforeEach(async () => {
  nowMs = Date.parse('2027-02-20T19:30:00Z');
  folder = await mkdtemp(join(tmpdir(), 'fixatum-backup-'));
  data = join(folder, 'data');
  database = await openDatabase(data);
  await loadSamples(
    new BuildStore(database),
    join(__dirname, '../../../../demo'),
    makeClock('2027-02-20T19:30'),
  );
  await mkdir(join(data, 'photos'));
  for (const name of ['a', 'b']) await writeFile(join(data, 'photos', `${name}.jpg`), `photo ${name}`);
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

/** Every row of every table, as text. */
async function rowsOf({ sequelize }: Database): Promise<Record<string, string[]>> {
  const tables = await sequelize.query<{ name: string }>(
    "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%' ORDER BY name",
    { type: QueryTypes.SELECT },
  );
  const all: Record<string, string[]> = {};
  for (const { name } of tables)
    all[name] = (await sequelize.query(`SELECT * FROM \`${name}\``, { type: QueryTypes.SELECT }))
      .map((row) => JSON.stringify(row))
      .sort();
  return all;
}
const photosOf = async (at: string) =>
  Promise.all(
    (await readdir(join(at, 'photos')))
      .sort()
      .map(async (name) => [name, await readFile(join(at, 'photos', name), 'utf8')]),
  );

describe('a backup', () => {
  it('of a running server comes back equal on an empty folder, row by row and photo by photo', async () => {
    const made = await backups().make('by-hand');
    expect(made.builds.map(({ name }) => name).sort()).toEqual(['Orrery Courier', 'Tidepool lantern']);
    expect([made.photos, made.reason]).toEqual([2, 'by-hand']);
    const elsewhere = join(folder, 'elsewhere');
    await putBack(await backups().folderOf(made.id), elsewhere, 'own');
    const other = await openDatabase(elsewhere);
    const [rows, was] = [await rowsOf(other), await rowsOf(database)];
    await other.close();
    expect(was.steps!.length).toBeGreaterThan(20);
    expect(rows).toEqual(was);
    expect(await photosOf(elsewhere)).toEqual(await photosOf(data));
  });

  it('goes on with versions that no screen has seen, where it takes the place of something', async () => {
    const versions = async (of: Database) => ({
      builds: (await of.models.builds.findAll({ order: ['id'] })).map(({ version }) => version),
      pieces: (await of.models.pieces.findAll({ order: ['buildId', 'id'] })).map(({ version }) => version),
    });
    const was = await versions(database);
    const { id } = await backups().make('by-hand');
    await database.close();
    await putBack(await backups().folderOf(id), data, 'own');
    database = await openDatabase(data);
    const on = (list: number[]) => list.map((version) => version + 1_000_000);
    expect(was.pieces.length).toBeGreaterThan(5);
    expect(await versions(database)).toEqual({ builds: on(was.builds), pieces: on(was.pieces) });
  });

  it('brings no device back that was taken back since, and keeps what was paired since', async () => {
    const pair = (id: string) => {
      const at = '2027-02-20T19:00:00Z';
      const own = { id, name: id, role: 'helper', tokenHash: `hash of ${id}` };
      return database.models.devices.create({ ...own, pairedAt: at, lastSeenAt: at });
    };
    const paired = async () => (await database.models.devices.findAll({ order: ['id'] })).map(({ id }) => id);
    await pair('kept');
    await pair('lost');
    const { id } = await backups().make('by-hand');
    await database.models.devices.destroy({ where: { id: 'lost' } });
    await pair('new');
    await database.close();
    await putBack(await backups().folderOf(id), data, 'own');
    database = await openDatabase(data);
    expect(await paired()).toEqual(['kept', 'new']);
    // Of a file that can't be read nobody knows who was taken back.
    await database.close();
    await writeFile(join(data, DATABASE_FILE), 'This is no database. '.repeat(1000));
    await putBack(await backups().folderOf(id), data, 'own');
    database = await openDatabase(data);
    expect(await paired()).toEqual([]);
  });

  it('travels as one zip file', async () => {
    const { id } = await backups().make('by-hand');
    const zip = join(folder, 'all.zip');
    await writeZip(await backups().folderOf(id), zip);
    const elsewhere = join(folder, 'elsewhere');
    await withUnpacked(zip, (unpacked) => putBack(unpacked, elsewhere, 'own'));
    const other = await openDatabase(elsewhere);
    expect(await rowsOf(other)).toEqual(await rowsOf(database));
    await other.close();
    expect(await photosOf(elsewhere)).toEqual(await photosOf(data));
  });

  it('of a cut-off zip or file is refused, and nothing is changed', async () => {
    const { id } = await backups().make('by-hand');
    const whole = await backups().folderOf(id);
    const zip = join(folder, 'all.zip');
    await writeZip(whole, zip);
    await truncate(zip, 20_000);
    await expect(withUnpacked(zip, (unpacked) => putBack(unpacked, data, 'own'))).rejects.toThrow(BadBackup);
    const torn = join(folder, 'torn');
    await mkdir(torn);
    await copyFile(join(whole, DATABASE_FILE), join(torn, DATABASE_FILE));
    await truncate(join(torn, DATABASE_FILE), 30_000);
    const before = await readFile(join(data, DATABASE_FILE));
    await expect(putBack(torn, data, 'own')).rejects.toThrow(
      'The database is not whole: it is cut off, or something else.',
    );
    expect((await readFile(join(data, DATABASE_FILE))).equals(before)).toBe(true);
    expect((await readdir(data)).some((name) => name.includes('fresh'))).toBe(false);
  });

  it('is not there when it could not be made whole', async () => {
    await writeFile(join(data, 'backups'), 'a file where the folder should be');
    await expect(backups().make('by-hand')).rejects.toThrow();
    expect(await backups().list()).toEqual([]);
  });

  it('goes by age, but not the one that is being put back', async () => {
    const first = await backups().make('by-hand');
    for (let n = 1; n <= 6; n += 1) {
      nowMs += 3_600_000;
      await backups().make('by-hand', n < 6 ? first.id : undefined);
      const ids = (await backups().list()).map(({ id }) => id);
      expect([n, ids.includes(first.id)]).toEqual([n, n < 6]);
    }
    expect((await backups().list())[0]!.madeAt).toBe('2027-02-21T01:30:00.000Z');
  });

  it('is made once a day, and stays, when the clock was set back', async () => {
    expect(await backups().isDue()).toBe(true);
    await backups().make('daily');
    expect(await backups().isDue()).toBe(false);
    nowMs += 86_399_999;
    expect(await backups().isDue()).toBe(false);
    nowMs += 1;
    expect(await backups().isDue()).toBe(true);
    for (let n = 0; n < 6; n += 1) {
      await backups().make('daily');
      nowMs += 60_000;
    }
    // A month back, all there is comes from days to come.
    nowMs -= 30 * 86_400_000;
    expect(await backups().isDue()).toBe(true);
    const { id } = await backups().make('daily');
    expect((await backups().list()).map((one) => one.id)).toContain(id);
    expect(await backups().isDue()).toBe(false);
  });

  it('says what is in it', async () => {
    const inside = await lookInside(join(data, DATABASE_FILE));
    const stored = await new BuildStore(database).list();
    // In the order they were made; the store lists the builds by the dates they are due.
    const pieces = (builds: { name: string; pieces: number }[]) =>
      Object.fromEntries(builds.map((build) => [build.name, build.pieces]));
    expect(pieces(inside)).toEqual(pieces(stored));
    expect(inside).toHaveLength(stored.length);
    await expect(lookInside(join(folder, 'nowhere.sqlite'))).rejects.toThrow(BadBackup);
  });
});

describe('an upgrade', () => {
  it('is preceded by a backup where something is stored, and only then', async () => {
    const old = join(folder, 'old');
    let asked = 0;
    const beforeUpgrade = () => Promise.resolve((asked += 1));
    await (await openDatabase(old, { migrations: migrations.slice(0, 3), beforeUpgrade })).close();
    expect(asked).toBe(0);
    await (await openDatabase(old, { beforeUpgrade })).close();
    expect(asked).toBe(1);
    await (await openDatabase(old, { beforeUpgrade })).close();
    expect(asked).toBe(1);
  });

  it('can be gone back from: a backup of the tables of before opens in these', async () => {
    const old = join(folder, 'old');
    const before = await openDatabase(old, { migrations: migrations.slice(0, 3) });
    const small = { format: 'fixatum-build/1', name: 'Old', timeZone: 'UTC', start: '2027-02-20T18:00' };
    await before.sequelize.query(
      `INSERT INTO builds (id, position, version, body) VALUES ('old', 1, 3, '${JSON.stringify(small)}')`,
    );
    await before.close();
    const kept = new Backups(old);
    await (await openDatabase(old, { beforeUpgrade: () => kept.make('before-upgrade') })).close();
    const [made] = await kept.list();
    expect(made).toMatchObject({ reason: 'before-upgrade', builds: [{ name: 'Old', pieces: 0, logged: 0 }] });
    await putBack(await kept.folderOf(made!.id), old, 'own');
    const again = await openDatabase(old);
    expect((await new BuildStore(again).load('old')).build.name).toBe('Old' satisfies Build['name']);
    await again.close();
  });
});

describe('a data folder', () => {
  it('is refused to a second server, by name, and free again when the first lets go', async () => {
    const letGo = await lockFolder(data);
    await expect(lockFolder(data)).rejects.toThrow(FolderTaken);
    await expect(lockFolder(data)).rejects.toThrow(`(process ${process.pid}, since `);
    await expect(lockFolder(data)).rejects.toThrow(`works on the data in ${data}.`);
    await letGo();
    await (
      await lockFolder(data)
    )();
  });

  it('is held even where the file it is held by is damaged, as nothing is in that', async () => {
    await writeFile(join(data, 'in-use.sqlite'), 'this was no database for long');
    const letGo = await lockFolder(data);
    await expect(lockFolder(data)).rejects.toThrow(FolderTaken);
    await letGo();
  });
});
