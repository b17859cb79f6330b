import { readFile, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { DATABASE_FILE } from '../storage/database';

const MARK = 'fixatum.mark';
const TEXT = `This folder holds builds. Where ${DATABASE_FILE} beside it is empty or gone, something has taken it away: the program then offers the newest\nbackup before it starts with nothing.\n`;

/** A note beside the database that says that there were builds in it, for when it is gone. */
export class Mark {
  private readonly file: string;

  constructor(private readonly dataFolder: string) {
    this.file = join(dataFolder, MARK);
  }

  private isThere(): Promise<boolean> {
    return readFile(this.file).then(
      () => true,
      () => false,
    );
  }

  /** Makes it say what is so. */
  async set(hasBuilds: boolean): Promise<void> {
    if (hasBuilds === (await this.isThere())) return;
    if (hasBuilds) await writeFile(this.file, TEXT, { flush: true });
    else await rm(this.file, { force: true });
  }

  /** Whether there should be builds and the database file is gone, or nothing at all is in it. */
  async isGone(hasBackups: boolean): Promise<boolean> {
    const size = await stat(join(this.dataFolder, DATABASE_FILE)).then(
      (found) => found.size,
      () => 0,
    );
    return size === 0 && (hasBackups || (await this.isThere()));
  }

  /** Whether there should be builds, and a database that was opened holds none. */
  async isEmptied(hasBuilds: boolean): Promise<boolean> {
    return !hasBuilds && (await this.isThere());
  }
}
