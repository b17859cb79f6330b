import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build } from '@fixatum/core';
import { BuildStore } from '../services/buildStore';
import { samplesFolder } from '../testing/appParts';
import { openDatabase, type Database } from './database';
import { migrations } from './migrations';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-upgrade-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** A sample build as those versions could have it: there were no mixes yet. */
async function sample(name: string): Promise<Build> {
  const text = await readFile(join(samplesFolder, `${name}.json`), 'utf8');
  const { mixes: _mixes, ...build } = JSON.parse(text) as Build;
  return build;
}

/** Before there were workshops a build had everything in its own rows. */
async function storeAsBefore(
  { sequelize }: Database,
  id: string,
  position: number,
  build: Build,
): Promise<void> {
  const insert = (table: string, row: Record<string, unknown>) =>
    sequelize.query(
      `INSERT INTO ${table} (${Object.keys(row).join(', ')}) VALUES (${Object.keys(row)
        .map(() => '?')
        .join(', ')})`,
      { replacements: Object.values(row) },
    );
  const { pieces, log = [], ...head } = build;
  await insert('builds', { id, position, version: 7, body: JSON.stringify(head) });
  for (const [at, { steps, ...piece }] of pieces.entries()) {
    await insert('pieces', {
      buildId: id,
      id: piece.id,
      position: at,
      version: 3,
      body: JSON.stringify(piece),
    });
    for (const [n, step] of steps.entries())
      await insert('steps', {
        buildId: id,
        pieceId: piece.id,
        id: step.id,
        position: n,
        body: JSON.stringify(step),
      });
  }
  for (const [at, entry] of log.entries())
    await insert('log_entries', { buildId: id, id: entry.id, position: at, body: JSON.stringify(entry) });
}

describe('what was stored by an earlier version', () => {
  // Those that knew no workshops yet; a later one has them as they are now.
  const apart = migrations.findIndex(({ name }) => name === '008-workshops');
  const earlier = migrations.slice(0, apart).map(({ name }, n) => [name, n + 1] as const);

  it.each(earlier)('up to %s is all there, in workshops that nothing is doubled in', async (_name, count) => {
    const [courier, lantern] = [await sample('orrery-courier'), await sample('tidepool-lantern')];
    // The same people, places and shelf; others; and tins that have no id yet.
    const alone: Build = {
      ...lantern,
      name: 'Alone',
      people: [{ ...lantern.people[0]!, name: 'Isk' }],
      stock: lantern.stock!.map(({ id: _id, ...tin }, n) => (n === 1 ? { id: 'tin-1', ...tin } : tin)),
    };
    const old = await openDatabase(folder, { migrations: migrations.slice(0, count) });
    await storeAsBefore(old, 'a', 1, courier);
    await storeAsBefore(old, 'b', 2, lantern);
    await storeAsBefore(old, 'c', 3, alone);
    const back = JSON.stringify([{ op: 'replace', path: '/people/0/name', value: 'Wrenna' }]);
    await old.sequelize.query('INSERT INTO changes (buildId, at, label, back) VALUES (?, ?, ?, ?)', {
      replacements: ['a', '2027-02-20T19:00:00Z', 'Rename Wren', back],
    });
    if (count >= 3)
      await old.sequelize.query(
        `INSERT INTO readings (buildId, placeId, at, temperatureC, humidityPct, fault)
         VALUES ('a', 'room', 100, 19, 50, NULL), ('b', 'room', 100, 19.5, 50, NULL), ('b', 'room', 101, 20, 51, NULL),
           ('c', 'room', 100, 12, 70, 'jump')`,
      );
    await old.close();

    const database = await openDatabase(folder);
    try {
      const store = new BuildStore(database);
      const [a, b, c] = [await store.load('a'), await store.load('b'), await store.load('c')];
      expect([a.build, b.build, a.version]).toEqual([courier, lantern, 7]);
      expect(a.workshopId).toBe(b.workshopId);
      expect(c.workshopId).not.toBe(a.workshopId);
      const ids = c.build.stock!.map(({ id }) => id);
      expect(new Set(ids).size).toBe(ids.length);
      expect({ ...c.build, stock: c.build.stock!.map(({ id: _id, ...tin }) => tin) }).toEqual({
        ...alone,
        stock: alone.stock!.map(({ id: _id, ...tin }) => tin),
      });
      const names = (await database.models.workshops.findAll({ order: ['position'] })).map(
        ({ body }) => (JSON.parse(body) as { name: string }).name,
      );
      expect(names).toEqual(['Workshop of Orrery Courier', 'Workshop of Alone']);
      if (count >= 3) {
        const air = await database.models.readings.findAll({ order: ['workshopId', 'at'] });
        expect(air.map(({ workshopId, at, temperatureC }) => [workshopId, at, temperatureC])).toEqual([
          [a.workshopId, 100, 19],
          [a.workshopId, 101, 20],
          [c.workshopId, 100, 12],
        ]);
      }
      // What was changed then can still be taken back, and the other build sees it.
      const { stored } = await store.undo('a', { etag: undefined });
      expect(stored.build.people[0]!.name).toBe('Wrenna');
      expect((await store.load('b')).build.people[0]!.name).toBe('Wrenna');
    } finally {
      await database.close();
    }
  });
});
