import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { isAbsolute, join, relative, resolve } from 'node:path';
import { messageOf } from '@fixatum/core';
import { z } from 'zod';
import { writeZip } from './archive';
import { BadBackup } from './badBackup';

const SETTINGS = 'second-place.json';
const OURS = /^fixatum-.+\.zip$/;
/** A copy elsewhere that is older than so is said to be old. */
export const OLD_AFTER_DAYS = 7;

const settingsSchema = z.object({
  folder: z.string(),
  /** When the last copy got there, as an instant; null before the first. */
  lastAt: z.string().nullable(),
  /** What went wrong last; null when nothing did. */
  trouble: z.string().nullable(),
});
export type SecondPlaceState = z.infer<typeof settingsSchema> & { isOld: boolean };

/**
 * A second folder for backups, such as one on another drive or one that is kept the same on another machine. Each copy there is one zip file. What goes
 * wrong there is written down and keeps nothing else from being done.
 */
export class SecondPlace {
  constructor(
    private readonly dataFolder: string,
    private readonly nowIso: () => string = () => new Date().toISOString(),
  ) {}

  private get file(): string {
    return join(this.dataFolder, SETTINGS);
  }

  private async settings(): Promise<z.infer<typeof settingsSchema> | undefined> {
    try {
      return settingsSchema.parse(JSON.parse(await readFile(this.file, 'utf8')));
    } catch {
      return undefined;
    }
  }

  private async write(settings: z.infer<typeof settingsSchema>): Promise<void> {
    const partial = `${this.file}.partial`;
    await writeFile(partial, `${JSON.stringify(settings, null, 2)}\n`, { flush: true });
    await rename(partial, this.file);
  }

  /** Where it is and how it went there last; null without one. */
  async state(): Promise<SecondPlaceState | null> {
    const settings = await this.settings();
    if (!settings) return null;
    const age = settings.lastAt === null ? Infinity : Date.parse(this.nowIso()) - Date.parse(settings.lastAt);
    return { ...settings, isOld: age > OLD_AFTER_DAYS * 86_400_000 };
  }

  /**
   * Chooses a folder, or none.
   * @throws BadBackup for what is no folder that can be written to, or lies within the data itself
   */
  async choose(folder: string | null): Promise<void> {
    if (folder === null) {
      await rm(this.file, { force: true });
      return;
    }
    if (!isAbsolute(folder))
      throw new BadBackup('Write the whole path of the folder, from the root of the disk.');
    const path = resolve(folder);
    const within = relative(resolve(this.dataFolder), path);
    if (within === '' || (!within.startsWith('..') && !isAbsolute(within)))
      throw new BadBackup(
        'That folder lies within the data itself. A copy helps when it lies on another disk.',
      );
    const found = await stat(path).catch(() => undefined);
    if (!found?.isDirectory())
      throw new BadBackup(`There is no folder ${path}. Make it first, or plug the drive in.`);
    const probe = join(path, '.fixatum-probe');
    try {
      await mkdir(probe, { recursive: true });
      await rm(probe, { recursive: true });
    } catch (error) {
      throw new BadBackup(`Nothing can be written to ${path}: ${messageOf(error)}`);
    }
    await this.write({ folder: path, lastAt: null, trouble: null });
  }

  /**
   * Copies a backup there as one file, and lets go of those of ours that are not kept any more.
   * @param kept the ids of the backups that stay
   */
  async copy(backupFolder: string, id: string, kept: ReadonlySet<string>): Promise<void> {
    const settings = await this.settings();
    if (!settings) return;
    const nameOf = (one: string) => `fixatum-${one}.zip`;
    const partial = join(settings.folder, `.${nameOf(id)}.partial`);
    try {
      // A drive that is not there leaves an empty place; a folder made in it would hold the copy on the same disk.
      await stat(settings.folder);
      await writeZip(backupFolder, partial);
      await rename(partial, join(settings.folder, nameOf(id)));
      const keptNames = new Set([...kept, id].map(nameOf));
      for (const name of await readdir(settings.folder))
        if (OURS.test(name) && !keptNames.has(name)) await rm(join(settings.folder, name), { force: true });
      await this.write({ ...settings, lastAt: this.nowIso(), trouble: null });
    } catch (error) {
      await rm(partial, { force: true }).catch(() => undefined);
      await this.write({ ...settings, trouble: messageOf(error) });
    }
  }
}
