import { readFile } from 'node:fs/promises';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { changePalette, type Build, type LogEntry, type Piece } from '@fixatum/core';
import type { Express } from 'express';
import sharp from 'sharp';
import request from 'supertest';
import { createApp } from './app';
import { appParts, samplesFolder } from './testing/appParts';
import { makeClock } from './services/clock';
import { openDatabase, type Database } from './storage/database';
import { ReadingStore } from './services/readingStore';

let folder: string;
let database: Database;
let app: Express;

/** Opens the same folder again, as after a restart. */
async function open(): Promise<void> {
  database = await openDatabase(folder);
  app = createApp(appParts(database, folder));
}
async function reopen(): Promise<void> {
  await database.close();
  await open();
}

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-api-'));
  await open();
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const demoText = () => readFile(join(samplesFolder, 'orrery-courier.json'), 'utf8');
async function imported(): Promise<{ id: string; build: Build; etag: string }> {
  const response = await request(app)
    .post('/api/builds')
    .set('content-type', 'application/json')
    .send(await demoText());
  expect(response.status).toBe(201);
  return { id: response.body.id, build: response.body.build, etag: response.headers.etag! };
}
const pass = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, face: 'outer' as const };
const get = async (path: string) => (await request(app).get(path)).body;

describe('what the bench logs', () => {
  const entry = { piece: 'gorget', unit: 1, step: 'bone', coat: 1 };

  it('without a face is the face that is due, and says so', async () => {
    const { id, build } = await imported();
    const answer = await request(app).post(`/api/builds/${id}/log`).send(entry).expect(201);
    const added = (answer.body.build as Build).log!.at(-1)!;
    expect(answer.body.build.log).toHaveLength(build.log!.length + 1);
    expect(added.face).toBe('outer');
  });

  it('on a face its step does not work on is refused, and nothing is lost', async () => {
    const { id, build } = await imported();
    const refused = await request(app)
      .post(`/api/builds/${id}/log`)
      .send({ ...entry, face: 'inner' });
    expect([refused.status, refused.body.path]).toEqual([422, 'face']);
    expect(refused.body.detail).toContain('does not work on the inner face');
    expect((await get(`/api/builds/${id}`)).build).toEqual(build);
  });
});

describe('what is new', () => {
  it('is all that comes back to a caller that says which version it has', async () => {
    const { id, build, etag } = await imported();
    const have = etag.replaceAll('"', '');
    const log = (step: string, version: string) =>
      request(app)
        .post(`/api/builds/${id}/log`)
        .set('x-fixatum-have', version)
        .send({ piece: 'gorget', unit: 1, step, coat: 1 })
        .expect(201);
    const { body, headers } = await log('bone', have);
    // A browser that kept it would take it for the build.
    expect(headers['cache-control']).toBe('no-store');
    const plain = await request(app).get(`/api/builds/${id}`);
    expect(plain.headers['cache-control']).toBe('no-cache');
    expect(String(plain.headers.vary)).toContain('x-fixatum-have');
    expect(body).toMatchObject({ id, version: Number(have) + 1, since: Number(have), pieceEtags: {} });
    expect(body.build).toBeUndefined();
    expect(body.change).toHaveLength(1);
    expect(body.change[0]).toMatchObject({ op: 'add', path: `/log/${build.log!.length}` });
    // Another that is behind hears of both, and of the piece that changed.
    const gorget = build.pieces.find((piece) => piece.id === 'gorget')!;
    await request(app)
      .put(`/api/builds/${id}/pieces/gorget`)
      .send({ ...gorget, name: 'Collar' })
      .expect(200);
    const later = (await request(app).get(`/api/builds/${id}`).set('x-fixatum-have', have)).body;
    expect(later.change.map(({ path }: { path: string }) => path)).toEqual([
      `/log/${build.log!.length}`,
      `/pieces/${build.pieces.indexOf(gorget)}/name`,
    ]);
    expect(later.pieceEtags).toEqual({ gorget: `"${Number(have) + 2}"` });
    // Who has it all hears of nothing.
    const none = (await request(app).get(`/api/builds/${id}`).set('x-fixatum-have', String(later.version)))
      .body;
    expect([none.since, none.change]).toEqual([later.version, []]);
    // Nothing but a version that was there is believed, and after a restart all of it comes once.
    for (const odd of ['x', '-1', '1.5', '99', '1e3'])
      expect((await request(app).get(`/api/builds/${id}`).set('x-fixatum-have', odd)).body.build.name).toBe(
        build.name,
      );
    await reopen();
    const whole = (await request(app).get(`/api/builds/${id}`).set('x-fixatum-have', have)).body;
    expect(whole.build.log).toHaveLength(build.log!.length + 1);
  });
});

describe('the page', () => {
  it('may load scripts, fonts and data from its own server only', async () => {
    const { headers } = await request(app).get('/api/health');
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("font-src 'self';");
    expect(policy).toContain("script-src 'self';");
    expect(policy).not.toContain('https:');
  });

  it('is sent compressed', async () => {
    const { id } = await imported();
    const { headers } = await request(app).get(`/api/builds/${id}`).set('accept-encoding', 'gzip');
    expect(headers['content-encoding']).toBe('gzip');
  });
});

describe('builds', () => {
  it('come back from the database equal to the file, also after a restart', async () => {
    const { id } = await imported();
    await reopen();
    const file = await request(app).get(`/api/builds/${id}/file`);
    expect(file.headers['content-disposition']).toContain('orrery-courier.fixatum.json');
    expect(JSON.parse(file.text)).toEqual(JSON.parse(await demoText()));
  });

  it.each([
    ['broken JSON', '{"format":', 'the file', 'broken-json'],
    [
      'a wrong area',
      JSON.stringify({
        format: 'fixatum-build/1',
        name: 'x',
        timeZone: 'UTC',
        start: '2027-01-01T10:00',
        pieces: [
          {
            id: 'p',
            name: 'P',
            quantity: 1,
            substrate: { kind: 'card', thicknessMm: 1 },
            faces: { outer: { areaCm2: -1 } },
            steps: [],
          },
        ],
      }),
      'pieces[0].faces.outer.areaCm2',
      'bad-value',
    ],
  ])('refuse %s as a whole, with path and sentence', async (_what, text, path, code) => {
    const response = await request(app)
      .post('/api/builds')
      .set('content-type', 'application/json')
      .send(text);
    expect(response.status).toBe(422);
    expect(response.headers['content-type']).toContain('application/problem+json');
    expect(response.body).toMatchObject({
      type: 'urn:fixatum:problem:unusable',
      status: 422,
      path,
      faults: [{ code }],
    });
    expect((await get('/api/builds')).builds).toEqual([]);
  });

  it('are put aside and brought back', async () => {
    const { id } = await imported();
    await request(app).delete(`/api/builds/${id}`).expect(204);
    await request(app).get(`/api/builds/${id}`).expect(404);
    await request(app).post(`/api/builds/${id}/restore`).expect(200);
    await request(app).get(`/api/builds/${id}`).expect(200);
  });

  it('that are put aside are listed, and deleted for good only then', async () => {
    const { id } = await imported();
    const aside = async () => (await get('/api/builds/aside')).builds;
    expect(await aside()).toEqual([]);
    const early = await request(app).delete(`/api/builds/aside/${id}`).expect(422);
    expect(early.body.detail).toContain('Put the build aside first');
    await request(app).delete(`/api/builds/${id}`).expect(204);
    expect(await aside()).toEqual([
      {
        id,
        name: expect.any(String),
        pieces: expect.any(Number),
        putAsideAt: expect.stringMatching(/^\d{4}-\d\d-\d\dT/),
      },
    ]);
    await request(app).delete(`/api/builds/aside/${id}`).expect(204);
    expect(await aside()).toEqual([]);
    await request(app).post(`/api/builds/${id}/restore`).expect(404);
    await request(app).delete(`/api/builds/aside/${id}`).expect(404);
    const { models } = database;
    for (const table of [models.pieces, models.steps, models.log, models.changes, models.plans])
      expect(await (table as typeof models.plans).count({ where: { buildId: id } })).toBe(0);
  });

  it('take a new head only from who saw the last one', async () => {
    const { id, etag } = await imported();
    const first = await request(app)
      .patch(`/api/builds/${id}`)
      .set('if-match', etag)
      .send({ name: 'Renamed' });
    expect(first.body.build.name).toBe('Renamed');
    const second = await request(app)
      .patch(`/api/builds/${id}`)
      .set('if-match', etag)
      .send({ name: 'Other' });
    expect(second.status).toBe(412);
    expect(second.body).toMatchObject({
      type: 'urn:fixatum:problem:changed-meanwhile',
      current: { name: 'Renamed' },
    });
  });

  it('lose a field of the head that is sent as null, and nothing else', async () => {
    const { id, build } = await imported();
    const patch = (head: object) => request(app).patch(`/api/builds/${id}`).send(head);
    const quiet = { from: '21:00', to: '08:00' };
    expect((await patch({ quiet })).body.build.quiet).toEqual(quiet);
    const taken = await patch({ quiet: null });
    expect(taken.body.build).toEqual(build);
    // What makes a build a build can't be taken away.
    expect((await patch({ pieces: null, log: null })).body.build).toEqual(build);
    expect((await patch({ timeZone: null })).status).toBe(422);
    await reopen();
    expect((await get(`/api/builds/${id}`)).build).toEqual(build);
  });

  it('load the samples with their dates on the clock', async () => {
    const response = await request(app).post('/api/samples').expect(201);
    expect(response.body.builds.map((build: { name: string }) => build.name)).toEqual([
      'Orrery Courier',
      'Tidepool lantern',
    ]);
    const { build } = await get(`/api/builds/${response.body.builds[0].id}`);
    expect(build.start).toBe('2027-02-15T18:00');
    expect(build).not.toHaveProperty('sample');
  });
});

describe('pieces and steps', () => {
  it('change under their own version, and a stale change is told what is there now', async () => {
    const { id } = await imported();
    const read = await request(app).get(`/api/builds/${id}/pieces/gorget`);
    const piece = read.body as Piece;
    const seen = read.headers.etag!;
    await request(app)
      .put(`/api/builds/${id}/pieces/gorget`)
      .set('if-match', seen)
      .send({ ...piece, name: 'Collar' })
      .expect(200);
    const late = await request(app)
      .put(`/api/builds/${id}/pieces/gorget`)
      .set('if-match', seen)
      .send({ ...piece, name: 'Ruff' });
    expect(late.status).toBe(412);
    expect(late.body.current.name).toBe('Collar');
    // Another piece is not touched by that.
    const other = await request(app).get(`/api/builds/${id}/pieces/crown`);
    await request(app)
      .put(`/api/builds/${id}/pieces/crown`)
      .set('if-match', other.headers.etag!)
      .send({ ...other.body, note: 'x' })
      .expect(200);
  });

  it('are added, deleted with what hangs on them, and undone', async () => {
    const { id, build } = await imported();
    const extra: Piece = { ...build.pieces[0]!, id: 'extra', name: 'Extra', steps: [] };
    await request(app).post(`/api/builds/${id}/pieces`).send({ piece: extra, at: 0 }).expect(201);
    await request(app).delete(`/api/builds/${id}/pieces/gorget`).expect(200);
    const after = (await get(`/api/builds/${id}`)).build as Build;
    expect(after.pieces.map((piece) => piece.id).slice(0, 2)).toEqual(['extra', 'breastplate']);
    expect(after.log!.some((entry) => entry.piece === 'gorget')).toBe(false);
    await reopen();
    const undone = await request(app).post(`/api/builds/${id}/undo`).send({});
    expect(decodeURIComponent(undone.headers['x-undone']!)).toBe('Delete Orbit gorget');
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
    expect((await get(`/api/builds/${id}`)).build).toEqual(build);
    const nothing = await request(app).post(`/api/builds/${id}/undo`).send({});
    expect(nothing.body.type).toBe('urn:fixatum:problem:nothing-to-undo');
  });

  it('go with all that refers to them, touch tests too, and a set gets smaller likewise', async () => {
    const { id, build } = await imported();
    const tested = { piece: 'tasset', unit: 4, at: '2027-02-20T19:00', state: 'dry' };
    const set = build.pieces.find((piece) => piece.quantity === 4)!;
    await request(app)
      .post(`/api/builds/${id}/touch-tests`)
      .send({ ...tested, piece: set.id })
      .expect(201);
    const smaller = () =>
      request(app)
        .put(`/api/builds/${id}/pieces/${set.id}`)
        .send({ ...set, quantity: 3 });
    // What is logged is never lost by it: first it is taken out of the journal.
    await smaller().expect(422);
    const remove = build
      .log!.filter(({ piece, unit }) => piece === set.id && unit === 4)
      .map((one) => one.id);
    await request(app).patch(`/api/builds/${id}/journal`).send({ remove }).expect(200);
    await smaller().expect(200);
    expect((await get(`/api/builds/${id}`)).build.touchTests ?? []).toEqual(build.touchTests ?? []);
    await request(app)
      .post(`/api/builds/${id}/touch-tests`)
      .send({ ...tested, piece: set.id, unit: 1 })
      .expect(201);
    await request(app).delete(`/api/builds/${id}/pieces/${set.id}`).expect(200);
    const after = (await get(`/api/builds/${id}`)).build as Build;
    expect(after.touchTests!.some(({ piece }) => piece === set.id)).toBe(false);
  });

  it('are done again in the order they were taken back, once each, as long as nothing else changes', async () => {
    const { id, build } = await imported();
    const path = `/api/builds/${id}`;
    const whole = async () => (await get(path)).build as Build;
    const name = (to: string) => request(app).patch(path).send({ name: to }).expect(200);
    const undo = () => request(app).post(`${path}/undo`).send({}).expect(200);
    const redo = () => request(app).post(`${path}/redo`).send({});
    await name('First');
    await name('Second');
    const second = await whole();
    await undo();
    await undo();
    expect(await whole()).toEqual(build);
    await reopen();
    expect((await get(`${path}/undo`)).again).toBe('Workshop and dates');
    const again = await redo();
    expect(again.body.build.name).toBe('First');
    expect(decodeURIComponent(again.headers['x-undone']!)).toBe('Workshop and dates');
    await redo();
    expect(await whole()).toEqual(second);
    expect((await redo()).body.type).toBe('urn:fixatum:problem:nothing-to-redo');
    // What was done again is taken back again, and something new makes an end of it.
    await undo();
    expect((await whole()).name).toBe('First');
    await name('Third');
    expect((await get(`${path}/undo`)).again).toBeNull();
    expect((await redo()).status).toBe(409);
    expect((await whole()).name).toBe('Third');
  });

  it('are done again fifty deep, and no deeper', async () => {
    const { id } = await imported();
    const path = `/api/builds/${id}`;
    for (let n = 0; n < 51; n += 1)
      await request(app)
        .patch(path)
        .send({ name: `Name ${n}` })
        .expect(200);
    for (let n = 0; n < 51; n += 1) await request(app).post(`${path}/undo`).send({}).expect(200);
    for (let n = 0; n < 50; n += 1) await request(app).post(`${path}/redo`).send({}).expect(200);
    // The one that was taken back first is let go: the name before it is the last there is.
    expect(((await get(path)).build as Build).name).toBe('Name 49');
    await request(app).post(`${path}/redo`).send({}).expect(409);
  });

  it('take no change of somebody else back: undo is tied to the version that was seen', async () => {
    const { id, build, etag } = await imported();
    await request(app).delete(`/api/builds/${id}/pieces/gorget`).expect(200);
    const refused = await request(app).post(`/api/builds/${id}/undo`).set('if-match', etag).send({});
    expect([refused.status, refused.body.type]).toEqual([412, 'urn:fixatum:problem:changed-meanwhile']);
    expect((await get(`/api/builds/${id}`)).build.pieces).toHaveLength(build.pieces.length - 1);
    const seen = (await request(app).get(`/api/builds/${id}`)).headers.etag!;
    await request(app).post(`/api/builds/${id}/undo`).set('if-match', seen).send({}).expect(200);
    expect((await get(`/api/builds/${id}`)).build).toEqual(build);
  });

  it('take steps one by one', async () => {
    const { id } = await imported();
    const step = { id: 'extra', kind: 'inspect', minutes: 3 };
    await request(app).post(`/api/builds/${id}/pieces/gorget/steps`).send({ step, at: 0 }).expect(201);
    await request(app)
      .put(`/api/builds/${id}/pieces/gorget/steps/extra`)
      .send({ ...step, minutes: 4 })
      .expect(200);
    expect(await get(`/api/builds/${id}/pieces/gorget/steps/extra`)).toEqual({ ...step, minutes: 4 });
    await request(app).delete(`/api/builds/${id}/pieces/gorget/steps/extra`).expect(200);
    await request(app).get(`/api/builds/${id}/pieces/gorget/steps/extra`).expect(404);
  });

  it('refuse what can not be, and nothing changes', async () => {
    const { id, build } = await imported();
    const piece = build.pieces[0]!;
    const bad = await request(app)
      .put(`/api/builds/${id}/pieces/breastplate`)
      .send({ ...piece, quantity: 0 });
    expect(bad.status).toBe(422);
    expect(bad.body.faults[0]).toMatchObject({ path: ['quantity'], message: 'At least one.' });
    await request(app)
      .put(`/api/builds/${id}/pieces/breastplate`)
      .send({ ...piece, event: 'never' })
      .expect(422);
    expect((await get(`/api/builds/${id}`)).build).toEqual(build);
  });
});

describe('the log', () => {
  it('takes a pass with the time of the clock, ends what was under way, and survives a restart', async () => {
    const { id } = await imported();
    await request(app).post(`/api/builds/${id}/underway`).send(pass).expect(201);
    expect((await get(`/api/builds/${id}`)).build.underway).toMatchObject([
      { ...pass, startedAt: '2027-02-20T19:30' },
    ]);
    await request(app).post(`/api/builds/${id}/log`).send([pass]).expect(201);
    await reopen();
    const { build } = await get(`/api/builds/${id}`);
    expect(build.underway).toEqual([]);
    expect(build.log.at(-1)).toMatchObject({
      ...pass,
      doneAt: '2027-02-20T19:30',
      startedAt: '2027-02-20T19:30',
    });
  });

  it('counts the same id once and refuses the same coat twice', async () => {
    const { id, build } = await imported();
    const entry = { ...pass, id: 'tap-1' };
    await request(app).post(`/api/builds/${id}/log`).send(entry).expect(201);
    await request(app).post(`/api/builds/${id}/log`).send(entry).expect(201);
    expect((await get(`/api/builds/${id}/log`)).log).toHaveLength(build.log!.length + 1);
    const twice = await request(app).post(`/api/builds/${id}/log`).send(pass);
    expect(twice.status).toBe(409);
  });

  it('gives entries back one by one, and by undo', async () => {
    const { id, build } = await imported();
    await request(app)
      .post(`/api/builds/${id}/log`)
      .send({ ...pass, id: 'tap-1' })
      .expect(201);
    await request(app).delete(`/api/builds/${id}/log/tap-1`).expect(200);
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
    expect((await get(`/api/builds/${id}/log`)).log.at(-1).id).toBe('tap-1');
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
    expect((await get(`/api/builds/${id}/log`)).log).toEqual(build.log as LogEntry[]);
  });

  it.each([
    ['a unit there is none of', { ...pass, unit: 9 }],
    ['a step there is none of', { ...pass, step: 'ghost' }],
    ['a day that is not', { ...pass, doneAt: '2027-02-31T10:00' }],
  ])('refuses %s', async (_what, entry) => {
    const { id, build } = await imported();
    await request(app).post(`/api/builds/${id}/log`).send(entry).expect(422);
    expect((await get(`/api/builds/${id}/log`)).log).toEqual(build.log);
  });

  it('keeps every entry of many sent at once', async () => {
    const { id, build } = await imported();
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, n) =>
        request(app)
          .post(`/api/builds/${id}/log`)
          .send({ piece: 'plate', unit: n + 1, step: 'heat' }),
      ),
    );
    expect(answers.map((answer) => answer.status)).toEqual(Array.from({ length: 8 }, () => 201));
    expect((await get(`/api/builds/${id}/log`)).log).toHaveLength(build.log!.length + 8);
  });
});

describe('a patch', () => {
  it('changes several parts at once, is one thing to undo, and keeps to the version it was made for', async () => {
    const { id, etag } = await imported();
    const change = [
      { op: 'add', path: '/people/1/exceptions', value: [{ date: '2027-02-25', windows: [] }] },
      { op: 'add', path: '/pieces/6/steps/4/coats', value: 2 },
    ];
    const send = (body: object, version = etag) =>
      request(app).post(`/api/builds/${id}/patch`).set('if-match', version).send(body);
    const sent = await send({ label: 'One coat less', change });
    expect(sent.status).toBe(200);
    expect(sent.body.build.people[1].exceptions).toEqual(change[0]!.value);
    expect(sent.body.build.pieces[6].steps[4].coats).toBe(2);
    expect((await send({ label: 'Again', change })).status).toBe(412);
    const undone = await request(app).post(`/api/builds/${id}/undo`).send({});
    expect(decodeURIComponent(undone.headers['x-undone']!)).toBe('One coat less');
    expect(undone.body.build).toEqual(JSON.parse(await demoText()));
  });

  it('of a colour takes all its steps along as one change, over a restart, and is taken back as one', async () => {
    const { id, etag } = await imported();
    const before = (await get(`/api/builds/${id}`)).build as Build;
    const enamel = before.palette!.find(({ name }) => name === 'Sea-green enamel')!;
    const change = changePalette(before, { ...enamel, colour: '#224455' });
    const sent = await request(app)
      .post(`/api/builds/${id}/patch`)
      .set('if-match', etag)
      .send({ label: 'Changed: Sea-green enamel', change });
    expect(sent.status).toBe(200);
    const inIt = ({ pieces }: Build) =>
      pieces.flatMap(({ steps }) => steps.filter(({ palette }) => palette === enamel.id));
    await reopen();
    const after = (await get(`/api/builds/${id}`)).build as Build;
    expect(inIt(after).length).toBeGreaterThan(1);
    expect(inIt(after).every(({ colour }) => colour === '#224455')).toBe(true);
    // What is begun follows no more, and keeps the colour that is laid.
    expect(inIt(after).length).toBeLessThan(inIt(before).length);
    await request(app).post(`/api/builds/${id}/undo`).send({});
    expect((await get(`/api/builds/${id}`)).build).toEqual(before);
  });

  it.each([
    ['nowhere', [{ op: 'replace', path: '/pieces/99/name', value: 'x' }]],
    ['to what can not be', [{ op: 'add', path: '/pieces/0/quantity', value: -1 }]],
    ['by an unknown word', [{ op: 'dance', path: '/pieces/0' }]],
    ['to a colour that no palette has', [{ op: 'add', path: '/pieces/0/steps/5/palette', value: 'gone' }]],
  ])('is refused when it leads %s', async (_what, change) => {
    const { id } = await imported();
    expect((await request(app).post(`/api/builds/${id}/patch`).send({ label: 'x', change })).status).toBe(
      422,
    );
    expect((await get(`/api/builds/${id}`)).version).toBe(1);
  });
});

describe('the plan that was on screen', () => {
  const plan = {
    order: ['gorget/1/bone/1/outer'],
    passes: [{ operation: 'gorget/1/bone/1/outer', beginsAt: 30_048_120, person: 'wren' }],
  };

  it('is kept over a restart, replaced by the next, and no part of the build', async () => {
    const { id } = await imported();
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan: null });
    const { version } = await get(`/api/builds/${id}`);
    await request(app)
      .put(`/api/builds/${id}/plan`)
      .send({ ...plan, order: [] })
      .expect(204);
    await request(app).put(`/api/builds/${id}/plan`).send(plan).expect(204);
    await reopen();
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan });
    expect((await get(`/api/builds/${id}`)).version).toBe(version);
    expect((await get(`/api/builds/${id}/file`)).plan).toBeUndefined();
  });

  it('comes back with the change that is taken back, also over a restart', async () => {
    const { id } = await imported();
    const other = { order: [], passes: [] };
    const put = (body: object) => request(app).put(`/api/builds/${id}/plan`).send(body).expect(204);
    const rename = (name: string) => request(app).patch(`/api/builds/${id}`).send({ name }).expect(200);
    await put(plan);
    await rename('Courier of another guild');
    await put(other);
    await reopen();
    await request(app).post(`/api/builds/${id}/undo`).expect(200);
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan });
    // Only the last twenty changes have their plans; taking back an older one leaves the plan there is.
    await rename('Renamed at first');
    await put(other);
    for (let n = 1; n <= 20; n += 1) await rename(`Renamed ${n} times more`);
    for (let n = 1; n <= 20; n += 1) await request(app).post(`/api/builds/${id}/undo`).expect(200);
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan: other });
    await request(app).post(`/api/builds/${id}/undo`).expect(200);
    expect((await get(`/api/builds/${id}`)).build.name).toBe('Orrery Courier');
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan: other });
  });

  it('and readings are written while the build is changed, and neither is in the way of the other', async () => {
    const { id } = await imported();
    const { workshopId } = (await database.models.builds.findByPk(id))!;
    const readings = new ReadingStore(database.models);
    const statuses: number[] = [];
    const sent = async (answer: PromiseLike<{ status: number }>) => statuses.push((await answer).status);
    await Promise.all(
      Array.from({ length: 20 }, async (_, n) => {
        await Promise.all([
          sent(
            request(app)
              .patch(`/api/builds/${id}`)
              .send({ name: `Courier ${n}` }),
          ),
          sent(request(app).put(`/api/builds/${id}/plan`).send(plan)),
          readings.add(workshopId, 'room', { at: 30_046_000 + n, temperatureC: 19, humidityPct: 50 }),
        ]);
      }),
    );
    expect(statuses.filter((status) => status !== 200 && status !== 204)).toEqual([]);
    expect(await readings.between(workshopId, 30_046_000, 30_046_019)).toHaveLength(20);
  });

  it('is refused where it is none, and for a build that is not there', async () => {
    const { id } = await imported();
    const bad = await request(app)
      .put(`/api/builds/${id}/plan`)
      .send({ ...plan, passes: [{ operation: 'x', beginsAt: 'soon', person: 'wren' }] });
    expect(bad.status).toBe(422);
    expect(bad.body.faults[0].path).toEqual(['passes', 0, 'beginsAt']);
    expect(await get(`/api/builds/${id}/plan`)).toEqual({ plan: null });
    expect((await request(app).put('/api/builds/nobody/plan').send(plan)).status).toBe(404);
    expect((await request(app).get('/api/builds/nobody/plan')).status).toBe(404);
  });
});

describe('the bench', () => {
  it('gives passes under way up as one change, and undoes that', async () => {
    const { id } = await imported();
    const passes = [1, 2].map((coat) => ({ ...pass, id: `u${coat}`, coat }));
    await request(app).post(`/api/builds/${id}/underway`).send(passes).expect(201);
    const stop = () =>
      request(app)
        .post(`/api/builds/${id}/underway/stop`)
        .send({ ids: ['u1', 'u2', 'gone'] });
    expect((await stop()).body.build.underway).toEqual([]);
    const { version } = await get(`/api/builds/${id}`);
    expect((await stop()).body.version).toBe(version);
    const undone = await request(app).post(`/api/builds/${id}/undo`).send({});
    expect(undone.body.build.underway.map((one: { id: string }) => one.id)).toEqual(['u1', 'u2']);
  });

  it('takes touch tests and timers once each, keeps them over a restart, and undoes them', async () => {
    const { id } = await imported();
    const test = { id: 't1', piece: 'gorget', unit: 1, state: 'tacky' };
    const timer = { id: 'w1', label: 'Wipe back', startedAt: '2027-02-20T19:30:12Z', minutes: 3 };
    for (let sent = 0; sent < 2; sent += 1) {
      expect((await request(app).post(`/api/builds/${id}/touch-tests`).send(test)).status).toBe(201);
      expect((await request(app).post(`/api/builds/${id}/timers`).send([timer])).status).toBe(201);
    }
    await reopen();
    const { build } = await get(`/api/builds/${id}`);
    expect(build.touchTests).toEqual([{ ...test, at: '2027-02-20T19:30' }]);
    expect(build.timers).toEqual([timer]);
    expect(
      (await get(`/api/builds/${id}/changes`)).changes.map((one: { label: string }) => one.label),
    ).toEqual(['Timer: Wipe back', 'Touch test: Orbit gorget']);
    expect((await request(app).post(`/api/builds/${id}/undo`).send({})).headers['x-undone']).toBe(
      encodeURIComponent('Timer: Wipe back'),
    );
    await request(app).post(`/api/builds/${id}/timers`).send(timer);
    const { version } = await get(`/api/builds/${id}`);
    // Stopping twice counts once, as a press may be sent again.
    for (let sent = 0; sent < 2; sent += 1) {
      const stopped = await request(app)
        .post(`/api/builds/${id}/timers/stop`)
        .send({ ids: ['w1'] });
      expect(stopped.body).toMatchObject({ version: version + 1, build: { timers: [] } });
    }
    expect((await request(app).post(`/api/builds/${id}/timers/stop`).send({ ids: [] })).status).toBe(422);
  });

  it.each([
    ['a unit there is none of', 'touch-tests', { piece: 'gorget', unit: 9, state: 'dry' }],
    ['a state there is none of', 'touch-tests', { piece: 'gorget', unit: 1, state: 'crunchy' }],
    ['a timer of no time', 'timers', { label: 'Tea', startedAt: '2027-02-20T19:30:00Z', minutes: 0 }],
    ['a timer that began never', 'timers', { label: 'Tea', startedAt: 'soon', minutes: 3 }],
  ])('refuses %s', async (_what, where, body) => {
    const { id } = await imported();
    const sent = await request(app).post(`/api/builds/${id}/${where}`).send(body);
    expect(sent.status).toBe(422);
    expect((await get(`/api/builds/${id}`)).version).toBe(1);
  });

  it('takes a pass that failed, and then the same pass again', async () => {
    const { id } = await imported();
    const log = (more: object) =>
      request(app)
        .post(`/api/builds/${id}/log`)
        .send({ ...pass, ...more });
    expect((await log({ outcome: 'failed', note: 'ran' })).status).toBe(201);
    expect((await log({ material: 'artist-acrylic', film: 'heavy' })).status).toBe(201);
    expect((await log({})).status).toBe(409);
    expect((await log({ coat: 2, material: 'unobtainium' })).status).toBe(422);
  });
});

describe('looks', () => {
  const look = {
    id: 'mine',
    name: 'Mine',
    about: '',
    school: 'pva',
    undercoat: 'black',
    steps: [],
    clear: 'matte',
    colour: '#123456',
  };

  it('are saved, kept over a restart, and deleted', async () => {
    await request(app).post('/api/looks').send(look).expect(201);
    await reopen();
    expect((await get('/api/looks')).looks).toEqual([{ ...look, smooth: false, tags: [], pictures: [] }]);
    await request(app).delete('/api/looks/mine').expect(204);
    await request(app).delete('/api/looks/mine').expect(404);
  });

  it('refuse what is no look, and names that ship with the program', async () => {
    const bad = await request(app)
      .post('/api/looks')
      .send({ ...look, school: 'wishful' });
    expect(bad.body.faults[0].path).toEqual(['school']);
    await request(app)
      .post('/api/looks')
      .send({ ...look, id: 'aged-brass' })
      .expect(409);
  });
});

describe('the door', () => {
  it('is shut to other hosts and origins', async () => {
    await request(app).get('/api/builds').set('host', 'elsewhere.example').expect(403);
    await request(app).post('/api/samples').set('origin', 'http://elsewhere.example').expect(403);
  });

  it('says in plain words what is wrong with a request', async () => {
    const { id } = await imported();
    const broken = await request(app)
      .post(`/api/builds/${id}/log`)
      .set('content-type', 'application/json')
      .send('{"a"');
    expect(broken.status).toBe(400);
    expect(broken.body.title).toBe('Broken JSON');
    await request(app).get('/api/nothing').expect(404);
    const huge = await request(app)
      .post('/api/builds')
      .set('content-type', 'application/json')
      .send('x'.repeat(9_000_000));
    expect(huge.status).toBe(413);
  });

  it('tells its health and its clock', async () => {
    expect(await get('/api/health')).toMatchObject({ ok: true, fixedAt: '2027-02-20T19:30' });
    expect(() => makeClock('tomorrow')).toThrow(/FIXATUM_NOW/);
  });

  // Ten minutes are a matter, less is a clock that was set right.
  it('says when its clock is behind what was saved already', async () => {
    let now = Date.parse('2027-02-20T19:30:00Z');
    const moving = makeClock(undefined, () => now);
    app = createApp({ ...appParts(database, folder), clock: moving });
    const behind = async () => (await get('/api/health')).behind;
    expect(await behind()).toBeNull();
    const { id } = await imported();
    await request(app).patch(`/api/builds/${id}`).send({ name: 'Later' }).expect(200);
    now -= 599_999;
    expect(await behind()).toBeNull();
    now -= 1;
    expect(await behind()).toEqual({ savedAt: '2027-02-20T19:30:00.000Z', now: '2027-02-20T19:20:00.000Z' });
    // What is logged all the same is kept, and is no newer than what was there.
    await request(app).patch(`/api/builds/${id}`).send({ name: 'Earlier' }).expect(200);
    expect((await get(`/api/builds/${id}`)).build.name).toBe('Earlier');
    expect((await behind()).savedAt).toBe('2027-02-20T19:30:00.000Z');
    // A clock that is meant to stand is behind nothing.
    app = createApp(appParts(database, folder));
    expect(await behind()).toBeNull();
  });
});

describe('photos', () => {
  const picture = (width: number, height: number) =>
    sharp({ create: { width, height, channels: 3, background: '#8a6f3b' } })
      .withExif({ IFD0: { Copyright: 'somebody' } })
      .png()
      .toBuffer();

  it('are made small and plain, and are there after a restart', async () => {
    const sent = await request(app)
      .post('/api/photos')
      .attach('photo', await picture(2400, 600), 'a.png');
    expect(sent.status).toBe(201);
    await reopen();
    const got = await request(app).get(`/api/photos/${sent.body.photo}`).responseType('blob');
    expect(got.headers['content-type']).toBe('image/jpeg');
    const { format, width, height, exif } = await sharp(got.body as Buffer).metadata();
    // 2400 × 600 brought to 1600 on the longer edge.
    expect([format, width, height, exif]).toEqual(['jpeg', 1600, 400, undefined]);
  });

  it.each([
    ["text in a picture's clothes", Buffer.from('hello'), 415],
    ['a drawing with a script in it', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>'), 415],
    ['something far too large', Buffer.alloc(16 * 1024 * 1024), 413],
  ])('are not %s', async (_what, bytes, status) => {
    const sent = await request(app).post('/api/photos').attach('photo', bytes, 'a.png');
    expect(sent.status).toBe(status);
    expect(sent.headers['content-type']).toContain('application/problem+json');
  });

  it('are not asked for outside their folder', async () => {
    expect((await request(app).get('/api/photos/..%2Ffixatum.sqlite')).status).toBe(404);
    expect((await request(app).get('/api/photos/none.jpg')).status).toBe(404);
  });
});
