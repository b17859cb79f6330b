import { mkdir, mkdtemp, readdir, readFile, rm, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { openDatabase } from '../storage/database';
import { isPhotoName } from '@fixatum/core';
import { namedPhotos, Photos } from './photos';

let folder: string;
const now = Date.parse('2027-03-31T12:00:00Z');
const photos = () => new Photos(join(folder, 'photos'), () => now);

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-photos-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const picture = () =>
  sharp({ create: { width: 40, height: 30, channels: 3, background: '#7a5a20' } })
    .png()
    .toBuffer();
/** A file in the folder, as old as that. */
async function put(name: string, hours: number): Promise<void> {
  const at = new Date(now - hours * 3_600_000);
  const file = join(folder, 'photos', name);
  await writeFile(file, 'bytes');
  await utimes(file, at, at);
}

it('a photo is there whole, under a name that photos have', async () => {
  const name = await photos().keep(await picture());
  expect(isPhotoName(name)).toBe(true);
  expect(await readdir(join(folder, 'photos'))).toEqual([name]);
  const { format, width } = await sharp(await readFile(join(folder, 'photos', name))).metadata();
  expect([format, width]).toEqual(['jpeg', 40]);
});

it('a photo that was given a name counts once, however often it comes', async () => {
  const name = await photos().keep(await picture(), 'from-the-booth.jpg');
  expect(name).toBe('from-the-booth.jpg');
  const before = await readFile(join(folder, 'photos', name));
  // What is here stays, whatever is sent under its name later.
  const other = await sharp({ create: { width: 9, height: 9, channels: 3, background: '#123456' } })
    .png()
    .toBuffer();
  expect(await photos().keep(other, name)).toBe(name);
  expect(await readdir(join(folder, 'photos'))).toEqual([name]);
  expect((await readFile(join(folder, 'photos', name))).equals(before)).toBe(true);
});

it.each(['../out.jpg', 'a/b.jpg', 'plain', '.jpg', `${'a'.repeat(101)}.jpg`])(
  'no photo is called %s',
  async (name) => {
    await expect(photos().keep(await picture(), name)).rejects.toMatchObject({
      code: 'unusable',
      faults: [{ path: ['name'] }],
    });
    expect(await readdir(folder)).toEqual([]);
  },
);

it('what is no picture leaves nothing behind', async () => {
  await photos().keep(await picture());
  const before = await readdir(join(folder, 'photos'));
  await expect(photos().keep(Buffer.from('no picture'))).rejects.toThrow(
    'That is no picture that can be read',
  );
  await expect(photos().keep(undefined)).rejects.toThrow('That is no picture');
  expect(await readdir(join(folder, 'photos'))).toEqual(before);
});

it('only what nothing names goes, and only when it is old; torn ones after an hour', async () => {
  await mkdir(join(folder, 'photos'));
  // Thirty days are 720 hours.
  await put('named.jpg', 5000);
  await put('waits.jpg', 719.9);
  await put('orphan.jpg', 720.1);
  await put('half.jpg.partial', 1.1);
  await put('being-written.jpg.partial', 0.9);
  await put('of somebody.txt', 5000);
  // A clock that was set back makes a photo one from days to come.
  await put('to-come.jpg', -5000);
  expect((await photos().tidy(new Set(['named.jpg']))).sort()).toEqual(['half.jpg.partial', 'orphan.jpg']);
  expect((await readdir(join(folder, 'photos'))).sort()).toEqual([
    'being-written.jpg.partial',
    'named.jpg',
    'of somebody.txt',
    'to-come.jpg',
    'waits.jpg',
  ]);
  expect(await new Photos(join(folder, 'nowhere')).tidy(new Set())).toEqual([]);
});

it('a name counts wherever it stands: log, swatches, looks, and what takes a change back', async () => {
  const database = await openDatabase(folder);
  const { models } = database;
  await models.builds.create({
    id: 'b',
    position: 1,
    version: 1,
    deletedAt: '2027-01-01T00:00:00Z',
    workshopId: 'w',
    finishedAt: null,
    body: '{"name":"b"}',
  });
  await models.workshops.create({
    id: 'w',
    position: 1,
    version: 1,
    body: JSON.stringify({ swatches: [{ photo: 'swatch.jpg' }, { photo: 'swatch-2.jpg' }] }),
  });
  await models.pieces.create({
    buildId: 'b',
    id: 'p',
    position: 0,
    version: 1,
    body: '{"photo":"piece.jpg"}',
  });
  await models.steps.create({
    buildId: 'b',
    pieceId: 'p',
    id: 's',
    position: 0,
    body: '{"photo":"step.jpg"}',
  });
  await models.log.create({ buildId: 'b', id: 'l', position: 0, body: '{"photo":"coat_1-x.jpg"}' });
  await models.underway.create({ buildId: 'b', id: 'u', position: 0, body: '{"note":"see begun.jpg"}' });
  await models.looks.create({ id: 'k', body: '{"pictures":["look.jpg"]}' });
  const change = { buildId: 'b', at: '2027-01-01T00:00:00Z', label: 'x', plan: null, device: null, by: null };
  await models.changes.create({
    ...change,
    back: '[{"op":"add","value":{"photo":"undone.jpg"}}]',
    shared: '[{"after":{"photo":"judged.jpg"}}]',
  });
  expect([...(await namedPhotos(database.sequelize))].sort()).toEqual([
    'begun.jpg',
    'coat_1-x.jpg',
    'judged.jpg',
    'look.jpg',
    'piece.jpg',
    'step.jpg',
    'swatch-2.jpg',
    'swatch.jpg',
    'undone.jpg',
  ]);
  await database.close();
});
