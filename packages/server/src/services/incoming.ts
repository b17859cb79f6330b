import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { nanoid } from 'nanoid';
import { Problem } from '../http/problem';
import { LARGEST_ARCHIVE_GB } from './archive';
import { fileWork, type FileWork, type LookedInto } from './fileWork';

/** An archive that came in and waits. */
export interface Arrived extends LookedInto {
  id: string;
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

  constructor(
    private readonly folder: string,
    private readonly work: FileWork = fileWork,
  ) {}

  /** Takes a zip in and looks into it. @throws Problem or BadBackup for what is no archive of ours */
  async receive(zip: Readable): Promise<Arrived> {
    await this.clear();
    const id = nanoid(10);
    const own = join(this.folder, id);
    const file = `${own}.zip`;
    try {
      await mkdir(own, { recursive: true });
      await pipeline(zip, noMoreThan(LARGEST_ARCHIVE_GB * 1e9), createWriteStream(file));
      this.waiting = { id, ...(await this.work.lookInto(file, own)) };
      await rm(file);
      return this.waiting;
    } catch (error) {
      await this.clear();
      throw error;
    }
  }

  /** The one that waits; undefined when it is another, or none. */
  get(id: string): Arrived | undefined {
    return this.waiting?.id === id ? this.waiting : undefined;
  }

  /** Lets go of whatever waits, and of what an earlier run of the program left. */
  async clear(): Promise<void> {
    this.waiting = undefined;
    await rm(this.folder, { recursive: true, force: true });
  }
}
