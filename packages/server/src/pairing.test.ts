import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import request from 'supertest';
import { createApp } from './app';
import { appParts, keptBackups, samplesFolder } from './testing/appParts';
import { Devices } from './services/devices';
import { Sharing } from './services/sharing';
import { openDatabase, type Database } from './storage/database';

const PHONE = '127.0.0.2';
let folder: string;
let database: Database;
let devices: Devices;
let sharing: Sharing;
let server: Server;
let nowMs = 0;

/** The server as it runs: at home on the loopback address, and shared on another that stands for the network. */
async function open(): Promise<void> {
  database = await openDatabase(folder);
  devices = new Devices(database.models, () => nowMs);
  const port = () => (server.address() as AddressInfo).port;
  sharing = new Sharing(
    (...all) => app(...all),
    port,
    () => [PHONE],
  );
  const app: Express = createApp({
    ...appParts(database, folder),
    devices,
    sharing,
    webFolder: samplesFolder,
    backups: keptBackups(folder),
  });
  server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
}
async function close(): Promise<void> {
  await sharing.end();
  server.closeAllConnections();
  await new Promise((done) => server.close(done));
  await database.close();
}

beforeEach(async () => {
  nowMs = Date.parse('2027-02-20T19:30:00Z');
  folder = await mkdtemp(join(tmpdir(), 'fixatum-pairing-'));
  await open();
});
afterEach(async () => {
  await close();
  await rm(folder, { recursive: true, force: true });
});

const port = () => (server.address() as AddressInfo).port;
const here = () => request(`http://127.0.0.1:${port()}`);
const phone = () => request(`http://${PHONE}:${port()}`);
const share = () => here().put('/api/sharing').send({ on: true }).expect(200);
const offered = async (role = 'helper'): Promise<string> =>
  (await here().post('/api/devices/offer').send({ role }).expect(201)).body.offer.code;
const say = (code: string, name = 'Booth phone') => phone().post('/pair').type('form').send({ code, name });
async function paired(role = 'helper'): Promise<string> {
  const answer = await say(await offered(role)).expect(303);
  await letIn().expect(200);
  return cookieOf(answer);
}
const cookieOf = ({ headers }: request.Response): string =>
  (headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!;
/** Whoever stands at the computer lets in who asks, or turns them away. */
const letIn = (says = true) =>
  here().post(`/api/devices/asking/${devices.asking[0]?.id}`).send({ letIn: says });
const as = (cookie: string) => ({
  get: (path: string) => phone().get(path).set('cookie', cookie),
  post: (path: string) => phone().post(path).set('cookie', cookie),
  put: (path: string) => phone().put(path).set('cookie', cookie),
  delete: (path: string) => phone().delete(path).set('cookie', cookie),
});

describe('sharing', () => {
  it('is off by default, and off again is off at once', async () => {
    expect((await here().get('/api/devices')).body.sharing).toEqual({ on: false, urls: [] });
    await expect(phone().get('/pair')).rejects.toThrow(/ECONNREFUSED/);
    const { body } = await share();
    expect(body.sharing).toEqual({ on: true, urls: [`http://${PHONE}:${port()}`] });
    await phone().get('/pair').expect(200);
    await here().put('/api/sharing').send({ on: false }).expect(200);
    await sharing.end();
    await expect(phone().get('/pair')).rejects.toThrow(/ECONNREFUSED/);
  });

  it('can not be begun from the network, and offers nothing while it is off', async () => {
    await share();
    const finisher = await paired('finisher');
    expect((await as(finisher).put('/api/sharing').send({ on: true })).body.type).toContain('not-allowed');
    await sharing.end();
    expect((await here().post('/api/devices/offer').send({ role: 'helper' })).body.type).toContain(
      'no-network',
    );
  });
});

describe('who is not paired', () => {
  beforeEach(share);

  it('gets the pairing page and nothing else', async () => {
    for (const path of ['/', '/b/some/bench', '/assets/app.js', '/orrery-courier.json'])
      expect([path, (await phone().get(path).redirects(0)).headers.location]).toEqual([path, '/pair']);
    for (const path of ['/api/health', '/api/builds', '/api/me', '/api/devices', '/api/photos/a.jpg']) {
      const { status, body } = await phone().get(path);
      expect([path, status, body.type]).toEqual([path, 401, 'urn:fixatum:problem:not-paired']);
    }
    expect((await phone().post('/api/builds').send('{}')).status).toBe(401);
    expect((await phone().get('/pair').expect(200)).text).toContain('Pair this device');
  });

  // What let anybody in before: the name of the machine itself, said from elsewhere.
  it.each(['localhost', '127.0.0.1', `localhost:4173`, '[::1]'])(
    'is not let in by saying it is at %s',
    async (host) => {
      for (const path of ['/api/builds', '/pair'])
        expect((await phone().get(path).set('host', host)).body.type).toBe('urn:fixatum:problem:wrong-host');
    },
  );

  it('is not let in through a proxy on this machine either', async () => {
    for (const header of ['x-forwarded-for', 'forwarded', 'x-real-ip', 'x-forwarded-host'])
      expect((await here().get('/api/builds').set(header, '10.0.0.9')).status).toBe(403);
  });

  it('can not pair from another site', async () => {
    const code = await offered();
    const answer = await say(code).set('origin', 'http://elsewhere.example');
    expect(answer.body.type).toBe('urn:fixatum:problem:wrong-origin');
  });
});

describe('a code', () => {
  beforeEach(share);

  it('pairs one device, once; only a hash of what it carries is kept', async () => {
    const code = await offered();
    expect(code).toMatch(/^\d{6}$/);
    const answer = await say(code).expect(303);
    const [cookie] = answer.headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/^fixatum-device=[\w-]{43};.*HttpOnly; SameSite=Strict$/);
    expect((await say(code)).status).toBe(403);
    // So far it is nobody.
    expect(await database.models.devices.count()).toBe(0);
    expect((await as(cookie!.split(';')[0]!).get('/api/me')).status).toBe(401);
    await letIn().expect(200);
    expect((await as(cookie!.split(';')[0]!).get('/api/me')).status).toBe(200);
    const row = (await database.models.devices.findAll())[0]!;
    expect(row.tokenHash).toMatch(/^[0-9a-f]{64}$/);
    expect(JSON.stringify(row)).not.toContain(cookie!.split(/[=;]/)[1]!);
  });

  it('lets nobody in by itself: the device waits for a press at the computer, and goes on then', async () => {
    const cookie = cookieOf(await say(await offered('finisher')).expect(303));
    const wait = () => as(cookie).get('/pair/wait').redirects(0);
    const waiting = await wait();
    expect([waiting.status, waiting.headers.refresh, waiting.text.includes('Almost in')]).toEqual([
      200,
      '2',
      true,
    ]);
    expect((await here().get('/api/devices')).body.asking).toEqual([
      { id: expect.any(String), name: 'Booth phone', role: 'finisher' },
    ]);
    await letIn().expect(200);
    const inside = await wait();
    expect([inside.status, inside.headers.location]).toEqual([303, '/']);
  });

  it('turned away at the computer, or not answered for ten minutes, is not in', async () => {
    const first = cookieOf(await say(await offered()).expect(303));
    await letIn(false).expect(200);
    expect((await as(first).get('/pair/wait')).status).toBe(410);
    const second = cookieOf(await say(await offered()).expect(303));
    nowMs += 10 * 60_000 - 1;
    expect((await as(second).get('/pair/wait')).status).toBe(200);
    const { id } = devices.asking[0]!;
    nowMs += 1;
    expect((await as(second).get('/pair/wait')).status).toBe(410);
    expect((await here().post(`/api/devices/asking/${id}`).send({ letIn: true })).status).toBe(404);
    expect((await as(second).get('/api/me')).status).toBe(401);
    expect((await here().get('/api/devices')).body).toMatchObject({ asking: [], devices: [] });
  });

  it('is at no moment neither in nor asking while it is let in, and is in once however often that is pressed', async () => {
    const token = cookieOf(await say(await offered()).expect(303)).split('=')[1]!;
    const { id } = devices.asking[0]!;
    const create = jest.spyOn(database.models.devices, 'create');
    const states: boolean[] = [];
    create.mockImplementation((async (row: never) => {
      states.push(devices.isAsking(token));
      create.mockRestore();
      // Pressed again while the first is being written.
      expect(await devices.answer(id, true)).toBe(true);
      return database.models.devices.create(row);
    }) as never);
    await devices.answer(id, true);
    expect(states).toEqual([true]);
    expect(devices.isAsking(token)).toBe(false);
    expect((await devices.carrying(token))?.name).toBe('Booth phone');
    expect(await database.models.devices.count()).toBe(1);
  });

  it('is answered at the computer only', async () => {
    const finisher = as(await paired('finisher'));
    await say(await offered('finisher'), 'A friend').expect(303);
    const [{ id }] = (await finisher.get('/api/devices')).body.asking;
    expect((await finisher.post(`/api/devices/asking/${id}`).send({ letIn: true })).status).toBe(403);
    expect(devices.asking).toHaveLength(1);
  });

  // Without that a browser sends the form with the origin "null", which is refused.
  it('stands in a form that may say where it comes from', async () => {
    expect((await phone().get('/pair')).headers['referrer-policy']).toBe('same-origin');
    const code = await offered();
    await say(code).set('origin', `http://${PHONE}:${port()}`).expect(303);
  });

  it('is too old after ten minutes', async () => {
    const code = await offered();
    nowMs += 10 * 60_000 - 1;
    expect(devices.offerNow?.code).toBe(code);
    nowMs += 1;
    expect((await say(code)).status).toBe(403);
  });

  it('stands on the page that the square leads to, and nothing else of the address does', async () => {
    expect((await phone().get('/pair?code=123456')).text).toContain('value="123456"');
    expect((await phone().get('/pair?code="><script>')).text).not.toContain('<script>');
  });

  it('can not be guessed: five tries from one address, ten in all', async () => {
    const code = await offered();
    const wrong = code === '000000' ? '111111' : '000000';
    const tries = await Promise.all([1, 2, 3, 4, 5, 6].map(() => say(wrong)));
    expect(tries.map(({ status }) => status).sort()).toEqual([403, 403, 403, 403, 403, 429]);
    for (let n = 0; n < 4; n += 1) devices.ask(wrong, 'Guesser');
    expect(devices.offerNow?.code).toBe(code);
    devices.ask(wrong, 'Guesser');
    expect(devices.offerNow).toBeUndefined();
  });

  it.each([{ code: '12345', name: 'A' }, { code: '123456', name: ' ' }, {}])(
    'is asked for again when the form says %o',
    async (form) => {
      const answer = await phone().post('/pair').type('form').send(form);
      expect([answer.status, answer.text.includes('Type the six figures')]).toEqual([422, true]);
    },
  );
});

describe('a paired device', () => {
  beforeEach(share);

  it('is known after a restart, with its name and when it was seen', async () => {
    const cookie = await paired();
    await close();
    await open();
    await share();
    nowMs += 3_600_000;
    expect((await as(cookie).get('/api/me').expect(200)).body).toMatchObject({
      role: 'helper',
      device: { name: 'Booth phone' },
    });
    const [device] = (await here().get('/api/devices')).body.devices;
    expect(device).toMatchObject({
      name: 'Booth phone',
      role: 'helper',
      lastSeenAt: '2027-02-20T20:30:00.000Z',
    });
  });

  // Once a minute, so that not every request writes.
  it('is noted as seen no oftener than once a minute', async () => {
    const cookie = await paired();
    const seen = async () => (await here().get('/api/devices')).body.devices[0].lastSeenAt;
    const first = await seen();
    nowMs += 59_999;
    await as(cookie).get('/api/me');
    expect(await seen()).toBe(first);
    nowMs += 1;
    await as(cookie).get('/api/me');
    expect(await seen()).toBe('2027-02-20T19:31:00.000Z');
  });

  it('is out at once when it is taken back', async () => {
    const cookie = await paired();
    const [{ id }] = (await here().get('/api/devices')).body.devices;
    const line = as(cookie).get('/api/health');
    expect((await line).status).toBe(200);
    expect((await here().delete(`/api/devices/${id}`)).body.devices).toEqual([]);
    expect((await as(cookie).get('/api/health')).status).toBe(401);
    expect((await here().delete(`/api/devices/${id}`)).status).toBe(404);
  });

  it('says in the log who logged', async () => {
    const cookie = await paired();
    const builds: { id: string; name: string }[] = (await here().post('/api/samples').expect(201)).body
      .builds;
    const build = builds.find(({ name }) => /courier/i.test(name))!.id;
    const entry = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, face: 'outer', by: 'Somebody else' };
    const answer = await as(cookie).post(`/api/builds/${build}/log`).send(entry);
    expect([answer.status, answer.body.build?.log.at(-1).by]).toEqual([201, 'Booth phone']);
    // The other at the bench hears who was first, and the coat counts once.
    const second = await here()
      .post(`/api/builds/${build}/log`)
      .send({ ...entry, id: 'second' });
    expect([second.status, second.body.detail]).toEqual([
      409,
      'That coat of Orbit gorget is in the log already, from Booth phone.',
    ]);
  });
});

it('a finisher’s device makes backups and is not told where on the disk they lie', async () => {
  await share();
  const cookie = await paired('finisher');
  const made = await as(cookie).post('/api/backups').send({});
  expect([made.status, made.body.backups.length, made.body.folder]).toEqual([201, 1, null]);
  expect((await here().get('/api/backups')).body.folder).toBe(join(folder, 'backups'));
});

describe('a helper', () => {
  it('logs and looks, and changes nothing else', async () => {
    await share();
    const helper = as(await paired('helper'));
    const build = (await here().post('/api/samples')).body.builds[0].id;
    await helper.get(`/api/builds/${build}`).expect(200);
    await here().patch(`/api/builds/${build}`).send({ name: 'Changed at the computer' }).expect(200);
    const refused = [
      helper.put(`/api/builds/${build}/pieces/gorget`),
      helper.delete(`/api/builds/${build}`),
      helper.post(`/api/builds/${build}/undo`),
      helper.post(`/api/builds/${build}/patch`),
      helper.get('/api/devices'),
      helper.post('/api/devices/offer'),
      helper.put('/api/sharing'),
      helper.post('/api/looks'),
    ];
    for (const answer of await Promise.all(refused))
      expect([answer.status, answer.body.type]).toEqual([403, 'urn:fixatum:problem:not-allowed']);
  });

  it('takes back what was done on the same device, and nothing else', async () => {
    await share();
    const [helper, other] = [as(await paired('helper')), as(await paired('helper'))];
    const builds: { id: string; name: string }[] = (await here().post('/api/samples')).body.builds;
    const build = builds.find(({ name }) => /courier/i.test(name))!.id;
    const logged = async () => (await here().get(`/api/builds/${build}`)).body.build.log.length as number;
    const before = await logged();
    const log = (who: ReturnType<typeof as>, step: string) =>
      who.post(`/api/builds/${build}/log`).send({ piece: 'gorget', unit: 1, step, coat: 1 }).expect(201);
    const undo = (who: ReturnType<typeof as>) => who.post(`/api/builds/${build}/undo`).send({});
    await log(helper, 'bone');
    const refused = await undo(other);
    expect([refused.status, refused.body.type]).toEqual([403, 'urn:fixatum:problem:not-allowed']);
    expect(refused.body.detail).toContain('Somebody else has changed something since.');
    expect(await logged()).toBe(before + 1);
    expect((await undo(helper)).status).toBe(200);
    expect(await logged()).toBe(before);
    // What the finisher did before is not the helper's, who did nothing after it.
    await here().patch(`/api/builds/${build}`).send({ name: 'Changed' }).expect(200);
    expect((await undo(helper)).status).toBe(403);
    const { changes } = (await here().get(`/api/builds/${build}/changes`)).body;
    expect(changes.map(({ label, by }: { label: string; by: string | null }) => [label, by])).toEqual([
      ['Workshop and dates', null],
    ]);
    await log(helper, 'bone');
    expect((await here().get(`/api/builds/${build}/changes`)).body.changes[0].by).toBe('Booth phone');
    // A finisher takes back anybody's.
    expect((await undo(here() as ReturnType<typeof as>)).status).toBe(200);
  });

  it('stops what was set going on the same device, and keeps no plan', async () => {
    await share();
    const [helper, other] = [as(await paired('helper')), as(await paired('helper'))];
    const builds: { id: string; name: string }[] = (await here().post('/api/samples')).body.builds;
    const at = `/api/builds/${builds.find(({ name }) => /courier/i.test(name))!.id}`;
    const pass = { piece: 'gorget', unit: 1, step: 'bone', coat: 1 };
    // What the caller says of the device itself does not count.
    const timer = { label: 'Rub it', minutes: 4, device: 'made-up' };
    const known = async () => (await here().get(at)).body.build;
    await here()
      .post(`${at}/timers`)
      .send({ ...timer, id: 'ours' })
      .expect(201);
    await helper
      .post(`${at}/timers`)
      .send({ ...timer, id: 'theirs' })
      .expect(201);
    const { timers } = await known();
    expect(timers.find(({ id }: { id: string }) => id === 'ours').device).toBeUndefined();
    expect(timers.find(({ id }: { id: string }) => id === 'theirs').device).toMatch(/^.{10}$/);
    for (const ids of [['ours'], ['theirs', 'ours']])
      expect((await helper.post(`${at}/timers/stop`).send({ ids })).status).toBe(403);
    expect((await other.post(`${at}/timers/stop`).send({ ids: ['theirs'] })).status).toBe(403);
    await helper
      .post(`${at}/timers/stop`)
      .send({ ids: ['theirs'] })
      .expect(200);
    await here()
      .post(`${at}/underway`)
      .send({ ...pass, id: 'begun' })
      .expect(201);
    const refused = await helper.post(`${at}/underway/stop`).send({ ids: ['begun'] });
    expect([refused.status, refused.body.detail]).toEqual([
      403,
      'That pass was started on another device. It is stopped there, or by a finisher.',
    ]);
    await here()
      .post(`${at}/underway/stop`)
      .send({ ids: ['begun'] })
      .expect(200);
    await here()
      .post(`${at}/timers/stop`)
      .send({ ids: ['ours'] })
      .expect(200);
    expect((await helper.put(`${at}/plan`).send({})).status).toBe(403);
  });
});

describe('news of a build', () => {
  /** Listens until so many messages are in, or the line is cut. */
  async function heard(url: string, count: number, headers: Record<string, string> = {}) {
    const response = await fetch(url, { headers });
    const reader = response.body!.getReader();
    let text = '';
    const versions = () =>
      [...text.matchAll(/data:\s*(\{.*\})/g)].map(([, data]) => JSON.parse(data!).version as number);
    const all = (async () => {
      while (versions().length < count) {
        const { done, value } = await reader.read().catch(() => ({ done: true, value: undefined }));
        if (done) break;
        text += new TextDecoder().decode(value);
      }
      return versions();
    })();
    return { all, stop: () => reader.cancel().catch(() => undefined) };
  }

  it('come to everybody: where it stands, then each change', async () => {
    const build = (await here().post('/api/samples')).body.builds[0].id;
    const { version } = (await here().get(`/api/builds/${build}`)).body;
    const line = await heard(`http://127.0.0.1:${port()}/api/builds/${build}/events`, 3);
    await here().patch(`/api/builds/${build}`).send({ name: 'Renamed' }).expect(200);
    await here().post(`/api/builds/${build}/undo`).send({}).expect(200);
    expect(await line.all).toEqual([version, version + 1, version + 2]);
    await line.stop();
  });

  it('are cut off when the device is taken back', async () => {
    await share();
    const cookie = await paired();
    const build = (await here().post('/api/samples')).body.builds[0].id;
    const line = await heard(`http://${PHONE}:${port()}/api/builds/${build}/events`, 9, { cookie });
    const [{ id }] = (await here().get('/api/devices')).body.devices;
    await here().delete(`/api/devices/${id}`).expect(200);
    expect(await line.all).toHaveLength(1);
  });
});
