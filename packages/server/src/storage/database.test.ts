import { copyFile, mkdtemp, readdir, rm } from 'node:fs/promises';
import { copyFileSync, mkdirSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import type { Build } from '@fixatum/core';
import { BuildStore } from '../services/buildStore';
import { durableDriver, NotDurable } from './connection';
import { openDatabase, type Database } from './database';
import { migrations } from './migrations';

let folder: string;
const open: Database[] = [];
const opened = async (at = folder, options: Parameters<typeof openDatabase>[1] = {}) => {
  const database = await openDatabase(at, options);
  open.push(database);
  return database;
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-db-'));
});
afterEach(async () => {
  await Promise.all(open.splice(0).map((database) => database.close().catch(() => undefined)));
  await rm(folder, { recursive: true, force: true });
});

const small: Build = {
  format: 'fixatum-build/1',
  name: 'Small',
  timeZone: 'UTC',
  start: '2027-02-20T18:00',
  events: [],
  people: [],
  places: [],
  pieces: [],
};
const pragma = async ({ sequelize }: Database, name: string, transaction: Transaction | null = null) =>
  Object.values((await sequelize.query(`PRAGMA ${name}`, { type: QueryTypes.SELECT, transaction }))[0]!)[0];

describe('the database', () => {
  it('writes ahead and to the disk, on the connection of every transaction too', async () => {
    const database = await opened();
    const asked = async (transaction: Transaction | null) => [
      await pragma(database, 'journal_mode', transaction),
      await pragma(database, 'synchronous', transaction),
      await pragma(database, 'busy_timeout', transaction),
      await pragma(database, 'foreign_keys', transaction),
    ];
    expect(await asked(null)).toEqual(['wal', 2, 5000, 1]);
    await database.sequelize.transaction(async (transaction) =>
      expect(await asked(transaction)).toEqual(['wal', 2, 5000, 1]),
    );
  });

  it('is refused where it can not be set up so', async () => {
    // In memory there is no write-ahead log.
    const driver = durableDriver({ busyTimeoutMs: 5000 });
    const error = await new Promise<Error | null>((done) => {
      new driver.Database(':memory:', sqlite3.OPEN_READWRITE | sqlite3.OPEN_CREATE, done);
    });
    expect(error).toBeInstanceOf(NotDurable);
    expect(error!.message).toContain('journal_mode is memory, not wal');
  });

  it('goes on after another program held the file for longer than a write waits', async () => {
    const store = new BuildStore(await opened(folder, { busyTimeoutMs: 50 }));
    const { id } = await store.create(small);
    const rename = (name: string) =>
      store.change(id, { etag: undefined }, { label: 'Rename', at: '2027-02-20T18:00:00Z' }, (build) => ({
        ...build,
        name,
      }));
    const other = await opened();
    const held = await other.sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE });
    await expect(rename('Refused')).rejects.toThrow(/SQLITE_BUSY/);
    await held.rollback();
    expect((await rename('Taken')).build.name).toBe('Taken');
  });

  it('is written while somebody reads for long', async () => {
    const store = new BuildStore(await opened(folder, { busyTimeoutMs: 50 }));
    const { id } = await store.create(small);
    const other = await opened();
    const reading = await other.sequelize.transaction({ type: Transaction.TYPES.DEFERRED });
    await other.sequelize.query('SELECT * FROM builds', { transaction: reading });
    const stored = await store.change(
      id,
      { etag: undefined },
      { label: 'Rename', at: '2027-02-20T18:00:00Z' },
      (build) => ({
        ...build,
        name: 'While read',
      }),
    );
    expect(stored.build.name).toBe('While read');
    await reading.rollback();
  });
});

/** A driver that copies the data folder after each statement: what would be on the disk if the program were ended there. */
function snapshotting(from: string, to: string): { driver: typeof sqlite3; count: () => number } {
  let count = 0;
  const shoot = () => {
    const at = join(to, String(count));
    count += 1;
    mkdirSync(at, { recursive: true });
    for (const name of readdirSync(from)) copyFileSync(join(from, name), join(at, name));
  };
  const durable = durableDriver({ busyTimeoutMs: 5000 });
  function Shooting(file: string, mode: number, ready: (error: Error | null) => void) {
    const database = new durable.Database(file, mode, ready);
    for (const name of ['run', 'all', 'exec'] as const) {
      const plain = database[name].bind(database) as (...all: unknown[]) => unknown;
      (database as unknown as Record<string, unknown>)[name] = (...all: unknown[]) => {
        const done = all[all.length - 1];
        if (typeof done !== 'function') return plain(...all);
        return plain(...all.slice(0, -1), function (this: unknown, ...answer: unknown[]) {
          shoot();
          (done as (...answer: unknown[]) => void).apply(this, answer);
        });
      };
    }
    return database;
  }
  return {
    driver: { ...durable, Database: Shooting as unknown as typeof sqlite3.Database },
    count: () => count,
  };
}

const columns = async ({ sequelize }: Database, table: string) =>
  (await sequelize.query<{ name: string }>(`PRAGMA table_info('${table}')`, { type: QueryTypes.SELECT })).map(
    ({ name }) => name,
  );

/** Stores the small build as a version with such tables did. */
async function storeSmall(database: Database): Promise<void> {
  const body = JSON.stringify({ ...small, pieces: undefined });
  const hasWorkshops = (await columns(database, 'builds')).includes('workshopId');
  const run = (sql: string, ...replacements: string[]) => database.sequelize.query(sql, { replacements });
  if (!hasWorkshops) {
    await run("INSERT INTO builds (id, position, version, body) VALUES ('old', 1, 3, ?)", body);
    return;
  }
  const { people, places, timeZone, ...own } = small;
  const workshop = JSON.stringify({ people, places, timeZone, name: 'Home', format: 'fixatum-workshop/1' });
  await run("INSERT INTO workshops (id, position, version, body) VALUES ('w', 1, 1, ?)", workshop);
  await run(
    "INSERT INTO builds (id, position, version, body, workshopId) VALUES ('old', 1, 3, ?, 'w')",
    JSON.stringify({ ...own, pieces: undefined }),
  );
}

describe('migrations', () => {
  it('end whole wherever the program is ended: at every statement of a first start', async () => {
    const [live, shots] = [join(folder, 'live'), join(folder, 'shots')];
    mkdirSync(live);
    const { driver, count } = snapshotting(live, shots);
    await opened(live, { driver });
    expect(count()).toBeGreaterThan(migrations.length * 3);
    for (const at of await readdir(shots)) {
      const database = await openDatabase(join(shots, at));
      const store = new BuildStore(database);
      expect([at, (await store.create(small)).build.name]).toEqual([at, 'Small']);
      expect([at, await columns(database, 'changes')]).toEqual([
        at,
        expect.arrayContaining(['back', 'plan']),
      ]);
      await database.close();
    }
  });

  it.each(migrations.slice(1).map(({ name }, n) => [name, n + 1] as const))(
    'end whole at every statement of an upgrade to %s, with what was stored',
    async (_name, from) => {
      const [live, shots] = [join(folder, 'live'), join(folder, 'shots')];
      const old = await openDatabase(live, { migrations: migrations.slice(0, from) });
      await storeSmall(old);
      await old.close();
      const { driver } = snapshotting(live, shots);
      await opened(live, { driver });
      for (const at of await readdir(shots)) {
        const database = await openDatabase(join(shots, at));
        expect([at, (await new BuildStore(database).load('old')).build.name]).toEqual([at, 'Small']);
        await database.close();
      }
    },
  );

  it('mend what an earlier version left when it was ended between a step and its mark', async () => {
    const old = await openDatabase(folder, { migrations: migrations.slice(0, 4) });
    await old.sequelize.query('ALTER TABLE changes ADD COLUMN plan TEXT');
    await old.close();
    const database = await opened();
    expect(await columns(database, 'changes')).toContain('plan');
    const marks = await database.sequelize.query<{ name: string }>('SELECT name FROM SequelizeMeta', {
      type: QueryTypes.SELECT,
    });
    expect(marks.map(({ name }) => name)).toEqual(migrations.map(({ name }) => name));
  });

  it('are marked where earlier versions marked them', async () => {
    await (await openDatabase(folder)).close();
    await copyFile(join(folder, 'fixatum.sqlite'), join(folder, 'copy.sqlite'));
    const again = await opened();
    expect(await columns(again, 'SequelizeMeta')).toEqual(['name']);
  });
});
