import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inWorkshop, joinWorkshop, matchWorkshop, sharedParts, type Build } from '@fixatum/core';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { openDatabase, type Database } from './storage/database';
import { appParts, samplesFolder } from './testing/appParts';

let folder: string;
let database: Database;
let app: Express;
const open = async () => {
  database = await openDatabase(folder);
  app = createApp(appParts(database, folder));
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-workshops-'));
  await open();
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const lantern = async (changes: Partial<Build> = {}): Promise<Build> => ({
  ...(JSON.parse(await readFile(join(samplesFolder, 'tidepool-lantern.json'), 'utf8')) as Build),
  ...changes,
});
const get = async (path: string) => (await request(app).get(path).expect(200)).body;
const make = async (build: Build, workshop?: string) => {
  const into = workshop === undefined ? '' : `?workshop=${workshop}`;
  const { body } = await request(app).post(`/api/builds${into}`).send(JSON.stringify(build)).expect(201);
  return body as { id: string; version: number; build: Build };
};
const list = async () => (await get('/api/workshops')).workshops;
const undo = (id: string) => request(app).post(`/api/builds/${id}/undo`).send({});
const patch = (id: string, changes: object) => request(app).patch(`/api/builds/${id}`).send(changes);

/** Two builds in one workshop. */
async function two() {
  const first = await make(await lantern({ name: 'Lantern' }));
  const [workshop] = await list();
  const second = await make(
    inWorkshop(await lantern({ name: 'Buoy' }), sharedParts(first.build)),
    workshop.id as string,
  );
  return { first, second, workshop: workshop.id as string };
}

describe('a workshop', () => {
  it('is its own for a build that names none, and is shared by builds that name it; also after a restart', async () => {
    const { first, second, workshop } = await two();
    const other = await make(await lantern({ name: 'Elsewhere' }));
    const said = [
      ['Workshop of Lantern', [first.id, second.id]],
      ['Workshop of Elsewhere', [other.id]],
    ];
    const now = async () =>
      (await list()).map(({ name, builds }: { name: string; builds: string[] }) => [name, builds]);
    expect(await now()).toEqual(said);
    expect((await get(`/api/workshops/${workshop}`)).workshop.people).toEqual(first.build.people);
    await database.close();
    await open();
    expect(await now()).toEqual(said);
    expect((await get(`/api/builds/${second.id}`)).build).toEqual(second.build);
  });

  it('is changed for all its builds by any of them, and taken back from there', async () => {
    const { first, second } = await two();
    const people = [
      { id: 'wren', name: 'Wren', availability: [{ days: ['sun'], from: '10:00', to: '12:00' }] },
    ];
    await patch(second.id, { people }).expect(200);
    const seen = await get(`/api/builds/${first.id}`);
    expect([seen.build.people, seen.version]).toEqual([people, first.version + 1]);
    expect((await undo(second.id).expect(200)).body.build.people).toEqual(first.build.people);
    expect((await get(`/api/builds/${first.id}`)).build).toEqual(first.build);
  });

  it('keeps what another build changed since, when a change is taken back', async () => {
    const { first, second } = await two();
    const stock = first.build.stock!;
    const weighed = (ml: number, id: string) =>
      stock.map((tin) => (tin.id === id ? { ...tin, remainingMl: ml } : tin));
    await patch(first.id, { name: 'Lantern again', stock: weighed(11, 'dip').slice(0, 5) }).expect(200);
    const now = (await get(`/api/builds/${second.id}`)).build.stock as typeof stock;
    await patch(second.id, {
      stock: now.map((tin) => (tin.id === 'dip' ? { ...tin, remainingMl: 9 } : tin)),
    });
    const taken = await undo(first.id).expect(200);
    expect(decodeURIComponent(taken.headers['x-undone']!)).toBe(
      'Workshop and dates (but what was changed since in another build)',
    );
    expect(taken.body.build.name).toBe('Lantern');
    expect(taken.body.build.stock).toEqual(weighed(9, 'dip'));
  });

  it('is not changed so that another of its builds could not be used, and says which', async () => {
    const { first, second } = await two();
    const without = { places: first.build.places.filter(({ id }) => id !== 'room') };
    // The first does nothing there any more, the second does.
    const pieces = first.build.pieces.map((piece) => ({
      ...piece,
      steps: piece.steps.map((step) => ({ ...step, place: 'porch' })),
    }));
    for (const piece of pieces)
      await request(app).put(`/api/builds/${first.id}/pieces/${piece.id}`).send(piece).expect(200);
    const refused = await patch(first.id, without);
    expect(refused.status).toBe(422);
    expect(refused.body.faults[0].message).toMatch(/^Buoy uses this workshop too, and could not any more: /);
    expect((await get(`/api/builds/${first.id}`)).build.places).toEqual(first.build.places);
    await request(app).delete(`/api/builds/${second.id}`).expect(204);
    expect((await patch(first.id, without)).body.faults[0].message).toMatch(
      /^Buoy, which was put aside, uses/,
    );
  });

  it('is renamed, exported with the looks, imported again, and let go only when nothing is in it', async () => {
    const { workshop } = await two();
    const etag = (await request(app).get(`/api/workshops/${workshop}`)).headers['etag']!;
    const rename = (name: string, version = etag) =>
      request(app).patch(`/api/workshops/${workshop}`).set('if-match', version).send({ name });
    await rename('Club room').expect(200);
    await rename('Attic').expect(412);
    await rename(' ', '*').expect(422);
    const file = await request(app).get(`/api/workshops/${workshop}/file`).expect(200);
    expect(file.headers['content-disposition']).toContain('club-room.fixatum-workshop.json');
    const text = file.text;
    expect(JSON.parse(text)).toMatchObject({ format: 'fixatum-workshop/1', name: 'Club room', looks: [] });
    const { id, workshop: read } = (await request(app).post('/api/workshops').send(text).expect(201)).body;
    expect(read).toEqual((await get(`/api/workshops/${workshop}`)).workshop);
    expect((await request(app).delete(`/api/workshops/${workshop}`)).body).toMatchObject({
      type: 'urn:fixatum:problem:in-use',
      detail: expect.stringContaining('There are builds in Club room'),
    });
    await request(app).delete(`/api/workshops/${id}`).expect(204);
    expect(await list()).toHaveLength(1);
  });

  it.each([
    ['what is no JSON', '{"format": ', 'whole JSON'],
    ['a build file', '{"format": "fixatum-build/1"}', 'not a workshop file'],
    [
      'a tin that is fuller than it can be',
      JSON.stringify({
        format: 'fixatum-workshop/1',
        name: 'X',
        timeZone: 'UTC',
        stock: [
          {
            id: 't',
            material: 'flex-acrylic',
            containerMl: 60,
            remainingMl: 61,
            levelAt: '2027-02-15T08:00',
          },
        ],
      }),
      'more left than the 60 ml',
    ],
    [
      'looks that are none',
      JSON.stringify({ format: 'fixatum-workshop/1', name: 'X', timeZone: 'UTC', looks: [{}] }),
      'looks in it',
    ],
  ])('is not made of %s', async (_what, text, said) => {
    const refused = await request(app).post('/api/workshops').send(text);
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringContaining(said)]);
    expect(await list()).toEqual([]);
  });

  it('has its builds in the order the user puts them in', async () => {
    const { first, second, workshop } = await two();
    const order = (builds: string[]) => request(app).put(`/api/workshops/${workshop}/order`).send({ builds });
    await order([second.id, first.id]).expect(204);
    expect((await list())[0].builds).toEqual([second.id, first.id]);
    const said = (await get('/api/builds')).builds.map(({ id }: { id: string }) => id);
    expect(said).toEqual([second.id, first.id]);
    expect((await order([first.id])).body.detail).toContain('every build of the workshop once');
    expect((await order([first.id, first.id])).status).toBe(422);
  });

  it('has its builds in the order of their dates until somebody puts them in one, and again when asked; also after a restart', async () => {
    const dated = async (name: string, day: string, workshop?: string) => {
      const wearAt = `2027-${day}T09:00`;
      const build = await lantern({
        name,
        pieces: [],
        log: [],
        events: [{ id: 'day', name: 'Day', wearAt }],
      });
      return make(build, workshop);
    };
    const may = await dated('May', '05-01');
    const [{ id: workshop }] = await list();
    const march = await dated('March', '03-06', workshop);
    const names = async () => {
      const known = new Map(
        (await get('/api/builds')).builds.map((one: Build & { id: string }) => [one.id, one.name]),
      );
      return (await list())[0].builds.map((id: string) => known.get(id));
    };
    expect(await names()).toEqual(['March', 'May']);
    expect((await get(`/api/builds/${march.id}/beside`)).builds[0]).toMatchObject({
      name: 'May',
      isAhead: false,
    });
    expect((await get(`/api/builds/${may.id}/beside`)).builds[0]).toMatchObject({
      name: 'March',
      isAhead: true,
    });
    const order = (body: object) => request(app).put(`/api/workshops/${workshop}/order`).send(body);
    await order({ builds: [may.id, march.id] }).expect(204);
    await database.close();
    await open();
    expect([await names(), (await list())[0].ownOrder]).toEqual([['May', 'March'], true]);
    // A new one goes before the first that is needed later.
    await dated('April', '04-01', workshop);
    expect(await names()).toEqual(['April', 'May', 'March']);
    await dated('June', '06-01', workshop);
    expect(await names()).toEqual(['April', 'May', 'March', 'June']);
    await order({ by: 'date' }).expect(204);
    expect([await names(), (await list())[0].ownOrder]).toEqual([['March', 'April', 'May', 'June'], false]);
    // A date that moves moves the build.
    await patch(march.id, { events: [{ id: 'day', name: 'Day', wearAt: '2027-07-01T09:00' }] }).expect(200);
    expect(await names()).toEqual(['April', 'May', 'June', 'March']);
    expect((await order({ by: 'name' })).status).toBe(422);
  });
});

describe('builds beside each other', () => {
  it('tell of each other with their plans, by their order, and only what is not known', async () => {
    const { first, second } = await two();
    const plan = { order: ['shell/1/heat/1'], passes: [] };
    await request(app).put(`/api/builds/${first.id}/plan`).send(plan).expect(204);
    const said = await get(`/api/builds/${second.id}/beside`);
    expect(said.builds).toEqual([
      { id: first.id, version: first.version, name: 'Lantern', isAhead: true, plan, build: first.build },
    ]);
    const known = await get(`/api/builds/${second.id}/beside?have=x:1,${first.id}:${first.version}`);
    expect(known.builds[0]).toEqual({
      id: first.id,
      version: first.version,
      name: 'Lantern',
      isAhead: true,
      plan,
    });
    expect((await get(`/api/builds/${first.id}/beside`)).builds[0]).toMatchObject({
      id: second.id,
      isAhead: false,
    });
  });

  it('that are done with, or put aside, tell only what they took out of the tins', async () => {
    const { first, second } = await two();
    const tin = { ...first.build.stock!.find(({ id }) => id === 'primer')!, levelAt: '2027-02-20T19:00' };
    await patch(first.id, { stock: first.build.stock!.map((one) => (one.id === 'primer' ? tin : one)) });
    const entry = { piece: 'shell', unit: 1, step: 'seal', coat: 1 };
    const used = [{ tin: 'primer', ml: 4.5 }];
    await request(app)
      .post(`/api/builds/${first.id}/log`)
      .send([
        { ...entry, doneAt: '2027-02-20T19:20', used },
        { ...entry, coat: 2, doneAt: '2027-02-20T19:29' },
      ])
      .expect(201);
    await request(app).post(`/api/builds/${first.id}/finish`).send({ finished: true }).expect(200);
    const [one] = (await get(`/api/builds/${second.id}/beside`)).builds;
    expect(one).toMatchObject({ name: 'Lantern', drawn: [{ doneAt: '2027-02-20T19:20', used }, {}] });
    // The second did not say what it took: it is reckoned.
    const [own] = one.drawn[1].used;
    expect(one.drawn[1].used).toEqual([
      { tin: 'primer', ml: expect.any(Number), bookMl: own.ml, method: 'brush' },
    ]);
    expect(one).not.toHaveProperty('build');
    expect((await get('/api/builds')).builds[0].finishedAt).toMatch(/^2027-02-20T19:30/);
    await request(app).post(`/api/builds/${first.id}/finish`).send({ finished: false }).expect(200);
    await request(app).delete(`/api/builds/${first.id}`).expect(204);
    expect((await get(`/api/builds/${second.id}/beside`)).builds[0].drawn).toHaveLength(2);
  });
});

it('what a build took out of the tins is out of them still when it is deleted for good', async () => {
  const { first, second } = await two();
  const tin = {
    ...first.build.stock!.find(({ id }) => id === 'primer')!,
    levelAt: '2027-02-20T19:00',
    remainingMl: 300,
  };
  await patch(first.id, { stock: first.build.stock!.map((one) => (one.id === 'primer' ? tin : one)) });
  const entry = { piece: 'shell', unit: 1, step: 'seal', coat: 1 };
  await request(app)
    .post(`/api/builds/${first.id}/log`)
    .send([{ ...entry, doneAt: '2027-02-20T19:20', used: [{ tin: 'primer', ml: 4.5 }] }])
    .expect(201);
  await request(app).delete(`/api/builds/${first.id}`).expect(204);
  const before = (await get(`/api/builds/${second.id}`)) as { version: number };
  await request(app).delete(`/api/builds/aside/${first.id}`).expect(204);
  const after = await get(`/api/builds/${second.id}`);
  expect(after.build.stock.find(({ id }: { id: string }) => id === 'primer').remainingMl).toBe(295.5);
  expect(after.version).toBeGreaterThan(before.version);
  expect((await get(`/api/builds/${second.id}/beside`)).builds).toEqual([]);
});

it('whoever shares a workshop hears when a build is put aside, comes back, or moves away', async () => {
  const { store } = appParts(database, folder);
  const { first, workshop } = await two();
  const heard: unknown[] = [];
  store.whenNudged((...said) => heard.push(said));
  await store.remove(first.id, '2027-02-20T19:30:00Z');
  await store.restore(first.id);
  const other = await store.create(await lantern({ name: 'Elsewhere' }));
  const joined = { build: first.build, placeIds: {} };
  await store.move(first.id, { etag: undefined }, { id: other.workshopId }, joined);
  expect(heard).toEqual([
    [first.id, workshop],
    [first.id, workshop],
    [first.id, workshop],
  ]);
});

describe('a build that moves', () => {
  it('to another workshop has what that has, names it so, and takes the air of its places along', async () => {
    const { first } = await two();
    const shed = { ...first.build.places[0]!, id: 'shed', name: 'Spare room' };
    const other = await make(await lantern({ name: 'Elsewhere', places: [shed], pieces: [] }));
    const [from, into] = await list();
    await database.models.readings.create({
      workshopId: from.id,
      placeId: 'room',
      at: 1_000_000,
      temperatureC: 19,
      humidityPct: 50,
      fault: null,
    });
    const there = (await get(`/api/workshops/${into.id}`)).workshop;
    const joined = joinWorkshop(
      first.build,
      there,
      matchWorkshop(first.build, there, (id) => id),
    );
    expect(joined.placeIds).toMatchObject({ room: 'shed' });
    const move = (workshopEtag: string) =>
      request(app)
        .post(`/api/builds/${first.id}/move`)
        .send({ workshop: into.id, workshopEtag, ...joined });
    await move('"7"').expect(412);
    const moved = await move('"1"').expect(200);
    expect(moved.body.build).toEqual(joined.build);
    expect((await list()).map(({ builds }: { builds: string[] }) => builds.length)).toEqual([1, 2]);
    expect(await database.models.readings.count({ where: { workshopId: into.id, placeId: 'shed' } })).toBe(1);
    // What came along serves the other build too.
    expect((await get(`/api/builds/${other.id}`)).build.places.map(({ id }: { id: string }) => id)).toEqual([
      'shed',
      'porch',
    ]);
    expect((await undo(first.id)).body.type).toBe('urn:fixatum:problem:nothing-to-undo');
  });
});

it('a fresh one is filled by the samples, which share it', async () => {
  await request(app).post('/api/samples').expect(201);
  expect(
    (await list()).map(({ name, builds }: { name: string; builds: string[] }) => [name, builds.length]),
  ).toEqual([['Wren’s workshop', 2]]);
});
