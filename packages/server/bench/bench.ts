// `npm run bench`: how long the server takes over one more coat in a long log, on a real file. Prints; asserts nothing.
import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { operationId, type LogEntry } from '@fixatum/core';
import { largeBuild } from '../../core/src/testing/largeBuild';
import { withLongLog } from '../../core/src/testing/longLog';
import { createApp } from '../src/app';
import { HAVE_HEADER } from '../src/routes/sendBuild';
import { openDatabase } from '../src/storage/database';
import { appParts } from '../src/testing/appParts';

const ENTRIES = 20_000;
const TIMES = 20;

const folder = await mkdtemp(join(tmpdir(), 'fixatum-bench-'));
const database = await openDatabase(folder);
const parts = appParts(database, folder);
const whole = withLongLog(largeBuild(1300), ENTRIES + TIMES);
const more = whole.log!.slice(ENTRIES);
const stored = await parts.store.create({ ...whole, log: whole.log!.slice(0, ENTRIES) });
// A plan of that size is kept with each change, so that undo brings it back.
await parts.models.plans.upsert({
  buildId: stored.id,
  body: JSON.stringify({
    order: whole.log!.map(operationId),
    passes: whole.log!.map((entry) => [operationId(entry), 0]),
  }),
});
const server = createApp(parts).listen(0);
const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/builds/${stored.id}/log`;

async function logOne({ id: _id, ...entry }: LogEntry, have: number): Promise<{ ms: number; bytes: number }> {
  const from = performance.now();
  const response = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [HAVE_HEADER]: String(have) },
    body: JSON.stringify(entry),
  });
  const { length: bytes } = await response.text();
  if (!response.ok) throw new Error(`not logged: ${response.status}`);
  return { ms: performance.now() - from, bytes };
}
const taken: { ms: number; bytes: number }[] = [];
for (const [n, entry] of more.entries()) taken.push(await logOne(entry, stored.version + n));
const median = taken.map(({ ms }) => ms).sort((a, b) => a - b)[TIMES / 2]!;
const worst = Math.max(...taken.map(({ ms }) => ms));
console.log(
  `one coat into a log of ${ENTRIES}: ${median.toFixed(0)} ms, at most ${worst.toFixed(0)} ms (aim 100), ${taken.at(-1)!.bytes} bytes back`,
);
server.close();
await database.close();
await rm(folder, { recursive: true, force: true });
