import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { nanoid } from 'nanoid';
import { Problem } from '../http/problem';
import { LARGEST_ARCHIVE_GB, unpack } from './archive';
import { BadBackup, lookInside, type AboutBackup, DATABASE_FILE } from './backups';
import { readUnpacked, type UnpackedBuild } from './buildArchive';
import { photosIn } from './photos';

/** What is in an archive that came in, for whoever is to say what becomes of it. */
export type Inside =
  | {
      kind: 'build';
      name: string;
      pieces: number;
      logged: number;
      photos: number;
      readings: number;
      looks: number;
    }
  | { kind: 'workshop'; builds: AboutBackup['builds']; photos: number };

/** An archive that came in and waits. */
export interface Arrived {
  id: string;
  inside: Inside;
  /** Where it lies unpacked. */
  folder: string;
  /** The build in it, where it is one. */
  unpacked?: UnpackedBuild;
}

/** Counts what comes in, and stops at what is too much. */
const noMoreThan = (bytes: number) => {
  let sum = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      sum += chunk.length;
      done(
        sum > bytes
          ? new Problem('too-large', `An archive may have at most ${LARGEST_ARCHIVE_GB} GB.`)
          : null,
        chunk,
      );
    },
  });
};

/**
 * Archives that were sent to be looked into before anything is done with them. The newest is kept, unpacked, until it is taken or let
 * go; nothing of it is anywhere else until then.
 */
export class Incoming {
  private waiting: Arrived | undefined;

  constructor(private readonly folder: string) {}

  /** Takes a zip in and looks into it. @throws Problem or BadBackup for what is no archive of ours */
  async receive(zip: Readable): Promise<Arrived> {
    await this.clear();
    const id = nanoid(10);
    const own = join(this.folder, id);
    const file = `${own}.zip`;
    try {
      await mkdir(own, { recursive: true });
      await pipeline(zip, noMoreThan(LARGEST_ARCHIVE_GB * 1e9), createWriteStream(file));
      await unpack(file, own);
      await rm(file);
      this.waiting = { id, folder: own, ...(await insideOf(own)) };
      return this.waiting;
    } catch (error) {
      await this.clear();
      throw error;
    }
  }

  /** The one that waits. @throws BadBackup when it is another, or none */
  get(id: string): Arrived {
    if (this.waiting?.id !== id) throw new BadBackup('That file is not here any more. Choose it again.');
    return this.waiting;
  }

  /** Lets go of whatever waits, and of what an earlier run of the program left. */
  async clear(): Promise<void> {
    this.waiting = undefined;
    await rm(this.folder, { recursive: true, force: true });
  }
}

async function insideOf(folder: string): Promise<Pick<Arrived, 'inside' | 'unpacked'>> {
  const unpacked = await readUnpacked(folder);
  if (unpacked) {
    const { build, beside, photos } = unpacked;
    const inside: Inside = {
      kind: 'build',
      name: build.name,
      pieces: build.pieces.length,
      logged: build.log?.length ?? 0,
      photos: photos.length,
      readings: beside.readings.length,
      looks: beside.looks.length,
    };
    return { inside, unpacked };
  }
  const builds = await lookInside(join(folder, DATABASE_FILE)).catch(() => {
    throw new BadBackup('There is neither a build nor a backup of a workshop in that file.');
  });
  return {
    inside: { kind: 'workshop', builds, photos: (await photosIn(join(folder, 'photos'))).length },
  };
}
