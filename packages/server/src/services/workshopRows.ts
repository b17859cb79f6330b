import {
  inWorkshop,
  parseBuild,
  sharedParts,
  sure,
  withShared,
  type Build,
  type Fault,
  type SharedParts,
  type Workshop,
} from '@fixatum/core';
import isEqual from 'fast-deep-equal';
import { nanoid } from 'nanoid';
import { Op, literal, type Transaction } from 'sequelize';
import { changedMeanwhile, notFound, unusable } from '../http/problem';
import type { Models, WorkshopRow } from '../storage/models';
import type { StoredBuild } from './buildRows';

/** A workshop as it is stored, with the version that counts its changes. */
export interface StoredWorkshop {
  id: string;
  version: number;
  workshop: Workshop;
}

export const workshopEtag = ({ version }: StoredWorkshop): string => `"${version}"`;

/** What a row holds was checked before it was written, so it is taken as it stands. */
export const workshopIn = ({ id, version, body }: WorkshopRow): StoredWorkshop => ({
  id,
  version,
  workshop: JSON.parse(body) as Workshop,
});

/** @throws Problem when there is none */
export async function readWorkshop(
  { workshops }: Pick<Models, 'workshops'>,
  id: string,
  transaction?: Transaction,
): Promise<StoredWorkshop> {
  const row = await workshops.findOne({ where: { id }, transaction: transaction ?? null });
  if (!row) throw notFound('workshop');
  return workshopIn(row);
}

/** A workshop by its id, and the version of it that the caller has seen, where that matters. */
export interface SeenWorkshop {
  id: string;
  etag?: string | undefined;
}

/** @throws Problem when there is none, or the caller has seen another version of it */
export async function seenWorkshop(
  models: Pick<Models, 'workshops'>,
  { id, etag }: SeenWorkshop,
  transaction: Transaction,
): Promise<StoredWorkshop> {
  const stored = await readWorkshop(models, id, transaction);
  if (etag !== undefined && etag !== '*' && etag !== workshopEtag(stored))
    throw changedMeanwhile(stored.workshop, workshopEtag(stored));
  return stored;
}

/** Stores a new workshop, after those there are. */
export async function createWorkshop(
  { workshops }: Pick<Models, 'workshops'>,
  workshop: Workshop,
  transaction: Transaction,
): Promise<StoredWorkshop> {
  const last = (await workshops.max<number | null, WorkshopRow>('position', { transaction })) ?? 0;
  const row = { id: nanoid(10), position: last + 1, version: 1, body: JSON.stringify(workshop) };
  return workshopIn(await workshops.create(row, { transaction }));
}

/** A build beside the one that is changed, with its version from now on. */
export type Sibling = Pick<StoredBuild, 'id' | 'version'>;

/** What a change of these leads to can make another build unusable. */
const namedByBuilds = ['timeZone', 'places', 'materials'] as const;

/**
 * Writes what a changed build says of its workshop, for all builds in it, and counts their versions on. Nothing is written where it says
 * nothing new.
 * @param read how the other builds are read, also those put aside
 * @returns the other builds of the workshop, if it was written
 * @throws Problem when another build could not be used with it
 */
export async function writeShared(
  models: Models,
  { id, workshopId, before, after }: { id: string; workshopId: string; before: SharedParts; after: Build },
  read: (id: string) => Promise<StoredBuild>,
  transaction: Transaction,
): Promise<Sibling[]> {
  const parts = sharedParts(after);
  if (isEqual(parts, sharedParts(before))) return [];
  const { builds, workshops } = models;
  const others = await builds.findAll({ where: { workshopId, id: { [Op.ne]: id } }, transaction });
  if (namedByBuilds.some((key) => !isEqual(before[key], parts[key])))
    for (const other of others) stillUsable(await read(other.id), parts, other.deletedAt !== null);
  const { workshop } = await readWorkshop(models, workshopId, transaction);
  await workshops.update(
    { body: JSON.stringify(withShared(workshop, parts)), version: literal('version + 1') },
    { where: { id: workshopId }, transaction },
  );
  await builds.update(
    { version: literal('version + 1') },
    { where: { id: others.map((other) => other.id) }, transaction },
  );
  return others.map((other) => ({ id: other.id, version: other.version + 1 }));
}

/** @throws Problem when a build could not be used in a workshop, naming it */
function stillUsable({ build }: StoredBuild, parts: SharedParts, isAside: boolean): void {
  const parsed = parseBuild(inWorkshop(build, parts));
  if (parsed.ok) return;
  const first = sure(parsed.faults[0], 'a fault');
  const fault: Fault = {
    code: 'other-build',
    path: [],
    message: `${build.name}${isAside ? ', which was put aside,' : ''} uses this workshop too, and could not any more: ${first.message}`,
  };
  throw unusable([fault]);
}
