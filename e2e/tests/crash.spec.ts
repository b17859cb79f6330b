import type { Build, LogEntry } from '@fixatum/core';
import { startServer, type RunningServer } from '../server';
import { expect, test } from '../test';

/** `npm run torture -- --kills 1000` sets another number. */
const kills = Number(process.env.FIXATUM_KILLS ?? 40);
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
