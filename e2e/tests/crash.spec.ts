import type { Build, LogEntry } from '@fixatum/core';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { startServer, type RunningServer } from '../server';
import { expect, test } from '../test';

/** `npm run torture -- --kills 1000` sets another number. */
const kills = Number(process.env.FIXATUM_KILLS ?? 40);
const restoreKills = Number(process.env.FIXATUM_RESTORE_KILLS ?? 6);
const seed = Number(process.env.FIXATUM_SEED ?? 20270220);

/** Whole numbers below a bound, the same for the same seed (a linear congruential generator). */
function drawsFrom(start: number): (below: number) => number {
  let state = start % 2147483647;
  return (below) => {
    state = (state * 48271) % 2147483647;
    return state % below;
  };
}

/** A build with nothing in it but units to be logged, so that a start takes no time. */
const build = (units: number): Build => ({
  format: 'fixatum-build/1',
  name: 'Torture',
  timeZone: 'UTC',
  start: '2027-02-20T08:00',
  events: [],
  people: [],
  places: [],
  pieces: Array.from({ length: Math.ceil(units / 100) }, (_, n) => ({
    id: `p${n}`,
    name: `Piece ${n}`,
    quantity: 100,
    substrate: { kind: 'eva-foam' as const, thicknessMm: 5 },
    faces: { outer: { areaCm2: 100 } },
    steps: [{ id: 'prep', kind: 'prep' as const, minutes: 1 }],
  })),
});

let server: RunningServer;
test.beforeEach(async () => {
  server = await startServer({ samples: false });
});
test.afterEach(() => server.stop());

test(`no coat is lost or doubled over ${kills} kills`, async () => {
  test.setTimeout(60_000 + kills * 10_000);
  const draw = drawsFrom(seed);
  const perRound = 12;
  const post = (path: string, body: unknown) =>
    fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(10_000),
    });
  const { id } = (await (await post('/builds', build(kills * perRound + 100))).json()) as { id: string };
  /** What was pressed, in order; what has not been acknowledged is sent again, as a phone does. */
  const sent: LogEntry[] = [];
  const acknowledged = new Set<string>();
  const send = async (entry: LogEntry) => {
    const { status } = await post(`/builds/${id}/log`, entry);
    // An entry that came through before the server was killed is told to be there, once.
    expect([entry.id, status]).toEqual([entry.id, 201]);
    acknowledged.add(entry.id);
  };
  for (let round = 0; round < kills; round += 1) {
    for (let n = 0; n < perRound; n += 1) {
      const at = sent.length;
      sent.push({
        id: `e${at}`,
        piece: `p${Math.floor(at / 100)}`,
        unit: (at % 100) + 1,
        step: 'prep',
        coat: 1,
        doneAt: '2027-02-20T19:30',
      });
    }
    let isKilled = false;
    const pressing = (async () => {
      for (const entry of sent.filter((one) => !acknowledged.has(one.id))) {
        if (isKilled) return;
        await send(entry).catch((error: unknown) => {
          // A line that was cut is no answer; anything else is.
          if (!(error instanceof TypeError)) throw error;
        });
      }
    })();
    // Somewhere among those presses: in the middle of a write as well as between two.
    const before = acknowledged.size;
    const after = draw(perRound);
    while (acknowledged.size < before + after && acknowledged.size < sent.length)
      await new Promise((done) => setImmediate(done));
    for (let n = draw(2000); n > 0; n -= 1) await Promise.resolve();
    isKilled = true;
    await server.kill();
    await pressing;
    await server.restart({ signal: 'SIGKILL' });
  }
  for (const entry of sent.filter((one) => !acknowledged.has(one.id))) await send(entry);
  const stored = (await (await fetch(`${server.url}/api/builds/${id}`)).json()) as { build: Build };
  const ids = (stored.build.log ?? []).map((entry) => entry.id);
  expect(ids).toHaveLength(sent.length);
  expect(new Set(ids)).toEqual(new Set(sent.map((entry) => entry.id)));
});

/** The ids of what is logged in the newest copy that was made before another was put back. */
async function inCopyOfBefore(data: string): Promise<string[]> {
  const names = (await readdir(join(data, 'backups')))
    .filter((name) => name.endsWith('before-restore'))
    .sort();
  const newest = names.at(-1);
  if (newest === undefined) return [];
  const database = await new Promise<sqlite3.Database>((done, fail) => {
    const opened = new sqlite3.Database(
      join(data, 'backups', newest, 'fixatum.sqlite'),
      sqlite3.OPEN_READONLY,
      (error) => (error ? fail(error) : done(opened)),
    );
  });
  const rows = await new Promise<{ id: string }[]>((done, fail) =>
    database.all<{ id: string }>('SELECT id FROM log_entries', (error, all) =>
      error ? fail(error) : done(all),
    ),
  );
  await new Promise<void>((done) => database.close(() => done()));
  return rows.map(({ id }) => id);
}

/** More than are logged before a backup is put back once more. */
const UNITS = 8000;

test(`nothing that was said to be stored is lost over ${restoreKills} kills while a backup is put back`, async () => {
  test.setTimeout(60_000 + restoreKills * 15_000);
  const draw = drawsFrom(seed + 1);
  const post = (path: string, body: unknown) =>
    fetch(`${server.url}/api${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
      signal: AbortSignal.timeout(20_000),
    });
  const { id } = (await (await post('/builds', build(UNITS))).json()) as { id: string };
  const made = (await (await post('/backups', {})).json()) as { backups: { id: string }[] };
  const base = made.backups[0]!.id;
  const logged = async () => {
    const answer = await fetch(`${server.url}/api/builds/${id}/log`);
    return ((await answer.json()) as { log: LogEntry[] }).log.map((entry) => entry.id);
  };
  let count = 0;
  let swapped = 0;
  for (let round = 0; round < restoreKills; round += 1) {
    const before = new Set(await logged());
    const stored: string[] = [];
    let isKilled = false;
    let answered = 0;
    const press = async () => {
      const at = count % UNITS;
      const entry = {
        id: `r${count}`,
        piece: `p${Math.floor(at / 100)}`,
        unit: (at % 100) + 1,
        step: 'prep',
        coat: 1,
      };
      count += 1;
      const answer = await post(`/builds/${id}/log`, entry);
      answered += 1;
      if (answer.status === 201) stored.push(entry.id);
      // Told to come again, or logged before in what is there now; nothing else.
      else expect([201, 409, 503]).toContain(answer.status);
    };
    const pressing = (async () => {
      while (!isKilled) await press().catch(() => undefined);
    })();
    while (stored.length < 2) await new Promise((done) => setImmediate(done));
    const restoring = post(`/backups/${base}/restore`, {}).catch(() => undefined);
    // Before, within and after the putting back.
    const until = answered + draw(250);
    while (answered < until) await new Promise((done) => setImmediate(done));
    if (draw(2) === 0) await restoring;
    isKilled = true;
    await server.kill();
    await Promise.all([pressing, restoring]);
    await server.restart({ signal: 'SIGKILL' });
    const now = new Set(await logged());
    const isSwapped = [...before].some((one) => !now.has(one));
    if (isSwapped) swapped += 1;
    const there = new Set([...now, ...(await inCopyOfBefore(server.data))]);
    expect([round, [...before, ...stored].filter((one) => !there.has(one))]).toEqual([round, []]);
  }
  // Some were killed before it was done, and some after.
  expect(swapped).toBeGreaterThan(0);
});
