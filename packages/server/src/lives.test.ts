import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  compareLogged,
  materialsOf,
  lookById,
  passNeeds,
  planBuild,
  shelfNow,
  shippedLooks,
  stepAsLogged,
  sure,
  writeSteps,
  type Build,
  type LogEntry,
} from '@fixatum/core';
import type { Express } from 'express';
import fc from 'fast-check';
import request from 'supertest';
import { createApp } from './app';
import { openDatabase, type Database } from './storage/database';
import { appParts } from './testing/appParts';

/** So many lives of so many presses each. */
const LIVES = 4;
const PRESSES = 18;

const kinds = [
  'log',
  'log',
  'log',
  'log',
  'edit',
  'edit',
  'takeOut',
  'undo',
  'redo',
  'look',
  'drop',
  'air',
  'restart',
] as const;

/** What lies there by one entry: all that a changed plan must not change. */
function filmOf(build: Build, entry: LogEntry): string {
  const piece = sure(
    build.pieces.find(({ id }) => id === entry.piece),
    `the piece of ${entry.id}`,
  );
  const step = sure(
    piece.steps.find(({ id }) => id === entry.step),
    `the step of ${entry.id}`,
  );
  const {
    kind,
    material,
    film = 'normal',
    colour,
    zones,
    place,
  } = stepAsLogged(step, entry, materialsOf(build.materials));
  return JSON.stringify([kind, material, film, colour, zones, place, entry.doneAt, entry.unit, entry.face]);
}

/** What is in every tin by the log alone: what it held, less what the entries say they took. */
function tinsByLog(build: Build): number[] {
  return (build.stock ?? []).map((tin) => {
    const taken = (build.log ?? [])
      .filter(({ doneAt }) => tin.levelAt === undefined || compareLogged(tin.levelAt, doneAt) <= 0)
      .flatMap(({ used = [] }) => used.filter((one) => one.tin === tin.id))
      .reduce((sum, { ml }) => sum + ml, 0);
    return Math.max(0, tin.remainingMl - (tin.levelAt === undefined ? 0 : taken));
  });
}

describe('a life at the bench', () => {
  let folder: string;
  let database: Database;
  let app: Express;
  const open = async () => {
    database = await openDatabase(folder);
    app = createApp(appParts(database, folder));
  };
  beforeEach(async () => {
    folder = await mkdtemp(join(tmpdir(), 'fixatum-lives-'));
    await open();
  });
  afterEach(async () => {
    await database.close();
    await rm(folder, { recursive: true, force: true });
  });

  it('keeps each coat what it was, and every tin what the log says, whatever is pressed', async () => {
    await request(app).post('/api/samples').expect(201);
    const { builds } = (await request(app).get('/api/builds')).body as {
      builds: { id: string; name: string }[];
    };
    const id = builds.find(({ name }) => name === 'Tidepool lantern')!.id;
    const build = async (): Promise<Build> =>
      (await request(app).get(`/api/builds/${id}`).expect(200)).body.build;
    const lives = fc.sample(
      fc.array(fc.record({ kind: fc.constantFrom(...kinds), n: fc.nat(10_000) }), {
        minLength: PRESSES,
        maxLength: PRESSES,
      }),
      { numRuns: LIVES, seed: 31 },
    );
    const seen = new Set<string>();
    let weighed = 0;
    for (const presses of lives)
      for (const { kind, n } of presses) {
        const before = await build();
        const log = before.log ?? [];
        const films = new Map(log.map((entry) => [entry.id, filmOf(before, entry)]));
        const piece = before.pieces[n % before.pieces.length]!;
        /** Entries that the press itself is about. */
        let about = new Set<string>();
        let status = 0;
        switch (kind) {
          case 'log': {
            const open = planBuild(before, { latestStarts: false }).operations.filter(
              (pass) => pass.status === 'planned' && pass.pieceId === piece.id,
            );
            const pass = open[0];
            if (!pass) continue;
            const used = before.stock?.[n % before.stock.length];
            ({ status } = await request(app)
              .post(`/api/builds/${id}/log`)
              .send({
                piece: pass.pieceId,
                unit: pass.unit,
                step: pass.stepId,
                coat: pass.coat,
                ...(pass.face ? { face: pass.face } : {}),
                doneAt: '2027-02-20T19:20',
                ...(used?.id ? { used: [{ tin: used.id, ml: 1 + (n % 7) }] } : {}),
              }));
            break;
          }
          case 'edit':
          case 'takeOut': {
            const entry = log[n % Math.max(1, log.length)];
            if (!entry) continue;
            about = new Set([entry.id]);
            const edit =
              kind === 'edit'
                ? {
                    entries: [
                      { id: entry.id, set: { doneAt: `2027-02-20T1${n % 9}:0${n % 6}`, startedAt: null } },
                    ],
                  }
                : { remove: [entry.id] };
            ({ status } = await request(app).patch(`/api/builds/${id}/journal`).send(edit));
            break;
          }
          case 'look': {
            const look = sure(lookById.get(shippedLooks[n % shippedLooks.length]!.id), 'a look');
            const { steps } = writeSteps(before, piece, { looks: [{ look }] });
            ({ status } = await request(app)
              .put(`/api/builds/${id}/pieces/${piece.id}`)
              .send({ ...piece, steps }));
            break;
          }
          case 'drop': {
            const step = piece.steps[n % Math.max(1, piece.steps.length)];
            if (!step) continue;
            ({ status } = await request(app).delete(
              `/api/builds/${id}/pieces/${piece.id}/steps/${encodeURIComponent(step.id)}`,
            ));
            break;
          }
          case 'air': {
            const climate = { kind: 'constant', temperatureC: 5 + (n % 25), humidityPct: 50 };
            const places = before.places.map((place, at) => (at === 0 ? { ...place, climate } : place));
            ({ status } = await request(app).patch(`/api/builds/${id}`).send({ places }));
            break;
          }
          case 'undo':
          case 'redo':
            // What is taken back may be any entry: all that is there then must still hold.
            about = new Set(log.map((entry) => entry.id));
            ({ status } = await request(app).post(`/api/builds/${id}/${kind}`));
            break;
          case 'restart':
            await database.close();
            await open();
            status = 200;
        }
        if (status < 300) seen.add(kind);
        const after = await build();
        for (const entry of after.log ?? [])
          if (films.has(entry.id) && !about.has(entry.id))
            expect([kind, n, filmOf(after, entry)]).toEqual([kind, n, films.get(entry.id)]);
          // Every entry finds its piece and its step, after any press.
          else expect(filmOf(after, entry)).toBeTruthy();
        // Nothing goes but by an entry that was about it.
        const there = new Set((after.log ?? []).map((entry) => entry.id));
        for (const entryId of films.keys()) if (!about.has(entryId)) expect(there).toContain(entryId);
        const plan = planBuild(after, { latestStarts: false });
        const levels = shelfNow(after, passNeeds(after, plan.operations)).tins.map(({ ml }) => ml);
        const byLog = tinsByLog(after);
        if ((after.log ?? []).every(({ used }) => used)) {
          weighed += 1;
          for (const [at, ml] of levels.entries()) expect(ml).toBeCloseTo(byLog[at]!, 6);
        }
      }
    expect(weighed).toBeGreaterThan(PRESSES);
    // All kinds of presses went through at least once.
    expect([...seen].sort()).toEqual([...new Set(kinds)].sort());
  }, 120_000);
});
