import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build, LogEntry } from '@fixatum/core';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { openDatabase, type Database } from './storage/database';
import { appParts } from './testing/appParts';

let folder: string;
let database: Database;
let app: Express;
let id: string;
const open = async () => {
  database = await openDatabase(folder);
  app = createApp(appParts(database, folder));
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-journal-'));
  await open();
  await request(app).post('/api/samples').expect(201);
  const builds = (await request(app).get('/api/builds')).body.builds as { id: string; name: string }[];
  id = builds.find(({ name }) => name === 'Orrery Courier')!.id;
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const build = async (): Promise<Build> =>
  (await request(app).get(`/api/builds/${id}`).expect(200)).body.build;
const entry = async (entryId: string): Promise<LogEntry | undefined> =>
  (await build()).log?.find((one) => one.id === entryId);
const undo = () => request(app).post(`/api/builds/${id}/undo`).expect(200);

describe('a set that is made smaller', () => {
  it('keeps its log: what would lose a unit with work on it is refused, and says which', async () => {
    const before = await build();
    const tasset = before.pieces.find((piece) => piece.id === 'tasset')!;
    const last = Math.max(...before.log!.filter((one) => one.piece === 'tasset').map(({ unit }) => unit));
    expect(last).toBeGreaterThan(1);
    const put = (quantity: number) =>
      request(app)
        .put(`/api/builds/${id}/pieces/tasset`)
        .send({ ...tasset, quantity });
    const { body } = await put(last - 1).expect(422);
    expect(body.detail).toBe(
      `There is work logged on number ${last} of ${tasset.name}. Make it at least ${last}, or take those entries out of the journal first.`,
    );
    expect((await build()).log).toEqual(before.log);
    await put(last).expect(200);
    expect((await build()).log).toEqual(before.log);
  });
});

describe('the journal', () => {
  it('is put right, keeps what it said, and is taken back, also after a restart', async () => {
    const first = (await build()).log![0]!;
    const at = '2027-02-20T18:30';
    await request(app)
      .patch(`/api/builds/${id}/journal`)
      .send({ entries: [{ id: first.id, set: { doneAt: at, startedAt: null, note: 'By lamp.' } }] })
      .expect(200);
    await database.close();
    await open();
    expect(await entry(first.id)).toMatchObject({
      doneAt: at,
      note: 'By lamp.',
      edits: [{ at: '2027-02-20T19:30', was: { doneAt: first.doneAt } }],
    });
    const { changes } = (await request(app).get(`/api/builds/${id}/changes`).expect(200)).body;
    expect(changes[0]).toMatchObject({
      kind: 'log',
      label: expect.stringMatching(/^Put right in the journal: /),
    });
    await undo();
    expect(await entry(first.id)).toEqual(first);
  });

  it('refuses what can’t be, and changes nothing then', async () => {
    const first = (await build()).log![0]!;
    const said = await request(app)
      .patch(`/api/builds/${id}/journal`)
      .send({
        entries: [{ id: first.id, set: { startedAt: '2027-02-20T19:00', doneAt: '2027-02-20T18:00' } }],
      })
      .expect(422);
    expect(JSON.stringify(said.body)).toContain('It can’t be done before it was begun.');
    await request(app)
      .patch(`/api/builds/${id}/journal`)
      .send({ entries: [{ id: first.id, set: { doneAt: 'yesterday' } }] })
      .expect(422);
    await request(app)
      .patch(`/api/builds/${id}/journal`)
      .send({ remove: ['nothing'] })
      .expect(422);
    expect(await entry(first.id)).toEqual(first);
  });

  it('takes a coat back together with its start, in one undo', async () => {
    const spot = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, face: 'outer' };
    const before = await build();
    await request(app).post(`/api/builds/${id}/underway`).send(spot).expect(201);
    await request(app).post(`/api/builds/${id}/log`).send(spot).expect(201);
    await undo();
    const after = await build();
    expect(after.underway ?? []).toEqual(before.underway ?? []);
    expect(after.log).toEqual(before.log);
    // And done again together.
    await request(app).post(`/api/builds/${id}/redo`).expect(200);
    expect((await build()).log).toHaveLength(before.log!.length + 1);
  });

  it('leaves under way what was begun before something else was changed', async () => {
    const spot = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, face: 'outer' };
    await request(app).post(`/api/builds/${id}/underway`).send(spot).expect(201);
    await request(app).patch(`/api/builds/${id}`).send({ name: 'Renamed' }).expect(200);
    await request(app).post(`/api/builds/${id}/log`).send(spot).expect(201);
    await undo();
    expect((await build()).underway).toMatchObject([spot]);
    expect((await build()).name).toBe('Renamed');
  });

  it('keeps the air of yesterday, whoever changes the place', async () => {
    const { places } = await build();
    const climate = { kind: 'constant', temperatureC: 12, humidityPct: 40 };
    const changed = places.map((place, n) => (n === 0 ? { ...place, climate } : place));
    await request(app).patch(`/api/builds/${id}`).send({ places: changed }).expect(200);
    expect((await build()).places[0]).toMatchObject({
      climate,
      airWas: [{ until: '2027-02-20T19:30', climate: places[0]!.climate }],
    });
    await request(app)
      .post(`/api/builds/${id}/patch`)
      .send({
        label: 'Air',
        change: [{ op: 'replace', path: '/places/0/climate', value: { ...climate, temperatureC: 15 } }],
      })
      .expect(200);
    expect((await build()).places[0]!.airWas).toHaveLength(2);
    // Nothing about the air is changed: nothing is kept.
    await request(app)
      .patch(`/api/builds/${id}`)
      .send({ places: (await build()).places })
      .expect(200);
    expect((await build()).places[0]!.airWas).toHaveLength(2);
  });

  it('keeps what is laid when steps are deleted, changed, or written new', async () => {
    const { pieces, log } = await build();
    const logged = log!.find(({ face }) => face !== undefined)!;
    const piece = pieces.find(({ id: own }) => own === logged.piece)!;
    await request(app).delete(`/api/builds/${id}/pieces/${piece.id}/steps/${logged.step}`).expect(200);
    let now = await build();
    expect(now.log).toEqual(log);
    expect(
      now.pieces.find(({ id: own }) => own === piece.id)!.steps.find((step) => step.id === logged.step),
    ).toMatchObject({ ended: true });
    await request(app)
      .put(`/api/builds/${id}/pieces/${piece.id}`)
      .send({ ...piece, steps: [] })
      .expect(200);
    now = await build();
    expect(now.log).toEqual(log);
    // Taken out of the journal, the last trace of a step that is gone goes too.
    const own = log!.filter((one) => one.piece === piece.id);
    await request(app)
      .patch(`/api/builds/${id}/journal`)
      .send({ remove: own.map((one) => one.id) })
      .expect(200);
    expect((await build()).pieces.find((one) => one.id === piece.id)!.steps).toEqual([]);
  });
});
