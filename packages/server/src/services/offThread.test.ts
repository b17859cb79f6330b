import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Problem } from '../http/problem';
import { BadBackup } from './badBackup';
import { patienceFor } from './fileWork';
import { offThread } from './offThread';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-thread-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** A thread that does this. */
async function threadThat(does: string): Promise<string> {
  const file = join(folder, 'worker.mjs');
  await writeFile(file, `export default async ({ name, args }) => { ${does} };`);
  return file;
}

test('what the thread says comes back: a value, or what is wrong, as it would here', async () => {
  const ok = offThread(await threadThat('return { ok: true, value: { name, args } }'));
  expect(await ok.prepare('from', 'into', 'own')).toEqual({ name: 'prepare', args: ['from', 'into', 'own'] });
  expect(await ok.lookInto('a.zip', 'there')).toEqual({ name: 'lookInto', args: ['a.zip', 'there'] });
});

test.each([
  ["{ ok: false, why: 'bad-backup', message: 'Torn.' }", BadBackup, 'Torn.'],
  ["{ ok: false, why: 'problem', code: 'unusable', message: 'Odd.', faults: [] }", Problem, 'Odd.'],
] as const)('%s is thrown as what it is', async (said, kind, message) => {
  const failing = offThread(await threadThat(`return ${said}`)).lookInto('a.zip', 'there');
  await expect(failing).rejects.toThrow(message);
  await expect(failing).rejects.toBeInstanceOf(kind);
});

test('what never ends is given up', async () => {
  const stuck = offThread(await threadThat('for (;;) {}'), () => 200);
  await expect(stuck.lookInto('a.zip', 'there')).rejects.toThrow('took too long, so it was given up');
});

test('a file has a minute, and as long as an old disk needs for it', () => {
  // 4 GB at 10 MB a second are 400 s.
  expect([patienceFor(0), patienceFor(4e9)]).toEqual([60_000, 460_000]);
  expect(Number.isInteger(patienceFor(12_345))).toBe(true);
});
