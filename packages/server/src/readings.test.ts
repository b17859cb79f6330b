import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo, Server } from 'node:net';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Build } from '@fixatum/core';
import request from 'supertest';
import { createApp } from './app';
import { appParts } from './testing/appParts';
import { BuildStore } from './services/buildStore';
import { makeClock } from './services/clock';
import { openDatabase, type Database } from './storage/database';
import { askHygrometer, SensorSilent } from './services/hygrometer';
import { Hygrometers } from './services/hygrometers';
import { pollHygrometers } from './services/poller';
import { ReadingStore } from './services/readingStore';
import { hygrometerServer } from './standins/hygrometerServer';
import { sceneReading, scenes, type Scene } from './standins/scenes';

let folder: string;
let database: Database;
let store: BuildStore;
const open = async () => {
  database = await openDatabase(folder);
  store = new BuildStore(database);
};
const appAt = (now: string) =>
  createApp({ ...appParts(database, folder), store, clock: makeClock(now), samplesFolder: folder });

const servers: Server[] = [];
const listen = (server: Server) =>
  new Promise<number>((port) => {
    servers.push(server);
    server.listen(0, '127.0.0.1', () => port((server.address() as AddressInfo).port));
  });
let played = 0;
const play = (scene: Scene) => listen(hygrometerServer(scene, () => played));

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-air-'));
  await open();
});
afterEach(async () => {
  await Promise.all(servers.splice(0).map((server) => new Promise((done) => server.close(done))));
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

async function made(hygrometerPort?: number): Promise<string> {
  const build: Build = {
    format: 'fixatum-build/1',
    name: 'Air',
    timeZone: 'UTC',
    start: '2027-02-20T18:00',
    events: [],
    people: [],
    places: [
      {
        id: 'room',
        name: 'Room',
        ventilation: 'window',
        slots: 3,
        climate: { kind: 'constant', temperatureC: 20, humidityPct: 50 },
        ...(hygrometerPort === undefined ? {} : { hygrometerPort }),
      },
    ],
    pieces: [],
  };
  return (await store.create(build)).id;
}
const minuteOf = (clock: string) => Date.parse(`2027-02-20T${clock}Z`) / 60_000;
/** Reads the room at a time of day, the scene playing that time. */
async function readAt(id: string, clock: string) {
  played = minuteOf(clock);
  return request(appAt(`2027-02-20T${clock}`)).post(`/api/builds/${id}/places/room/read`);
}
const airOf = async (id: string, clock: string) =>
  (await request(appAt(`2027-02-20T${clock}`)).get(`/api/builds/${id}/readings`)).body.places[0];

describe('the stand-in hygrometer', () => {
  it.each(scenes)('plays %s the same way every time', (scene) => {
    for (const minute of [0, 77, 1333])
      expect(sceneReading(scene, minute)).toEqual(sceneReading(scene, minute));
  });

  it('cools by night with the heating off, and is warm again by day', () => {
    const at = (clock: string) => sceneReading('heating-off-at-night', minuteOf(clock))!.temperatureC;
    expect(at('21:00')).toBeGreaterThan(18.5);
    expect(at('04:00')).toBeLessThan(14.5);
    expect(at('10:00')).toBeGreaterThan(18.5);
  });

  it('changes its scene when asked, and says what it knows when it is asked something else', async () => {
    const port = await play('calm-room');
    const { connect } = await import('node:net');
    const say = (line: string) =>
      new Promise<string>((answer) => {
        const socket = connect({ port, host: '127.0.0.1' }, () => socket.write(`${line}\n`));
        socket.once('data', (data) => {
          answer(data.toString().trim());
          socket.end('BYE\n');
        });
      });
    expect(await say('HELLO')).toBe('HYGRO 1');
    expect(await say('SCENE damp-porch')).toBe('OK');
    expect((await askHygrometer(port)).humidityPct).toBeGreaterThan(60);
    expect(await say('SCENE sauna')).toContain('ERR scenes are calm-room');
    expect(await say('DANCE')).toContain('ERR say HELLO');
  });
});

describe('readings', () => {
  it('are taken, kept over a restart, and thinned to quarters of an hour', async () => {
    const id = await made(await play('calm-room'));
    for (const clock of ['19:00', '19:05', '19:10', '19:20'])
      expect((await readAt(id, clock)).status).toBe(201);
    await database.close();
    await open();
    const air = await airOf(id, '19:25');
    expect(air.readings).toHaveLength(2);
    const mean =
      [0, 5, 10].reduce((sum, n) => sum + sceneReading('calm-room', minuteOf('19:00') + n)!.temperatureC, 0) /
      3;
    expect(air.readings[0].temperatureC).toBeCloseTo(mean, 9);
    expect(air.gaps).toEqual([]);
    expect(air.last.temperatureC).toBe(sceneReading('calm-room', minuteOf('19:20'))!.temperatureC);
  });

  it('that can not be true are thrown out with the reason', async () => {
    const id = await made(await play('absurd-values'));
    // Every fourth minute is impossible: 19:00 is minute 30 053 700 + 1140, which four divides.
    expect((await readAt(id, '19:00')).body).toMatchObject({ fault: 'absurd', why: 'no room has such air' });
    expect((await readAt(id, '19:01')).body.fault).toBeUndefined();
    const air = await airOf(id, '19:02');
    expect(air.readings).toHaveLength(1);
    expect(air.thrownOut).toEqual([{ at: '2027-02-20T19:00', fault: 'absurd', why: 'no room has such air' }]);
  });

  it('of a stuck sensor stop counting after three hours', async () => {
    const id = await made(await play('stuck-sensor'));
    const faults: unknown[] = [];
    for (let minutes = 0; minutes <= 200; minutes += 20) {
      const clock = `${String(18 + Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
      faults.push((await readAt(id, clock)).body.fault);
    }
    expect(faults.slice(0, 9)).toEqual(Array(9).fill(undefined));
    expect(faults.slice(9)).toEqual(['stuck', 'stuck']);
  });

  it('leave gaps where the sensor was silent', async () => {
    const id = await made(await play('dropouts'));
    const statuses = [];
    // Minutes 0 and 1 of every five are silent.
    for (const clock of ['19:00', '19:02', '20:00', '20:45', '20:47'])
      statuses.push((await readAt(id, clock)).status);
    expect(statuses).toEqual([503, 201, 503, 503, 201]);
    const air = await airOf(id, '20:50');
    // The one of 19:02 holds for half an hour.
    expect(air.gaps).toEqual([{ from: minuteOf('19:32'), to: minuteOf('20:47') }]);
  });

  it('say what is missing', async () => {
    const silent = await made(1);
    const answer = await request(appAt('2027-02-20T19:00')).post(`/api/builds/${silent}/places/room/read`);
    expect(answer.status).toBe(503);
    expect(answer.body.detail).toBe('Nothing listens on port 1.');
    const none = await made();
    expect(
      (await request(appAt('2027-02-20T19:00')).post(`/api/builds/${none}/places/room/read`)).status,
    ).toBe(409);
    expect(
      (await request(appAt('2027-02-20T19:00')).post(`/api/builds/${none}/places/attic/read`)).status,
    ).toBe(404);
  });

  it('are not taken from whatever else answers on that port', async () => {
    const other = await listen(createServer((socket) => socket.on('data', () => socket.write('220 mail\n'))));
    await expect(askHygrometer(other)).rejects.toThrow(SensorSilent);
  });

  it('are told only from where the last answer ended, when that is said', async () => {
    const id = await made(await play('calm-room'));
    for (const clock of ['19:00', '19:05', '19:20', '19:40']) await readAt(id, clock);
    const ask = async (clock: string, since?: number) =>
      (
        await request(appAt(`2027-02-20T${clock}`)).get(
          `/api/builds/${id}/readings${since === undefined ? '' : `?since=${since}`}`,
        )
      ).body;
    const first = await ask('19:22');
    expect(first.until).toBe(minuteOf('19:22'));
    const more = await ask('19:41', first.until);
    // From the quarter that was not over: 19:15, which holds 19:20, and 19:30, which holds 19:40.
    expect(more.from).toBe(minuteOf('19:15'));
    expect(more.places[0].readings.map(({ at }: { at: number }) => at)).toEqual([
      minuteOf('19:15'),
      minuteOf('19:30'),
    ]);
    expect((await ask('19:41', minuteOf('19:41'))).places[0].readings).toHaveLength(1);
    const wrong = await request(appAt('2027-02-20T19:41')).get(`/api/builds/${id}/readings?since=soon`);
    expect([wrong.status, wrong.body.path]).toEqual([422, 'since']);
  });

  it('older than two weeks are kept as quarters of an hour, and thinning again changes nothing', async () => {
    const { workshopId } = await store.load(await made());
    const readings = new ReadingStore(database.models);
    const now = minuteOf('19:00');
    const old = now - 15 * 1440;
    const add = (at: number, temperatureC: number, humidityPct = 50) =>
      readings.add(workshopId, 'room', { at, temperatureC, humidityPct });
    // Three in one quarter, (20 + 21 + 23)/3; one alone at the third minute of the next; one that can't be.
    await add(old, 20);
    await add(old + 5, 21);
    await add(old + 14, 23);
    await add(old + 18, 22);
    await add(old + 20, 90);
    await add(now - 1440, 20);
    await add(now - 1439, 20.5);
    const all = async () =>
      (await readings.between(workshopId, old - 1, now)).map(({ at, temperatureC, fault }) => [
        at,
        temperatureC,
        fault,
      ]);
    expect(await all()).toHaveLength(7);
    await readings.thin(now);
    const thin = [
      [old, 64 / 3, undefined],
      [old + 15, 22, undefined],
      [now - 1440, 20, undefined],
      [now - 1439, 20.5, undefined],
    ];
    expect(await all()).toEqual(thin);
    await readings.thin(now);
    expect(await all()).toEqual(thin);
  });

  it('are taken by a poller that knows the ports, and hears of new ones', async () => {
    const id = await made();
    const { workshopId } = await store.load(id);
    const errors: unknown[] = [];
    const readings = new ReadingStore(database.models);
    const clock = makeClock('2027-02-20T19:02');
    played = minuteOf('19:02');
    const hygrometers = new Hygrometers(database.models);
    const onError = (error: unknown) => errors.push(error);
    const poller = pollHygrometers({ hygrometers, readings, clock, onError }, 1e9);
    await poller.round();
    expect(await readings.between(workshopId, 0, minuteOf('23:00'))).toEqual([]);
    const port = await play('calm-room');
    await store.change(
      id,
      { etag: undefined },
      { label: 'A sensor', at: '2027-02-20T19:00:00Z' },
      (build) => ({
        ...build,
        places: build.places.map((place) => ({ ...place, hygrometerPort: port })),
      }),
    );
    const loads = jest.spyOn(database.models.pieces, 'findAll');
    await poller.round();
    expect(await readings.between(workshopId, 0, minuteOf('23:00'))).toHaveLength(1);
    // It looked at no whole build.
    expect(loads).not.toHaveBeenCalled();
    await poller.stop();
    expect(errors).toEqual([]);
  });
});
