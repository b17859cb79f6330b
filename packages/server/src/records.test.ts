import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { queryOf } from './services/records';
import { openDatabase, type Database } from './storage/database';
import { appParts } from './testing/appParts';

let folder: string;
let database: Database;
let app: Express;
const open = async () => {
  database = await openDatabase(folder);
  app = createApp(appParts(database, folder));
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-records-'));
  await open();
  await request(app).post('/api/samples').expect(201);
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

interface Said {
  build: { id: string; name: string; finishedAt: string | null };
  kind: string;
  title: string;
  at?: string;
}
const find = async (words: string): Promise<Said[]> =>
  (await request(app).get('/api/records').query({ q: words }).expect(200)).body.found;
const builds = async () =>
  (await request(app).get('/api/builds')).body.builds as { id: string; name: string }[];

describe('records', () => {
  it('are found by words in any order and by their beginnings, in all builds, and every word has to be there', async () => {
    const done = (await find('primer tasset')).filter(({ kind }) => kind === 'done');
    expect(done.length).toBeGreaterThan(5);
    for (const { title } of done) expect(title).toMatch(/^Comet tasset: .*primer/i);
    expect((await find('Tass prim')).length).toBe((await find('primer tasset')).length);
    const both = new Set((await find('seal')).map(({ build }) => build.name));
    expect([...both].sort()).toEqual(['Orrery Courier', 'Tidepool lantern']);
    expect(await find('tasset walrus')).toEqual([]);
    // Tins by their lot, and by the colour they are.
    expect((await find('B 114')).map(({ kind }) => kind)).toContain('tin');
    expect((await find('#3f7f72')).length).toBeGreaterThan(3);
  });

  it('follow what is logged, changed, put aside and done with, also after a restart', async () => {
    const courier = (await builds()).find(({ name }) => name === 'Orrery Courier');
    expect(await find('walrus')).toEqual([]);
    const entry = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, note: 'Smudged by the walrus.' };
    await request(app).post(`/api/builds/${courier!.id}/log`).send(entry).expect(201);
    expect(await find('walrus')).toMatchObject([
      { kind: 'done', build: { name: 'Orrery Courier', finishedAt: null } },
    ]);
    await database.close();
    await open();
    expect(await find('walrus')).toHaveLength(1);
    await request(app).post(`/api/builds/${courier!.id}/finish`).send({ finished: true }).expect(200);
    expect((await find('walrus'))[0]!.build.finishedAt).toBe('2027-02-20T19:30');
    await request(app).post(`/api/builds/${courier!.id}/undo`).expect(200);
    expect(await find('walrus')).toEqual([]);
    await request(app).delete(`/api/builds/${courier!.id}`).expect(204);
    expect(await find('tasset')).toEqual([]);
  });

  it('take whatever people type', async () => {
    for (const odd of ['"', '*', 'NEAR(', 'a OR b', '-x', 'text:seal', '()', '^', '  '])
      expect(Array.isArray(await find(odd))).toBe(true);
    expect(await find('')).toEqual([]);
    expect(queryOf('shoulder "spring (2027-02)')).toBe('"shoulder"* "spring"* "2027"* "02"*');
    const long = await request(app)
      .get('/api/records')
      .query({ q: 'x'.repeat(301) });
    expect(long.status).toBe(422);
  });
});
