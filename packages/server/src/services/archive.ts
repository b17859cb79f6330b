import extract from 'extract-zip';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { BadBackup } from './backups';

/** No workshop holds more, and a file that says it does would fill the disk. */
export const LARGEST_ARCHIVE_GB = 4;
const MOST_FILES = 50_000;
const [FILE_KINDS, SYMBOLIC_LINK] = [0o170000, 0o120000];

/** A folder as one zip file, such as a backup: the database, the photos and what is in it. */
export async function zipOf(folder: string): Promise<NodeJS.ReadableStream> {
  const zip = new ZipFile();
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true }))
    if (entry.isFile()) {
      const path = join(entry.parentPath, entry.name);
      const name = path.slice(folder.length + 1);
      // Photos are packed already.
      zip.addFile(path, name.replaceAll('\\', '/'), { compress: !name.endsWith('.jpg') });
    }
  zip.end();
  return zip.outputStream;
}

/** Writes a folder as one zip file. */
export async function writeZip(folder: string, file: string): Promise<void> {
  await pipeline(await zipOf(folder), createWriteStream(file));
}

/**
 * Unpacks a zip into a folder. Nothing but files and folders comes out, nothing lands elsewhere, and no more than a workshop can be.
 * @throws BadBackup when it can't be unpacked
 */
export async function unpack(file: string, folder: string): Promise<void> {
  let [bytes, files] = [0, 0];
  const bad = (why: string) => new BadBackup(`That file can’t be unpacked: ${why}.`);
  await extract(file, {
    dir: folder,
    onEntry: (entry) => {
      // A link would lead to whatever else lies on this machine.
      if (((entry.externalFileAttributes >>> 16) & FILE_KINDS) === SYMBOLIC_LINK)
        throw bad('there are links in it');
      bytes += entry.uncompressedSize;
      files += 1;
      if (bytes > LARGEST_ARCHIVE_GB * 1e9 || files > MOST_FILES)
        throw bad(`it holds more than ${LARGEST_ARCHIVE_GB} GB or ${MOST_FILES} files`);
    },
  }).catch((error: unknown) => {
    throw error instanceof BadBackup ? error : bad('it is cut off, or no archive');
  });
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
