import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { joinWorkshop, matchWorkshop, shippedLooks, type Build } from '@fixatum/core';
import sharp from 'sharp';
import request from 'supertest';
import { ZipFile } from 'yazl';
import { withUnpacked } from './services/archive';
import { openDatabase } from './storage/database';
import { openDataIn } from './testing/openDataIn';
import type { OpenData } from './openData';

let folder: string;
const open: { workshop: OpenData; server: Server }[] = [];

/** A workshop of its own in a folder of its own, as on another machine. */
async function machine(name: string): Promise<Server> {
  const workshop = openDataIn(join(folder, name));
  await workshop.open();
  const server = createServer(workshop.answer);
  open.push({ workshop, server });
  return server;
}

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-archives-'));
});
afterEach(async () => {
  for (const { workshop, server } of open.splice(0)) {
    server.close();
    await workshop.close();
  }
  await rm(folder, { recursive: true, force: true });
});

const bytesOf = (test: request.Test) =>
  test.buffer().parse((response, done) => {
    const parts: Buffer[] = [];
    response.on('data', (part: Buffer) => parts.push(part));
    response.on('end', () => done(null, Buffer.concat(parts)));
  });
const send = (server: Server, zip: Buffer) =>
  request(server).post('/api/archives').set('content-type', 'application/zip').send(zip);
const take = (server: Server, id: string) => request(server).post(`/api/archives/${id}/take`).send({});
/** A zip with some text files in it. */
async function zipWith(files: Record<string, string | Buffer>, mode?: number): Promise<Buffer> {
  const zip = new ZipFile();
  for (const [name, data] of Object.entries(files))
    zip.addBuffer(Buffer.from(data), name, mode === undefined ? {} : { mode });
  zip.end();
  const file = join(folder, `made-${Math.random()}.zip`);
  await pipeline(zip.outputStream, createWriteStream(file));
  return readFile(file);
}

/** A workshop with the demo, a photo on a coat, a plan, readings and a saved look. */
async function filled(): Promise<{ server: Server; id: string; build: Build; photo: string; bytes: Buffer }> {
  const server = await machine('first');
  const { builds } = (await request(server).post('/api/samples').expect(201)).body;
  const { id } = builds.find(({ name }: { name: string }) => /courier/i.test(name));
  const picture = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#7a5a20' } })
    .png()
    .toBuffer();
  const { photo } = (await request(server).post('/api/photos').attach('photo', picture, 'a.png')).body;
  const entry = { piece: 'gorget', unit: 1, step: 'bone', coat: 1, photo };
  const { build } = (await request(server).post(`/api/builds/${id}/log`).send(entry).expect(201)).body;
  const plan = { order: ['gorget/1/bone/1/outer'], passes: [] };
  await request(server).put(`/api/builds/${id}/plan`).send(plan).expect(204);
  const look = { ...shippedLooks[0]!, id: 'my-brass', name: 'My brass' };
  await request(server).post('/api/looks').send(look).expect(201);
  const database = await openDatabase(join(folder, 'first'));
  const { workshopId } = (await database.models.builds.findByPk(id))!;
  await database.models.readings.bulkCreate(
    [20.5, null].map((temperatureC, n) => ({
      workshopId,
      placeId: build.places[0].id,
      at: 1_000_000 + n,
      temperatureC,
      humidityPct: 50 + n,
      fault: n === 1 ? 'no-number' : null,
    })),
  );
  await database.close();
  const bytes = await readFile(join(folder, 'first/photos', photo));
  return { server, id, build, photo, bytes };
}

/** What lies beside a build in the database of a machine. */
async function beside(name: string, buildId: string) {
  const database = await openDatabase(join(folder, name));
  const { workshopId } = (await database.models.builds.findByPk(buildId))!;
  const readings = (
    await database.models.readings.findAll({ where: { workshopId }, order: ['at'], raw: true })
  ).map(({ workshopId: _workshopId, ...rest }) => rest);
  const plan = await database.models.plans.findOne({ where: { buildId } });
  const looks = (await database.models.looks.findAll({ raw: true })).map(({ id, body }) => [id, body]);
  await database.close();
  return { readings, plan: plan?.body, looks };
}

describe('a build as one file', () => {
  it('comes into a workshop that is there, as it was matched with it, its air by what its places are called there', async () => {
    const { server, id, build } = await filled();
    const file = await bytesOf(request(server).get(`/api/builds/${id}/archive`).expect(200));
    const other = await machine('second');
    const room = { ...build.places[0], id: 'studio' };
    const home = { ...build, name: 'At home', places: [room], pieces: [], log: [], stock: [] };
    await request(other).post('/api/builds').send(JSON.stringify(home)).expect(201);
    const [workshop] = (await request(other).get('/api/workshops')).body.workshops;
    const arrived = (await send(other, file.body as Buffer)).body;
    expect((await request(other).get(`/api/archives/${arrived.id}/build`).expect(200)).body).toEqual(build);
    const there = (await request(other).get(`/api/workshops/${workshop.id}`)).body.workshop;
    const joined = joinWorkshop(
      build,
      there,
      matchWorkshop(build, there, (name) => name),
    );
    const take = (etag: string) =>
      request(other)
        .post(`/api/archives/${arrived.id}/take`)
        .send({ workshop: workshop.id, workshopEtag: etag, ...joined });
    await take('"9"').expect(412);
    const taken = (await take(`"${workshop.version}"`).expect(201)).body;
    expect(taken.build).toEqual(joined.build);
    expect((await request(other).get('/api/workshops')).body.workshops).toHaveLength(1);
    const { readings } = await beside('second', taken.id);
    expect(readings.map(({ placeId }) => placeId)).toEqual(['studio', 'studio']);
  });

  it('comes back equal on another machine, with photos, readings, plan and looks, after a look inside', async () => {
    const { server, id, build, photo, bytes } = await filled();
    const file = await bytesOf(request(server).get(`/api/builds/${id}/archive`).expect(200));
    expect(file.headers['content-disposition']).toContain('orrery-courier.fixatum.zip');
    const other = await machine('second');
    const arrived = await send(other, file.body as Buffer);
    expect([arrived.status, arrived.body]).toEqual([
      201,
      {
        leftOut: [],
        id: expect.any(String),
        kind: 'build',
        name: 'Orrery Courier',
        pieces: build.pieces.length,
        logged: build.log!.length,
        photos: 1,
        readings: 2,
        looks: 1,
      },
    ]);
    // Looking changes nothing.
    expect((await request(other).get('/api/builds')).body.builds).toEqual([]);
    const taken = (await take(other, arrived.body.id).expect(201)).body;
    expect(taken.build).toEqual(build);
    expect(await beside('second', taken.id)).toEqual(await beside('first', id));
    const shown = await bytesOf(request(other).get(`/api/photos/${photo}`).expect(200));
    expect((shown.body as Buffer).equals(bytes)).toBe(true);
    expect(await readdir(join(folder, 'second'))).not.toContain('incoming');
    // It was taken once.
    expect((await take(other, arrived.body.id)).body.detail).toContain('Choose it again');
  });

  it('comes in beside one that is here, and takes nothing of that', async () => {
    const { server, id } = await filled();
    const file = (await bytesOf(request(server).get(`/api/builds/${id}/archive`))).body as Buffer;
    await request(server)
      .post('/api/looks')
      .send({ ...shippedLooks[0]!, id: 'my-brass', name: 'My own since' })
      .expect(201);
    const { body } = await send(server, file);
    const taken = (await take(server, body.id).expect(201)).body;
    expect(taken.id).not.toBe(id);
    const { looks } = (await request(server).get('/api/looks')).body;
    expect(looks.map(({ name }: { name: string }) => name)).toEqual(['My own since']);
  });

  it('can be let go', async () => {
    const { server, id } = await filled();
    const file = (await bytesOf(request(server).get(`/api/builds/${id}/archive`))).body as Buffer;
    const { body } = await send(server, file);
    await request(server).delete(`/api/archives/${body.id}`).expect(204);
    expect((await take(server, body.id)).status).toBe(422);
    expect(await readdir(join(folder, 'first'))).not.toContain('incoming');
  });
});

describe('a whole workshop as one file', () => {
  it('is looked into, and put in the place of everything', async () => {
    const { server, id, build, photo } = await filled();
    const { backups } = (await request(server).post('/api/backups').send({}).expect(201)).body;
    const file = (await bytesOf(request(server).get(`/api/backups/${backups[0].id}/file`))).body as Buffer;
    const other = await machine('second');
    await request(other)
      .post('/api/builds')
      .send({ format: 'fixatum-build/1', name: 'Here before', timeZone: 'UTC', start: '2027-02-20T18:00' })
      .expect(201);
    const arrived = (await send(other, file).expect(201)).body;
    expect([arrived.kind, arrived.photos]).toEqual(['workshop', 1]);
    expect(arrived.builds.map(({ name }: { name: string }) => name)).toContain('Orrery Courier');
    expect((await take(other, arrived.id).expect(200)).body).toEqual({ restored: true });
    expect((await request(other).get(`/api/builds/${id}`)).body.build).toEqual(build);
    await request(other).get(`/api/photos/${photo}`).expect(200);
    // What was there before is one press away.
    const [safety] = (await request(other).get('/api/backups')).body.backups;
    expect([safety.reason, safety.builds[0].name]).toEqual(['before-restore', 'Here before']);
  });
});

describe('a file that is no archive of ours', () => {
  const whole = { format: 'fixatum-archive/1', readings: [], plan: null, looks: [] };
  const small = { format: 'fixatum-build/1', name: 'Small', timeZone: 'UTC', start: '2027-02-20T18:00' };
  const [buildText, besideText] = [JSON.stringify(small), JSON.stringify(whole)];
  it.each<[string, () => Promise<Buffer>, RegExp]>([
    ['no zip', () => Promise.resolve(Buffer.from('This is no zip.')), /cut off, or no archive/],
    ['a zip of something else', () => zipWith({ 'holiday.txt': 'sun' }), /neither a build nor a backup/],
    [
      'a broken build',
      () => zipWith({ 'build.json': '{"format"', 'beside.json': besideText }),
      /not whole JSON/,
    ],
    [
      'a build that can’t be used',
      () => zipWith({ 'build.json': '{"format":"x"}' }),
      /reads "fixatum-build\/1"/,
    ],
    ['nothing beside the build', () => zipWith({ 'build.json': buildText }), /beside the build/],
    [
      'odd names',
      () => zipWith({ 'build.json': '{"__proto__":{"a":1}}', 'beside.json': besideText }),
      /Nothing can be called/,
    ],
    [
      'a torn database',
      () => zipWith({ 'fixatum.sqlite': 'SQLite format 3 and no more' }),
      /^The database is not whole: it is cut off, or something else\.$/,
    ],
    [
      'more than anybody has',
      () => zipWith({ 'build.json': buildText, 'beside.json': Buffer.alloc(65_000_000, ' ') }),
      /beside\.json in it is too large/,
    ],
    [
      'something changed beside its list',
      () =>
        zipWith({
          'build.json': buildText,
          'beside.json': besideText,
          'manifest.json': JSON.stringify({
            format: 'fixatum-manifest/1',
            files: { 'build.json': '0'.repeat(64), 'beside.json': '0'.repeat(64) },
          }),
        }),
      /It is not as it was made: beside\.json has changed since/,
    ],
    [
      'links',
      () => zipWith({ 'build.json': buildText, 'photos/a.jpg': '/etc/hostname' }, 0o120777),
      /there are links in it/,
    ],
  ])('%s is refused with a sentence, and leaves nothing', async (_what, made, sentence) => {
    const server = await machine('first');
    const refused = await send(server, await made());
    expect([refused.status, refused.body.detail]).toEqual([422, expect.stringMatching(sentence)]);
    expect(await readdir(join(folder, 'first'))).not.toContain('incoming');
    expect((await request(server).get('/api/builds')).body.builds).toEqual([]);
  });

  it('brings no photo that is none, and says so; of the others nothing but the picture', async () => {
    const server = await machine('first');
    const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#3f7f72' } })
      .jpeg()
      .withExif({ IFD3: { GPSLatitude: '38/1 42/1 0/1', GPSLatitudeRef: 'N' }, IFD0: { Artist: 'Somebody' } })
      .toBuffer();
    const files = {
      'build.json': buildText,
      'beside.json': besideText,
      'photos/a.jpg': '<script>1</script>',
      'photos/b.jpg': Buffer.concat([picture, Buffer.from('and a letter behind it')]),
    };
    const { body } = await send(server, await zipWith(files)).expect(201);
    expect([body.photos, body.leftOut]).toEqual([1, ['a.jpg']]);
    await take(server, body.id).expect(201);
    expect((await request(server).get('/api/builds')).body.builds).toHaveLength(1);
    expect((await request(server).get('/api/photos/a.jpg')).status).toBe(404);
    const kept = await readFile(join(folder, 'first/photos/b.jpg'));
    expect((await sharp(kept).metadata()).exif).toBeUndefined();
    expect([kept.includes('Somebody'), kept.includes('letter')]).toEqual([false, false]);
  });

  it('carries no place out either, also of a photo that lay here before all were made clean', async () => {
    const { server, id, photo, bytes } = await filled();
    const dirty = Buffer.concat([
      await sharp(bytes)
        .jpeg()
        .withExif({ IFD0: { Artist: 'Somebody' } })
        .toBuffer(),
      Buffer.from('and a letter'),
    ]);
    await writeFile(join(folder, 'first/photos', photo), dirty);
    const file = await bytesOf(request(server).get(`/api/builds/${id}/archive`).expect(200));
    await writeFile(join(folder, 'out.zip'), file.body as Buffer);
    await withUnpacked(join(folder, 'out.zip'), async (unpacked) => {
      const sent = await readFile(join(unpacked, 'photos', photo));
      expect([sent.includes('Somebody'), sent.includes('letter')]).toEqual([false, false]);
      expect((await sharp(sent).metadata()).width).toBe(60);
    });
  });

  it('has to come as a zip', async () => {
    const server = await machine('first');
    expect((await request(server).post('/api/archives').send({ a: 1 })).status).toBe(415);
  });
});
