import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build } from '@fixatum/core';
import request from 'supertest';
import type sqlite3 from 'sqlite3';
import { createApp } from './app';
import { appParts } from './testing/appParts';
import { durableDriver } from './storage/connection';
import { openDatabase, type Database } from './storage/database';

let folder: string;
let database: Database;
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

/** The driver that ships, but the file may not grow while `isFull`: SQLite itself says that it is full, as on a full disk. */
function driverOnDisk(disk: { isFull: boolean }): typeof sqlite3 {
  const durable = durableDriver({ busyTimeoutMs: 5000 });
  function Database(file: string, mode: number, ready: (error: Error | null) => void): sqlite3.Database {
    const opened: sqlite3.Database = new durable.Database(file, mode, (error) => {
      if (error || !disk.isFull) return ready(error);
      // It is never made smaller than what is there already.
      opened.exec('PRAGMA max_page_count = 1', ready);
    });
    return opened;
  }
  return { ...durable, Database: Database as unknown as typeof sqlite3.Database };
}

it('a full disk is said, what was saved before is there, and what is sent again once there is room counts once', async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-full-'));
  const disk = { isFull: false };
  database = await openDatabase(folder, { driver: driverOnDisk(disk) });
  const app = createApp(appParts(database, folder));
  const { builds } = (await request(app).post('/api/samples').expect(201)).body;
  const id: string = builds.find(({ name }: { name: string }) => name === 'Orrery Courier').id;
  const build = async (): Promise<Build> => (await request(app).get(`/api/builds/${id}`)).body.build;
  const log = (n: number) =>
    request(app)
      .post(`/api/builds/${id}/log`)
      .send({
        id: `e${n}`,
        piece: 'gorget',
        unit: 1,
        step: 'bone',
        coat: 1,
        face: 'outer',
        // Long enough that it needs a page of its own.
        note: 'n'.repeat(4000),
      });
  const before = await build();

  disk.isFull = true;
  const refused = await log(1);
  expect([refused.status, refused.body]).toMatchObject([
    507,
    {
      type: 'urn:fixatum:problem:disk-full',
      detail:
        'The disk with the data is full, so this was not saved. What was saved before is safe. Make room on it first.',
    },
  ]);
  expect(await build()).toEqual(before);

  disk.isFull = false;
  expect((await log(1)).status).toBe(201);
  expect((await log(1)).status).toBe(201);
  expect((await build()).log).toHaveLength((before.log?.length ?? 0) + 1);
});
