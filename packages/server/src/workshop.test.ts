import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { makeClock } from './services/clock';
import { Sharing } from './services/sharing';
import { Workshop } from './workshop';

let folder: string;
let workshop: Workshop;
let server: Server;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-workshop-'));
  workshop = new Workshop({
    dataFolder: folder,
    samplesFolder: join(__dirname, '../../../demo'),
    allowedHosts: [],
    clock: makeClock('2027-02-20T19:30'),
    log: pino({ level: 'silent' }),
    logRequests: false,
    sharing: new Sharing(
      () => undefined,
      () => 0,
      () => [],
    ),
  });
  await workshop.open();
  await workshop.loadSamplesFirstTime();
  server = createServer(workshop.answer);
});
afterEach(async () => {
  server.close();
  await workshop.close();
  await rm(folder, { recursive: true, force: true });
});

describe('putting a backup back while the server runs', () => {
  it('brings everything back to what it was, keeps what there was, and goes on', async () => {
    const { builds } = (await request(server).get('/api/builds')).body;
    const id: string = builds[0].id;
    const before = (await request(server).get(`/api/builds/${id}`)).body.build;
    const made = (await request(server).post('/api/backups').send({}).expect(201)).body;
    expect(made.folder).toBe(join(folder, 'backups'));
    const backup: string = made.backups[0].id;
    await request(server).patch(`/api/builds/${id}`).send({ name: 'Changed since' }).expect(200);

    const after = (await request(server).post(`/api/backups/${backup}/restore`).send({}).expect(200)).body;
    expect((await request(server).get(`/api/builds/${id}`)).body.build).toEqual(before);
    const safety = after.backups.find((one: { reason: string }) => one.reason === 'before-restore');
    expect(safety.builds.map(({ name }: { name: string }) => name)).toContain('Changed since');
    // The server writes to what was put back.
    await request(server).patch(`/api/builds/${id}`).send({ name: 'And on' }).expect(200);
    expect((await request(server).get(`/api/builds/${id}`)).body.build.name).toBe('And on');

    await request(server).post(`/api/backups/${safety.id}/restore`).send({}).expect(200);
    expect((await request(server).get(`/api/builds/${id}`)).body.build.name).toBe('Changed since');
  });

  it('says so when there is no such backup, and to whoever asks meanwhile', async () => {
    const none = await request(server).post('/api/backups/none/restore').send({});
    expect([none.status, none.body.detail]).toEqual([422, 'That backup is not there any more.']);
    await workshop.close();
    const meanwhile = await request(server).get('/api/builds');
    expect([meanwhile.status, meanwhile.body.type]).toEqual([503, 'urn:fixatum:problem:restoring']);
  });

  it('gives a backup as a file', async () => {
    const made = (await request(server).post('/api/backups').send({})).body.backups[0];
    const file = await request(server)
      .get(`/api/backups/${made.id}/file`)
      .buffer()
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      });
    expect(file.headers['content-disposition']).toContain(`fixatum-${made.id}.zip`);
    // Zip files begin with PK.
    expect((file.body as Buffer).subarray(0, 2).toString()).toBe('PK');
  });
});
