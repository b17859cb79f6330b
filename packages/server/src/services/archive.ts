import { createWriteStream } from 'node:fs';
import { mkdir, mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { crc32 } from 'node:zlib';
import { openPromise, type Entry } from 'yauzl';
import { ZipFile } from 'yazl';
import { BadBackup } from './badBackup';
import { checkManifest } from './manifest';
import { checkSeal, seal, UNSEALED } from './seal';

/** No workshop holds more, and a file that says it does would fill the disk. */
export const LARGEST_ARCHIVE_GB = 4;
const MOST_FILES = 50_000;
/** The most that one file of a kind may unpack to, MB, by the end of its name. What is read as a whole is kept small. */
const LARGEST_MB: readonly [end: string, megabytes: number][] = [
  ['.jpg', 30],
  ['beside.json', 64],
  ['.json', 16],
];
const [FILE_KINDS, SYMBOLIC_LINK] = [0o170000, 0o120000];

/** A folder as one sealed zip file, such as a backup: the database, the photos and what is in it. */
export async function zipOf(folder: string): Promise<NodeJS.ReadableStream> {
  const zip = new ZipFile();
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true }))
    if (entry.isFile()) {
      const path = join(entry.parentPath, entry.name);
      const name = path.slice(folder.length + 1);
      // Photos are packed already.
      zip.addFile(path, name.replaceAll('\\', '/'), { compress: !name.endsWith('.jpg') });
    }
  const sealed = seal();
  zip.on('error', (error: Error) => sealed.destroy(error));
  zip.end({ comment: UNSEALED, forceZip64Format: false });
  return zip.outputStream.pipe(sealed);
}

/** Writes a folder as one zip file. */
export async function writeZip(folder: string, file: string): Promise<void> {
  await pipeline(await zipOf(folder), createWriteStream(file));
}

const bad = (why: string) => new BadBackup(`That file can’t be unpacked: ${why}.`);
const DAMAGED = 'it was damaged on the way';

/** Lets bytes through, and fails at the end where they are not those that were packed, or more than may be. */
function checked(entry: Entry, most: number): Transform {
  let [sum, crc] = [0, 0];
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      sum += chunk.length;
      crc = crc32(chunk, crc);
      done(sum > most ? bad(`${entry.fileName} in it is too large`) : null, chunk);
    },
    flush(done) {
      done(sum === entry.uncompressedSize && crc === entry.crc32 ? null : bad(DAMAGED));
    },
  });
}

/**
 * Unpacks a zip into a folder. Nothing but files and folders comes out, nothing lands elsewhere, no more than a workshop can be, and
 * nothing that is not what was packed: the seal, every checksum and the manifest are held against what came out.
 * @throws BadBackup when it can't be unpacked, or is not whole
 */
export async function unpack(file: string, folder: string): Promise<void> {
  if ((await checkSeal(file)) === 'changed') throw bad(DAMAGED);
  const zip = await openPromise(file, { strictFileNames: true }).catch(() => {
    throw bad('it is cut off, or no archive');
  });
  let [bytes, files] = [0, 0];
  const names = new Set<string>();
  try {
    for await (const entry of zip.eachEntry()) {
      // A link would lead to whatever else lies on this machine.
      if (((entry.externalFileAttributes >>> 16) & FILE_KINDS) === SYMBOLIC_LINK)
        throw bad('there are links in it');
      if (names.has(entry.fileName)) throw bad(`${entry.fileName} is in it twice`);
      names.add(entry.fileName);
      bytes += entry.uncompressedSize;
      files += 1;
      if (bytes > LARGEST_ARCHIVE_GB * 1e9 || files > MOST_FILES)
        throw bad(`it holds more than ${LARGEST_ARCHIVE_GB} GB or ${MOST_FILES} files`);
      const target = join(folder, entry.fileName);
      if (entry.fileName.endsWith('/')) {
        await mkdir(target, { recursive: true });
        continue;
      }
      const megabytes = LARGEST_MB.find(([end]) => entry.fileName.endsWith(end))?.[1];
      const most = megabytes === undefined ? LARGEST_ARCHIVE_GB * 1e9 : megabytes * 1e6;
      if (entry.uncompressedSize > most) throw bad(`${entry.fileName} in it is too large`);
      await mkdir(dirname(target), { recursive: true });
      await pipeline(
        await zip.openReadStreamPromise(entry),
        checked(entry, most),
        createWriteStream(target, { flags: 'wx' }),
      );
    }
  } catch (error) {
    throw error instanceof BadBackup ? error : bad(DAMAGED);
  } finally {
    zip.close();
  }
  await checkManifest(folder);
}

/**
 * Unpacks a zip into a folder of its own for as long as something is done with it.
 * @throws BadBackup when it can't be unpacked
 */
export async function withUnpacked<T>(file: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'fixatum-archive-'));
  try {
    await unpack(file, folder);
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
