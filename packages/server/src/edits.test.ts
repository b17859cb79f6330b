import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { request as send } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { appParts } from './testing/appParts';
import { openDatabase, type Database } from './storage/database';

let folder: string;
let database: Database;
let app: Express;
let id: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-edits-'));
  database = await openDatabase(folder);
  app = createApp({ ...appParts(database, folder), allowedHosts: ['bench.example:8443', 'plain.example'] });
  const { body } = await request(app).post('/api/samples');
  id = body.builds.find(({ name }: { name: string }) => name === 'Orrery Courier').id;
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const bone = (unit: number, more = {}) => ({
  kind: 'log',
  entries: [
    { id: `e${unit}`, piece: 'gorget', unit, step: 'bone', coat: 1, doneAt: '2027-02-20T19:00', ...more },
  ],
});
const timer = {
  kind: 'timer',
  timers: [{ id: 't', label: 'Rub it', minutes: 4, startedAt: '2027-02-20T19:00:00Z' }],
};
const edits = (...list: unknown[]) => request(app).post(`/api/builds/${id}/edits`).send({ edits: list });
const log = async () => (await request(app).get(`/api/builds/${id}/log`)).body.log as { id: string }[];

describe('many presses in one request', () => {
  it('are taken in order, each one change that can be taken back, and twice is once', async () => {
    const before = (await log()).length;
    for (let n = 0; n < 2; n += 1) {
      const answer = await edits(bone(1), timer, { kind: 'stopTimer', ids: ['t'] });
      expect([answer.status, answer.headers['x-fixatum-taken']]).toEqual([201, '3']);
      expect(answer.body.build.timers ?? []).toEqual([]);
    }
    expect(await log()).toHaveLength(before + 1);
    const { changes } = (await request(app).get(`/api/builds/${id}/changes`)).body;
    expect(
      changes
        .slice(-3)
        .map(({ label }: { label: string }) => label)
        .sort(),
    ).toEqual(expect.arrayContaining(['Log Orbit gorget']));
  });

  it('stop at the first that is refused, which is said when it comes first', async () => {
    const before = (await log()).length;
    const some = await edits(bone(1), bone(1, { id: 'again' }), timer);
    expect([some.status, some.headers['x-fixatum-taken']]).toEqual([201, '1']);
    expect(await log()).toHaveLength(before + 1);
    const first = await edits(bone(1, { id: 'again' }), timer);
    expect([first.status, first.body.type]).toEqual([409, 'urn:fixatum:problem:logged-already']);
  });

  it.each([
    [[]],
    [Array.from({ length: 101 }, () => timer)],
    [[{ kind: 'hover' }]],
    [[{ kind: 'log', entries: [] }]],
  ])('are refused where they are none, too many or no presses', async (list) => {
    expect((await edits(...list)).status).toBe(422);
  });
});

test('a form that says that it is too long is refused before it is read', async () => {
  const server = app.listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const status = await new Promise<number | undefined>((done, fail) => {
    const asked = send(
      {
        port: (server.address() as AddressInfo).port,
        host: '127.0.0.1',
        method: 'POST',
        path: '/api/photos',
        headers: { 'content-type': 'multipart/form-data; boundary=b', 'content-length': 54_000_000 },
      },
      (answer) => {
        answer.resume();
        done(answer.statusCode);
      },
    );
    asked.on('error', fail);
    // Not a byte of it is sent.
    asked.flushHeaders();
  });
  expect(status).toBe(413);
  server.closeAllConnections();
  server.close();
});

test.each([
  ['bench.example:8443', 401],
  ['bench.example', 403],
  ['bench.example:9', 403],
  ['plain.example', 401],
  ['plain.example:9', 401],
])('a host with a port is that port only, one without is any: %s', async (host, status) => {
  // Let in by its name, whoever says it is still not paired.
  expect((await request(app).get('/api/health').set('host', host)).status).toBe(status);
});

test('the health tells which app the server has, to be told from the one a page is', async () => {
  expect((await request(app).get('/api/health')).body.app).toBeNull();
  await writeFile(
    join(folder, 'index.html'),
    '<script type="module" crossorigin src="/assets/index-abc.js"></script>',
  );
  const withApp = createApp({ ...appParts(database, folder), webFolder: folder });
  expect((await request(withApp).get('/api/health')).body.app).toBe('/assets/index-abc.js');
});
