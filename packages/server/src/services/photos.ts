import { copyFile, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { isPhotoName, LONGEST_PHOTO_EDGE_PX, photoName } from '@fixatum/core';
import { nanoid } from 'nanoid';
import { QueryTypes, type Sequelize } from 'sequelize';
import sharp from 'sharp';
import { Problem, unusable } from '../http/problem';

const takenTypes = new Set(['jpeg', 'png', 'webp', 'heif']);
/** A photo that nothing names may still wait, on a phone without network, for the coat it belongs to. */
const WAITS_DAYS = 30;
/** Nobody takes so long to write one. */
const TORN_AFTER_HOURS = 1;
const PARTIAL = '.partial';

const noPhoto = () =>
  new Problem('no-photo', 'That is no picture that can be read: take a JPEG, PNG or WebP.');

/** Where a build, its log, its looks or what takes a change back can name a photo. */
const named: readonly [table: string, column: string][] = [
  ['builds', 'body'],
  ['workshops', 'body'],
  ['pieces', 'body'],
  ['steps', 'body'],
  ['log_entries', 'body'],
  ['underway', 'body'],
  ['changes', 'back'],
  ['changes', 'shared'],
  ['looks', 'body'],
];

/** The names of photos in some text. */
export const photoNamesIn = (text: string): string[] => [
  ...new Set([...text.matchAll(/[\w-]+\.jpg/g)].map(([name]) => name)),
];

/** The photos in a folder; none where there is no such folder. */
export const photosIn = async (folder: string): Promise<string[]> =>
  (await readdir(folder).catch(() => [])).filter(isPhotoName);

/** The photos that anything stored names. */
export async function namedPhotos(sequelize: Sequelize): Promise<Set<string>> {
  const names = new Set<string>();
  for (const [table, column] of named) {
    const rows = await sequelize.query<{ text: string }>(
      `SELECT \`${column}\` AS text FROM \`${table}\` WHERE \`${column}\` LIKE '%.jpg%'`,
      { type: QueryTypes.SELECT },
    );
    for (const { text } of rows) for (const name of photoNamesIn(text)) names.add(name);
  }
  return names;
}

/**
 * A picture upright, at most 1600 px long, as a JPEG without whatever else the file carried, such as where it was taken or what hangs on behind.
 * @throws Problem when it is no picture
 */
export async function cleanJpeg(bytes: Buffer): Promise<Buffer> {
  try {
    const image = sharp(bytes, { limitInputPixels: 100_000_000 });
    const { format } = await image.metadata();
    if (!takenTypes.has(format)) throw noPhoto();
    return await image
      .rotate()
      .resize(LONGEST_PHOTO_EDGE_PX, LONGEST_PHOTO_EDGE_PX, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 82 })
      .toBuffer();
  } catch {
    throw noPhoto();
  }
}

/** Where a JPEG ends. */
const JPEG_END = Buffer.from([0xff, 0xd9]);

/** Whether a JPEG carries nothing but its picture. */
async function isClean(bytes: Buffer): Promise<boolean> {
  const { exif, xmp, iptc, comments } = await sharp(bytes).metadata();
  return [exif, xmp, iptc, comments].every((one) => one === undefined) && bytes.subarray(-2).equals(JPEG_END);
}

/** Copies a photo to where it leaves the workshop from. What came in before all were made clean is made so now. */
export async function copyClean(from: string, to: string): Promise<void> {
  const bytes = await readFile(from);
  const clean = await isClean(bytes).catch(() => true);
  await writeFile(to, clean ? bytes : await cleanJpeg(bytes));
}

/**
 * Makes the photos in a folder, which came from somewhere else, as clean as those that are uploaded.
 * @param to where the clean ones go, under the names they have
 * @returns those that can't be read
 */
export async function cleanPhotos(from: string, to: string): Promise<string[]> {
  const leftOut: string[] = [];
  await mkdir(to, { recursive: true });
  for (const name of await photosIn(from)) {
    const jpeg = await readFile(join(from, name))
      .then(cleanJpeg)
      .catch(() => undefined);
    if (jpeg) await writeFile(join(to, name), jpeg, { flush: true });
    else leftOut.push(name);
  }
  return leftOut;
}

/** The photos beside the database. One is there whole or not at all, and never changes. */
export class Photos {
  constructor(
    readonly folder: string,
    private readonly nowMs: () => number = Date.now,
  ) {}

  /**
   * Keeps a picture: upright, at most 1600 px long, a JPEG without whatever else the file carried, such as where it was taken.
   * Returns its name.
   * @param called what whoever sends it calls it already, so that it counts once however often it is sent: one of that name which
   *   is here stays as it is
   * @throws Problem when it is no picture, or called what no photo can be
   */
  async keep(bytes: Buffer | undefined, called?: string): Promise<string> {
    if (!bytes) throw noPhoto();
    if (called !== undefined && !isPhotoName(called))
      throw unusable([{ code: 'name', path: ['name'], message: 'a photo can’t be called that' }]);
    if (called !== undefined && (await photosIn(this.folder)).includes(called)) return called;
    const jpeg = await cleanJpeg(bytes);
    const name = called ?? photoName(nanoid(14));
    await this.put(name, (file) => writeFile(file, jpeg, { flush: true }));
    return name;
  }

  /** Takes a clean photo over under the name it has. One of that name which is here stays. */
  async takeOver(from: string, name: string): Promise<void> {
    if ((await photosIn(this.folder)).includes(name)) return;
    await this.put(name, (file) => copyFile(from, file));
  }

  private async put(name: string, write: (file: string) => Promise<void>): Promise<void> {
    const file = join(this.folder, name);
    await mkdir(this.folder, { recursive: true });
    await write(`${file}${PARTIAL}`);
    await rename(`${file}${PARTIAL}`, file);
  }

  /**
   * Takes away what was cut off while it was written, and what nothing has named for a month.
   * @param inUse the names that anything stored mentions
   * @returns what went
   */
  async tidy(inUse: ReadonlySet<string>): Promise<string[]> {
    const gone: string[] = [];
    for (const name of await readdir(this.folder).catch(() => [])) {
      const isTorn = name.endsWith(PARTIAL);
      if (!isTorn && (!isPhotoName(name) || inUse.has(name))) continue;
      const file = join(this.folder, name);
      const hours = (this.nowMs() - (await stat(file)).mtimeMs) / 3_600_000;
      if (hours < (isTorn ? TORN_AFTER_HOURS : WAITS_DAYS * 24)) continue;
      await rm(file, { force: true });
      gone.push(name);
    }
    return gone;
  }
}
