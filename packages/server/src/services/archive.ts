import extract from 'extract-zip';
import { createWriteStream } from 'node:fs';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { BadBackup } from './backups';

/** A backup as one zip file: the database, the photos and what is in it. */
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

/** Writes a backup as one zip file. */
export async function writeZip(folder: string, file: string): Promise<void> {
  await pipeline(await zipOf(folder), createWriteStream(file));
}

/**
 * Unpacks a zip into a folder of its own for as long as something is done with it.
 * @throws BadBackup when it can't be unpacked
 */
export async function withUnpacked<T>(file: string, work: (folder: string) => Promise<T>): Promise<T> {
  const folder = await mkdtemp(join(tmpdir(), 'fixatum-archive-'));
  try {
    await extract(file, { dir: folder }).catch(() => {
      throw new BadBackup(`${file} can’t be unpacked: it is cut off, or no archive.`);
    });
    return await work(folder);
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
