import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { ZipFile } from 'yazl';
import { unpack, writeZip } from './archive';
import { BadBackup } from './badBackup';
import { MANIFEST, writeManifest } from './manifest';

/** How many bytes are changed, one at a time; `npm run torture` asks for more. */
const FLIPS = Number(process.env.FIXATUM_FLIPS ?? 150);

let folder: string;
const whole = () => join(folder, 'whole');
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'fixatum-zip-'));
  await mkdir(join(whole(), 'photos'), { recursive: true });
  await writeFile(
    join(whole(), 'build.json'),
    JSON.stringify({ name: 'Ferry warden', note: 'bone, then brown' }),
  );
  await writeFile(join(whole(), 'photos/a.jpg'), 'as good as a photo, packed already');
  await writeManifest(whole());
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const namesIn = async (at: string) => (await readdir(at, { recursive: true })).sort();
async function unpacked(zip: Buffer): Promise<Record<string, string>> {
  const [file, out] = [join(folder, 'in.zip'), join(folder, 'out')];
  await rm(out, { recursive: true, force: true });
  await mkdir(out);
  await writeFile(file, zip);
  await unpack(file, out);
  const names = (await namesIn(out)).filter((name) => name.includes('.'));
  return Object.fromEntries(
    await Promise.all(names.map(async (name) => [name, await readFile(join(out, name), 'utf8')] as const)),
  );
}
async function zipped(): Promise<Buffer> {
  await writeZip(whole(), join(folder, 'made.zip'));
  return readFile(join(folder, 'made.zip'));
}
/** As earlier versions packed: no seal and no list. */
async function asBefore(): Promise<Buffer> {
  const zip = new ZipFile();
  for (const name of ['build.json', 'photos/a.jpg'])
    zip.addFile(join(whole(), name), name, { compress: !name.endsWith('.jpg') });
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(join(folder, 'before.zip')));
  return readFile(join(folder, 'before.zip'));
}
/** Copies with one bit changed, anywhere. */
function* flipped(zip: Buffer, seed: number): Generator<{ at: number; copy: Buffer }> {
  const random = xoroshiro128plus(seed);
  for (let n = 0; n < FLIPS; n += 1) {
    const copy = Buffer.from(zip);
    const at = uniformInt(random, 0, zip.length - 1);
    copy[at]! ^= 1 << uniformInt(random, 0, 7);
    yield { at, copy };
  }
}

test('what was packed comes out, byte for byte', async () => {
  const out = await unpacked(await zipped());
  expect(Object.keys(out)).toEqual(['build.json', MANIFEST, 'photos/a.jpg']);
  for (const [name, text] of Object.entries(out))
    expect(text).toBe(await readFile(join(whole(), name), 'utf8'));
});

test('one changed bit anywhere is refused with a sentence', async () => {
  for (const { at, copy } of flipped(await zipped(), 7)) {
    const told = await unpacked(copy).then(
      () => 'taken',
      (error: unknown) => error,
    );
    expect([at, told instanceof BadBackup && told.message]).toEqual([
      at,
      expect.stringMatching(/^That file can’t be unpacked: .+\.$|^It is not (whole|as it was made): .+\.$/),
    ]);
  }
});

test('of a file of before, a changed bit is refused or changes nothing of what comes out', async () => {
  const zip = await asBefore();
  const right = await unpacked(zip);
  for (const { at, copy } of flipped(zip, 8)) {
    const out = await unpacked(copy).catch((error: unknown) => error);
    if (out instanceof BadBackup) continue;
    // A name is guarded by nothing in such a file; what is called otherwise is not taken for what it was.
    const same = Object.entries(out as Record<string, string>).filter(([name]) => name in right);
    expect([at, Object.fromEntries(same)]).toEqual([
      at,
      Object.fromEntries(Object.entries(right).filter(([name]) => name in (out as object))),
    ]);
  }
});

test('cut off anywhere it is refused', async () => {
  const zip = await zipped();
  for (const share of [0, 0.1, 0.5, 0.9, 0.999])
    await expect(unpacked(zip.subarray(0, Math.floor(zip.length * share)))).rejects.toThrow(BadBackup);
});

test('what is missing from the list’s files, or is there beside them, is named', async () => {
  await writeFile(join(whole(), 'extra.txt'), 'more');
  await expect(zipped().then(unpacked)).rejects.toThrow(
    'It is not as it was made: extra.txt was added to it.',
  );
  await rm(join(whole(), 'extra.txt'));
  await rm(join(whole(), 'photos/a.jpg'));
  await expect(zipped().then(unpacked)).rejects.toThrow('It is not whole: photos/a.jpg is missing.');
});
