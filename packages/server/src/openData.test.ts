import { mkdtemp, readdir, rm, truncate, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import request from 'supertest';
import { openDatabase } from './storage/database';
import { openDataIn } from './testing/openDataIn';
import type { OpenData } from './openData';

let folder: string;
let workshop: OpenData;
let server: Server;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-workshop-'));
  workshop = openDataIn(folder);
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

  it('loses nothing that was said to be stored: what is pressed meanwhile is in the copy of before, in what was put back, or told to come again', async () => {
    const { builds } = (await request(server).get('/api/builds')).body;
    const { id } = builds.find(({ name }: { name: string }) => /courier/i.test(name));
    const backup = (await request(server).post('/api/backups').send({})).body.backups[0].id;
    await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
    const timer = (n: number) => ({ id: `t${n}`, label: `Timer ${n}`, minutes: 5 });
    const answers: number[] = [];
    const pressed = (async () => {
      for (let n = 0; n < 60; n += 1)
        answers.push((await request(server).post(`/api/builds/${id}/timers`).send(timer(n))).status);
    })();
    await request(server).post(`/api/backups/${backup}/restore`).send({}).expect(200);
    await pressed;
    const stored = answers.flatMap((status, n) => (status === 201 ? [`t${n}`] : []));
    expect(answers.every((status) => status === 201 || status === 503)).toBe(true);
    expect(stored.length).toBeGreaterThan(0);
    const idsIn = async () =>
      ((await request(server).get(`/api/builds/${id}`)).body.build.timers ?? []).map(
        (one: { id: string }) => one.id,
      );
    const now: string[] = await idsIn();
    const before = (await request(server).get('/api/backups')).body.backups.find(
      (one: { reason: string }) => one.reason === 'before-restore',
    );
    await request(server).post(`/api/backups/${before.id}/restore`).send({}).expect(200);
    const then: string[] = await idsIn();
    expect(stored.filter((one) => !now.includes(one) && !then.includes(one))).toEqual([]);
    // And nothing that was refused is in either.
    expect([...now, ...then].filter((one) => !stored.includes(one))).toEqual([]);
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

describe('a damaged file', () => {
  const file = () => join(folder, 'fixatum.sqlite');
  /** As after a disk that went bad: the log of writes is gone, and the file is not what it was. */
  async function damage(how: 'cut' | 'overwritten'): Promise<void> {
    await workshop.close();
    for (const end of ['-wal', '-shm']) await rm(`${file()}${end}`, { force: true });
    if (how === 'cut') await truncate(file(), 5000);
    else await writeFile(file(), 'This is no database. '.repeat(1000));
  }

  it.each(['cut', 'overwritten'] as const)(
    'that is %s is said, and one press brings the newest whole backup back',
    async (how) => {
      const { builds } = (await request(server).get('/api/builds')).body;
      await request(server).post('/api/backups').send({}).expect(201);
      await damage(how);
      await workshop.openOrMend();
      const page = await request(server).get('/b/some/bench');
      expect([page.status, page.text.includes('The data is damaged')]).toEqual([503, true]);
      expect(page.text).toMatch(/Orrery Courier: \d+ pieces, \d+ log entries/);
      expect((await request(server).get('/api/builds')).body.type).toBe('urn:fixatum:problem:damaged');
      await request(server).post('/mend').expect(303);
      const back = builds.map((one: { version: number }) => ({ ...one, version: one.version + 1_000_000 }));
      expect((await request(server).get('/api/builds')).body.builds).toEqual(back);
      expect((await readdir(join(folder, 'backups'))).some((name) => name.startsWith('damaged-'))).toBe(true);
    },
  );

  it.each([
    ['gone', () => rm(file())],
    ['cut to nothing', () => truncate(file(), 0)],
  ])(
    'that is %s where there were builds is said, and the newest copy is offered first',
    async (_what, take) => {
      await request(server).post('/api/backups').send({}).expect(201);
      await workshop.close();
      for (const end of ['-wal', '-shm']) await rm(`${file()}${end}`, { force: true });
      await take();
      await workshop.openOrMend();
      const page = await request(server).get('/');
      expect([page.status, page.text.includes('The builds are gone')]).toEqual([503, true]);
      expect(page.text.indexOf('Put it back')).toBeLessThan(page.text.indexOf('Begin with nothing'));
      expect((await request(server).post('/api/builds').send('{}')).status).toBe(503);
      await request(server).post('/mend').expect(303);
      expect((await request(server).get('/api/builds')).body.builds).toHaveLength(2);
    },
  );

  it('that was emptied by something else is told apart from one whose builds were deleted here', async () => {
    await workshop.close();
    await rm(file());
    // As by a program that has put an empty workshop in its place.
    const empty = await openDatabase(folder);
    await empty.close();
    await workshop.openOrMend();
    expect((await request(server).get('/')).text).toContain('The builds are gone');
    await request(server).post('/begin').expect(303);
    expect((await request(server).get('/api/builds')).body.builds).toEqual([]);
    await workshop.close();
    // Whoever began with nothing is not asked again.
    await workshop.openOrMend();
    expect((await request(server).get('/api/builds')).body.builds).toEqual([]);
  });

  it('of builds that were all deleted in the app is nothing to ask about', async () => {
    for (const { id } of (await request(server).get('/api/builds')).body.builds) {
      await request(server).delete(`/api/builds/${id}`).expect(204);
      await request(server).delete(`/api/builds/aside/${id}`).expect(204);
    }
    await workshop.close();
    await workshop.openOrMend();
    expect((await request(server).get('/api/builds')).body.builds).toEqual([]);
  });

  it('without any backup is said, too, and nothing is changed', async () => {
    await damage('overwritten');
    await workshop.openOrMend();
    expect((await request(server).get('/')).text).toContain('there is no whole backup');
    const answer = await request(server).post('/mend');
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect((await readdir(folder)).includes('fixatum.sqlite')).toBe(true);
  });
});
