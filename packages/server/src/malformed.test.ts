import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build, Piece } from '@fixatum/core';
import type { Express } from 'express';
import request from 'supertest';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { createApp } from './app';
import { appParts } from './testing/appParts';
import { openDatabase, type Database } from './storage/database';

let folder: string;
let database: Database;
let app: Express;
let id: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-odd-'));
  database = await openDatabase(folder);
  app = createApp(appParts(database, folder));
  const { body } = await request(app).post('/api/samples');
  id = body.builds.find(({ name }: { name: string }) => name === 'Orrery Courier').id;
});
afterAll(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});
const build = async (): Promise<Build> => (await request(app).get(`/api/builds/${id}`)).body.build;

describe('requests that make no sense are told so', () => {
  const json = (method: 'post' | 'put' | 'patch', path: string, text: string) =>
    request(app)[method](`/api/builds/${id}${path}`).set('content-type', 'application/json').send(text);

  it.each([
    ['nested without end', () => json('post', '/log', '['.repeat(100_000)), 422],
    [
      'nested without end, as a build',
      () => request(app).post('/api/builds').send('{"a":'.repeat(100_000)),
      422,
    ],
    ['__proto__', () => json('patch', '', '{"__proto__": {"a": 1}}'), 422],
    ['constructor', () => json('patch', '', '{"x": {"constructor": 1}}'), 422],
    ['a patch that is a string', () => json('patch', '', '"abc"'), 422],
    ['a patch that is a list', () => json('patch', '', '[1]'), 422],
    ['nothing as an id', () => request(app).get('/api/builds/%00'), 404],
    ['half an escape', () => request(app).get('/api/builds/%E0%A4%A'), 400],
    [
      'a form without an end',
      () =>
        request(app)
          .post('/api/photos')
          .set('content-type', 'multipart/form-data; boundary=x')
          .send('--x\r\nContent-Disposition: form-data; name="photo"; filename="a"\r\n\r\nabc'),
      400,
    ],
    [
      'a form without a boundary',
      () => request(app).post('/api/photos').set('content-type', 'multipart/form-data').send('abc'),
      400,
    ],
    [
      'a form with too many fields',
      () => {
        const form = request(app).post('/api/photos');
        for (let n = 0; n < 9; n += 1) void form.field(`f${n}`, 'x');
        return form;
      },
      400,
    ],
    [
      'a pause on a day that is not',
      () => json('post', '/underway/pause', '{"ids": ["u"], "resume": false, "at": "2027-02-30T10:00"}'),
      422,
    ],
    [
      'a log entry of a day that is not',
      () =>
        json('post', '/log', '{"piece": "gorget", "unit": 1, "step": "bone", "doneAt": "2027-02-30T10:00"}'),
      422,
    ],
  ])('%s', async (_what, send, status) => {
    const answer = await send();
    expect([answer.status, answer.type]).toEqual([status, 'application/problem+json']);
  });

  it('name the field and the reason, of one entry and of one among many', async () => {
    const one = await json('post', '/log', '{"piece": "gorget", "unit": "first", "step": "bone"}');
    expect(one.body.path).toBe('unit');
    expect(one.body.detail).toMatch(/^unit: .*number/);
    const many = await json(
      'post',
      '/touch-tests',
      '[{"piece": "gorget", "unit": 1, "state": "dry"}, {"piece": "gorget", "unit": 1, "state": "wet"}]',
    );
    expect(many.body.path).toMatch(/1.*state/);
  });

  // The brackets around count too: 64 deep is only unknown to the log, 65 is not looked at.
  it('looks at what is nested 64 deep, and no deeper', async () => {
    const nested = (deep: number) => `${'['.repeat(deep)}${']'.repeat(deep)}`;
    expect((await json('post', '/log', nested(64))).body.detail).not.toContain('nested deeper');
    expect((await json('post', '/log', nested(65))).body.detail).toBe(
      'That is nested deeper than 64 levels.',
    );
    // Brackets within quotes are text.
    const quoted = JSON.stringify({ piece: '['.repeat(70), unit: 1, step: 'bone' });
    expect((await json('post', '/log', quoted)).body.detail).not.toContain('nested deeper');
  });

  it('tells fifty faults of twenty thousand', async () => {
    const answer = await json(
      'patch',
      '',
      JSON.stringify({ events: Array.from({ length: 20_000 }, () => 1) }),
    );
    expect([answer.status, answer.body.faults.length]).toEqual([422, 50]);
    // Five are said; the core itself names each of the 20,000.
    expect(answer.body.detail).toMatch(/And 19995 more\.$/);
  });

  it('refuses what is more than can be planned, says what it comes to, and goes on', async () => {
    const [first] = (await build()).pieces;
    const steps = Array.from({ length: 31_000 }, (_, n) => ({
      id: `s${n}`,
      kind: 'prep' as const,
      minutes: 1,
    }));
    const chain: Piece = { ...first!, id: 'chain', quantity: 1, steps };
    const answer = await json('post', '/pieces', JSON.stringify({ piece: chain }));
    expect([answer.status, answer.body.path]).toEqual([422, 'pieces']);
    expect(answer.body.detail).toMatch(/that makes 31\d+ coats and tasks/);
    const events = (await build()).events.map((event) => ({ ...event, wearAt: '9999-01-01T12:00' }));
    const far = await json('patch', '', JSON.stringify({ events }));
    expect([far.status, far.body.path]).toEqual([422, 'events[0].wearAt']);
    await request(app).get(`/api/builds/${id}`).expect(200);
  });

  it('brings no old version of a piece back', async () => {
    const url = `/api/builds/${id}/pieces/gorget`;
    const first = (await request(app).get(url)).headers.etag!;
    const piece = (await request(app).get(url)).body;
    await request(app)
      .put(url)
      .send({ ...piece, name: 'Changed' })
      .expect(200);
    await request(app).delete(url).expect(200);
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
    const now = (await request(app).get(url)).headers.etag!;
    expect(now).not.toBe(first);
    // Somebody who saw it before all of that is told that it has changed since.
    await request(app)
      .put(url)
      .set('if-match', first)
      .send({ ...piece, name: 'From long ago' })
      .expect(412);
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
    expect((await build()).pieces.find(({ id: own }) => own === 'gorget')!.name).toBe(piece.name);
  });
});

// 2,000 here; FIXATUM_MALFORMED=20000 for the long form.
it('never breaks on requests at random', async () => {
  const generator = xoroshiro128plus(20_270_220);
  const draw = (below: number) => Math.floor(uniformFloat64(generator) * below);
  const any = <T>(list: readonly T[]): T => list[draw(list.length)]!;
  const odd = [
    null,
    true,
    -1,
    1e308,
    '',
    'x',
    '2027-02-30T25:61',
    '9999-12-31T23:59',
    [],
    {},
    [[]],
    '\u0000',
    'Hel\u0000m',
    '\u001b[2J',
    '\u009f',
    '\ud800',
    'a\udc00b',
    'x'.repeat(30_000),
    '🎭',
    '../..',
    '%',
  ];
  const value = (depth: number): unknown =>
    depth === 0 || draw(3) === 0
      ? any(odd)
      : draw(2) === 0
        ? Array.from({ length: draw(4) }, () => value(depth - 1))
        : Object.fromEntries(
            Array.from({ length: draw(5) }, () => [
              any([
                'piece',
                'unit',
                'step',
                'id',
                'ids',
                'at',
                'name',
                'events',
                'change',
                'label',
                'op',
                'path',
                'value',
                'steps',
                'faces',
                'resume',
              ]),
              value(depth - 1),
            ]),
          );
  const paths = [
    '/builds',
    `/builds/${id}`,
    `/builds/${id}/log`,
    `/builds/${id}/underway`,
    `/builds/${id}/underway/pause`,
    `/builds/${id}/touch-tests`,
    `/builds/${id}/timers`,
    `/builds/${id}/patch`,
    `/builds/${id}/pieces`,
    `/builds/${id}/pieces/gorget`,
    `/builds/${id}/pieces/gorget/steps`,
    `/builds/${id}/plan`,
    `/looks`,
    '/photos',
    '/nowhere',
    '/builds/%00',
    `/builds/${id}/readings?since=x`,
    ...['q', 'since', 'workshop', 'x%00'].flatMap((name) =>
      ['%00', 'Helm%00', '%ED%A0%80', '%1b', '%', `${'x'.repeat(3000)}`, '%22%22*%5E'].flatMap((said) => [
        `/records?${name}=${said}`,
        `/records?${name}[]=${said}`,
        `/builds?${name}=${said}`,
        `/builds/${id}/readings?${name}=${said}`,
      ]),
    ),
  ];
  const methods = ['get', 'post', 'put', 'patch', 'delete'] as const;
  const types = [
    'application/json',
    'application/json',
    'application/json',
    'text/plain',
    'multipart/form-data; boundary=b',
    'application/x-www-form-urlencoded',
  ];
  const count = Number(process.env.FIXATUM_MALFORMED ?? 2000);
  const server = app.listen(0);
  try {
    for (let n = 0; n < count; n += 1) {
      const [method, path, type] = [any(methods), any(paths), any(types)];
      // The build itself is wanted to the end.
      if (method === 'delete' && path === `/builds/${id}`) continue;
      let body = JSON.stringify(value(4));
      if (draw(4) === 0) body = body.slice(0, draw(body.length + 1));
      const answer = await request(server)
        [method](`/api${path}`)
        .set('content-type', type)
        .send(method === 'get' ? undefined : body);
      expect([n, method, path, type, body, answer.status >= 500]).toEqual([
        n,
        method,
        path,
        type,
        body,
        false,
      ]);
      if (answer.status >= 400)
        expect([method, path, answer.type]).toEqual([method, path, 'application/problem+json']);
    }
    // And all can still be found.
    const found = await request(server).get('/api/records?q=gorget');
    expect(found.status).toBe(200);
  } finally {
    server.close();
  }
});

describe('texts', () => {
  // What came at random may have left nothing of the others.
  let id: string;
  beforeAll(async () => {
    const { body } = await request(app).post('/api/samples');
    id = body.builds.find(({ name }: { name: string }) => name === 'Orrery Courier').id;
  });

  it.each([
    ['a control character', 'Hel\u0000m \u001b[2Jone\u009f', 'Helm [2Jone'],
    ['half of a pair', 'a\ud800b\udc00', 'a\ufffdb\ufffd'],
    ['a sign of two halves, ends of lines and tabs', '🎭\ta\nb', '🎭\ta\nb'],
    ['a backslash before a u', '\\u0000', '\\u0000'],
  ])('come without %s, however it is written', async (_what, sent, kept) => {
    const asEscapes = JSON.stringify(sent).replace(
      /[^ -~]/g,
      (sign) => `\\u${sign.charCodeAt(0).toString(16).padStart(4, '0')}`,
    );
    const entry = `{"piece": "gorget", "unit": 1, "step": "bone", "coat": 1, "note": ${asEscapes}}`;
    const url = `/api/builds/${id}/log`;
    const { body } = await request(app)
      .post(url)
      .set('content-type', 'application/json')
      .send(entry)
      .expect(201);
    expect(body.build.log.at(-1).note).toBe(kept);
    expect((await request(app).get(`/api/records?q=gorget`)).status).toBe(200);
    await request(app).post(`/api/builds/${id}/undo`).send({}).expect(200);
  });

  it('are found, also where one from before holds what no statement can', async () => {
    const entry = { buildId: id, id: 'old', position: 999, body: '' };
    const body = {
      ...entry,
      piece: 'gorget',
      unit: 1,
      step: 'bone',
      coat: 1,
      doneAt: '2027-02-20T19:00',
      note: 'odd\u0000note',
    };
    await database.models.log.create({ ...entry, body: JSON.stringify(body) });
    await database.models.builds.increment('version', { where: { id } });
    const fresh = createApp(appParts(database, folder));
    const found = await request(fresh).get('/api/records?q=oddnote');
    expect([found.status, found.body.found.length]).toEqual([200, 1]);
    expect((await request(fresh).get('/api/records?q=odd%00note')).body.found).toEqual([]);
    await database.models.log.destroy({ where: { id: 'old' } });
  });

  it('can not hide a name that means something to the language', async () => {
    for (const name of ['__pro\\u0000to__', '\\u005f_proto__', '\\u0063onstructor']) {
      const url = `/api/builds/${id}`;
      const answer = await request(app)
        .patch(url)
        .set('content-type', 'application/json')
        .send(`{"${name}": {"a": 1}}`);
      expect([name, answer.status, answer.body.detail]).toEqual([
        name,
        422,
        expect.stringContaining('Nothing can be called'),
      ]);
    }
  });
});
