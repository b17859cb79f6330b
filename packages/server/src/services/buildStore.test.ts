import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseBuildText, sure, type Build, type LogEntry } from '@fixatum/core';
import jsonpatch, { type Operation } from 'fast-json-patch';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { Problem } from '../http/problem';
import { openDatabase, type Database } from '../storage/database';
import { samplesFolder } from '../testing/appParts';
import { BuildStore } from './buildStore';
import type { ChangeNote } from './changeLog';
import type { StoredBuild } from './buildRows';

let folder: string;
let database: Database;
let store: BuildStore;
let demo: Build;

beforeAll(async () => {
  const parsed = parseBuildText(await readFile(join(samplesFolder, 'orrery-courier.json'), 'utf8'));
  if (!parsed.ok) throw new Error('the demo is not whole');
  demo = parsed.value;
});
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-store-'));
  database = await openDatabase(folder);
  store = new BuildStore(database);
});
afterEach(async () => {
  await database.close();
  await rm(folder, { recursive: true, force: true });
});

const noted = (label: string): ChangeNote => ({ label, at: '2027-02-20T19:30:00Z' });
const refused = () => new Problem('unusable', 'not taken');
const rename = (id: string, name: string) =>
  store.change(id, { etag: undefined }, noted('Rename'), (build) => ({ ...build, name }));

/** What somebody sees who reads the file anew. */
async function onDisk(id: string): Promise<StoredBuild> {
  return new BuildStore(database).load(id);
}

/** One thing done to a build at random; what is refused changes nothing. */
async function disturb(id: string, random: (below: number) => number, n: number): Promise<void> {
  const { build } = await store.load(id);
  const piece = build.pieces[random(build.pieces.length)] ?? sure(demo.pieces[0], 'a piece of the demo');
  const step = piece.steps[random(piece.steps.length)];
  const change = (label: string, edit: (build: Build) => Build) =>
    store.change(id, { etag: undefined }, noted(label), edit);
  const spot = { piece: piece.id, unit: 1 + random(2), step: step?.id ?? 'none', coat: 1 + random(2) };
  const entry: LogEntry = { ...spot, id: `n${n}`, doneAt: '2027-02-20T18:00' };
  const doings: (() => Promise<unknown>)[] = [
    () => rename(id, `Name ${n}`),
    () => store.log(id, noted('Log'), () => ({ kind: 'log', entries: [entry] }), refused),
    () =>
      store.log(
        id,
        noted('Start'),
        () => ({ kind: 'start', passes: [{ ...spot, id: `u${n}`, startedAt: '2027-02-20T18:00' }] }),
        refused,
      ),
    () =>
      store.log(
        id,
        noted('Stop'),
        (now) => ({ kind: 'stop', ids: (now.underway ?? []).map((one) => one.id) }),
        refused,
      ),
    () => change('Turn the pieces', (now) => ({ ...now, pieces: [...now.pieces].reverse() })),
    () =>
      change('Copy a piece', (now) => ({
        ...now,
        pieces: [...now.pieces, { ...piece, id: `piece-${n}`, name: `Piece ${n}` }],
      })),
    () =>
      change('Another area', (now) => ({
        ...now,
        pieces: now.pieces.map((one) =>
          one.id === piece.id ? { ...one, faces: { ...one.faces, outer: { areaCm2: 100 + n } } } : one,
        ),
      })),
    () => change('Forget what was logged first', (now) => ({ ...now, log: (now.log ?? []).slice(1) })),
    () => change('Turn the log', (now) => ({ ...now, log: [...(now.log ?? [])].reverse() })),
    () => change('Nothing to wear', (now) => ({ ...now, pieces: [], log: [], underway: [], pins: [] })),
    () => change('No build', (now) => ({ ...now, timeZone: 'Nowhere/Land' })),
    () => store.undo(id, { etag: undefined }),
    () => store.undo(id, { etag: undefined }),
  ];
  await sure(doings[random(doings.length)], 'a doing')().catch((error: unknown) => {
    if (!(error instanceof Problem)) throw error;
  });
}

it('what is kept in hand is what is on disk, and every change is told as it was, whatever was done', async () => {
  for (const seed of [1, 2, 3]) {
    const generator = xoroshiro128plus(seed * 7919 + 3);
    const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
    const { id } = await store.create(demo);
    const seen: StoredBuild[] = [await store.load(id)];
    for (let n = 0; n < 60; n += 1) {
      await disturb(id, random, n);
      const now = await store.load(id);
      const disk = await onDisk(id);
      expect(now.build).toStrictEqual(disk.build);
      expect([now.version, [...now.pieceVersions]]).toEqual([disk.version, [...disk.pieceVersions]]);
      const before = sure(seen[random(seen.length)], 'a version seen');
      const news = sure(store.newsOf(now, before.version), 'what changed since');
      // As it comes out of the answer, so that applying it changes nothing here.
      const sent: Operation[] = JSON.parse(JSON.stringify(news.change));
      const told = jsonpatch.applyPatch(structuredClone(before.build), sent, true);
      expect(told.newDocument).toStrictEqual(now.build);
      seen.push(now);
    }
    // Enough of it was taken.
    expect(seen.at(-1)!.version).toBeGreaterThan(25);
  }
});

it('what is kept can’t be changed in place', async () => {
  const { id } = await store.create(demo);
  const spoil = store.change(id, { etag: undefined }, noted('Spoil'), (build) => {
    sure(build.pieces[0], 'a piece').name = 'Spoilt';
    return build;
  });
  await expect(spoil).rejects.toThrow(TypeError);
  expect((await store.load(id)).build).toStrictEqual((await onDisk(id)).build);
  // And the next change goes through.
  expect((await rename(id, 'Next')).build.name).toBe('Next');
});

it('what could not be written is not kept', async () => {
  const { id, version } = await store.create(demo);
  const writing = jest
    .spyOn(database.models.changes, 'create')
    .mockRejectedValueOnce(new Error('the disk is full'));
  await expect(rename(id, 'Lost')).rejects.toThrow('the disk is full');
  writing.mockRestore();
  const now = await store.load(id);
  expect([now.build.name, now.version]).toEqual([demo.name, version]);
  expect((await onDisk(id)).build.name).toBe(demo.name);
});

it('changes are known for a hundred versions, and no longer', async () => {
  const { id, version } = await store.create(demo);
  for (let n = 0; n < 101; n += 1) await rename(id, `Name ${n}`);
  const now = await store.load(id);
  expect(store.newsOf(now, version)).toBeUndefined();
  expect(store.newsOf(now, version + 1)?.change).toHaveLength(100);
  expect(store.newsOf(now, now.version)).toEqual({ since: now.version, change: [] });
  expect(store.newsOf(now, now.version + 1)).toBeUndefined();
  // Another store, as after a restart, knows of none.
  const again = new BuildStore(database);
  expect(again.newsOf(await again.load(id), version + 100)).toBeUndefined();
});

it('a change of more than two thousand steps is not kept: whoever is behind gets all of it', async () => {
  const { id, version } = await store.create(demo);
  const tins = (count: number) =>
    Array.from({ length: count }, (_, n) => ({ id: `tin-${n}`, name: `Tin ${n}`, role: 'paint' as const }));
  const add = (count: number) =>
    store.change(id, { etag: undefined }, noted('Tins'), (build) => ({ ...build, materials: tins(count) }));
  await add(1);
  const before = await store.load(id);
  expect(store.newsOf(before, version)?.change.length).toBeGreaterThan(0);
  // One step a tin, as each is added to the list.
  expect(store.newsOf(await add(2001), before.version)?.change).toHaveLength(2000);
  expect(store.newsOf(await add(4002), before.version)).toBeUndefined();
});
