import {
  lookSchema,
  parseBuildText,
  shippedLooks,
  storedPlanSchema,
  type Build,
  type Look,
  type StoredPlan,
} from '@fixatum/core';
import { mkdir, readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { z } from 'zod';
import { fileText } from '../http/bodies';
import { unusable } from '../http/problem';
import type { Models } from '../storage/models';
import { BadBackup } from './badBackup';
import type { BuildStore } from './buildStore';
import type { StoredBuild } from './buildRows';
import type { SeenWorkshop } from './workshopRows';
import { writeManifest } from './manifest';
import { cleanPhotos, copyClean, photoNamesIn, photosIn, type Photos } from './photos';

const BUILD = 'build.json';
const REST = 'beside.json';
const PHOTOS = 'photos';
const CLEAN = 'clean';

/** Four places for three years, every ten minutes: nobody has more, and what claims to would stop the server for minutes. */
const MOST_READINGS = 600_000;
/** Rows are written so many at once, so that others get their turn between. */
const ROWS_AT_ONCE = 2000;

const readingSchema = z.object({
  placeId: z.string().max(200),
  at: z.int(),
  temperatureC: z.number().nullable(),
  humidityPct: z.number().nullable(),
  fault: z.string().max(60).nullable(),
});

/** What goes with a build beside its file: what was measured, the plan on screen, and the saved looks. */
const besideSchema = z.object({
  format: z.literal('fixatum-archive/1'),
  readings: z.array(readingSchema).max(MOST_READINGS),
  plan: storedPlanSchema.nullable(),
  looks: z.array(lookSchema).max(2000),
});
type Beside = z.infer<typeof besideSchema>;

/** Where what goes with a build lies. */
export interface BuildParts {
  store: BuildStore;
  models: Pick<Models, 'readings' | 'plans' | 'looks'>;
  photos: Photos;
}

/** Lays everything that belongs to a build into a folder, to be packed. */
export async function layOut(
  { store, models, photos }: BuildParts,
  id: string,
  folder: string,
): Promise<Build> {
  const { build, workshopId } = await store.load(id);
  const readings = await models.readings.findAll({
    where: { workshopId },
    order: ['placeId', 'at'],
    raw: true,
  });
  const plan = await models.plans.findOne({ where: { buildId: id } });
  const looks = await models.looks.findAll({ order: ['id'] });
  const text = JSON.stringify(build, null, 2);
  const looksText = looks.map(({ body }) => body);
  await writeFile(join(folder, BUILD), `${text}\n`);
  const beside: Beside = {
    format: 'fixatum-archive/1',
    readings: readings.map(({ placeId, at, temperatureC, humidityPct, fault }) => ({
      placeId,
      at,
      temperatureC,
      humidityPct,
      fault,
    })),
    plan: plan && (JSON.parse(plan.body) as StoredPlan),
    looks: looksText.map((body): Look => JSON.parse(body)),
  };
  await writeFile(join(folder, REST), JSON.stringify(beside));
  await mkdir(join(folder, PHOTOS));
  const there = new Set(await photosIn(photos.folder));
  for (const name of photoNamesIn([text, ...looksText].join('\n')))
    if (there.has(name)) await copyClean(join(photos.folder, name), join(folder, PHOTOS, name));
  await writeManifest(folder);
  return build;
}

/** An unpacked build with all that goes with it, checked. */
export interface UnpackedBuild {
  build: Build;
  beside: Beside;
  /** The photos that could be read, made clean, and those that could not. */
  photos: string[];
  leftOut: string[];
  folder: string;
}

/**
 * Reads what lies in an unpacked archive; undefined where no build does.
 * @throws Problem or BadBackup for a build, or something beside it, that can't be used
 */
export async function readUnpacked(folder: string): Promise<UnpackedBuild | undefined> {
  const text = await readFile(join(folder, BUILD), 'utf8').catch(() => undefined);
  if (text === undefined) return undefined;
  const parsed = parseBuildText(fileText(text));
  if (!parsed.ok) throw unusable(parsed.faults);
  const beside = besideSchema.safeParse(await jsonIn(join(folder, REST)));
  if (!beside.success) throw new BadBackup('What lies beside the build in that file can’t be read.');
  const leftOut = await cleanPhotos(join(folder, PHOTOS), join(folder, CLEAN));
  const photos = await photosIn(join(folder, CLEAN));
  return { build: parsed.value, beside: beside.data, photos, leftOut, folder };
}

const jsonIn = (file: string): Promise<unknown> =>
  readFile(file, 'utf8').then(
    (text) => JSON.parse(fileText(text)) as unknown,
    () => undefined,
  );

/**
 * Takes a build in as a new one, with its readings, plan, looks and photos. Photos and looks that are here already stay as they are, as
 * their names say that they are the same.
 * @param joined the build as it is in a workshop that is here; without it, it gets one of its own
 */
export async function takeIn(
  { store, models, photos }: BuildParts,
  { build, beside, photos: names, folder }: UnpackedBuild,
  joined?: { into: SeenWorkshop; build: Build; placeIds: Readonly<Record<string, string>> },
): Promise<StoredBuild> {
  // Photos first: a build never names one that is not there yet.
  for (const name of names) await photos.takeOver(join(folder, CLEAN, name), name);
  const stored = joined ? await store.create(joined.build, joined.into) : await store.create(build);
  const { id: buildId, workshopId } = stored;
  const rows = beside.readings.map((reading) => ({
    workshopId,
    ...reading,
    placeId: joined?.placeIds[reading.placeId] ?? reading.placeId,
  }));
  for (let at = 0; at < rows.length; at += ROWS_AT_ONCE)
    await models.readings.bulkCreate(rows.slice(at, at + ROWS_AT_ONCE), { ignoreDuplicates: true });
  if (beside.plan) await models.plans.upsert({ buildId, body: JSON.stringify(beside.plan) });
  const shipped = new Set(shippedLooks.map(({ id }) => id));
  await models.looks.bulkCreate(
    beside.looks
      .filter(({ id }) => !shipped.has(id))
      .map((look) => ({ id: look.id, body: JSON.stringify(look) })),
    { ignoreDuplicates: true },
  );
  return stored;
}
