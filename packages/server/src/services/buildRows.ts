import {
  inWorkshop,
  ownParts,
  sure,
  type Build,
  type LogEntry,
  type Piece,
  type Step,
  type Underway,
} from '@fixatum/core';
import { Op, type Transaction } from 'sequelize';
import { notFound } from '../http/problem';
import type { Models } from '../storage/models';

/** A build as it is stored, with the version that counts its changes and those of its pieces. */
export interface StoredBuild {
  id: string;
  version: number;
  build: Build;
  pieceVersions: Map<string, number>;
  /** Where its people, places and tins are from. */
  workshopId: string;
  /** When it was put by as done, as wall time; undefined while it is in hand. */
  finishedAt: string | undefined;
}

/**
 * Reads a build from its rows: the head, its pieces with their steps, the log and what is under way, in its workshop.
 * @param aside whether one that was put aside is read too
 * @throws Problem when there is none
 */
export async function readRows(
  { builds, pieces, steps, log, underway, workshops }: Models,
  id: string,
  transaction: Transaction | undefined,
  aside = false,
): Promise<StoredBuild> {
  const options = { where: { buildId: id }, order: ['position'], transaction: transaction ?? null };
  const where = aside ? { id } : { id, deletedAt: null };
  const head = await builds.findOne({ where, transaction: transaction ?? null });
  if (!head) throw notFound('build');
  const pieceRows = await pieces.findAll(options);
  const stepRows = await steps.findAll(options);
  const logRows = await log.findAll(options);
  const underwayRows = await underway.findAll(options);
  const stepsOf = new Map<string, Step[]>();
  for (const row of stepRows)
    stepsOf.set(row.pieceId, [...(stepsOf.get(row.pieceId) ?? []), dataIn<Step>(row)]);
  const workshop = sure(
    await workshops.findOne({ where: { id: head.workshopId }, transaction: transaction ?? null }),
    'the workshop of a build',
  );
  const body = inWorkshop(dataIn(head), dataIn(workshop));
  const build: Build = {
    ...body,
    pieces: pieceRows.map((row) => ({
      ...dataIn<Piece>(row),
      steps: stepsOf.get(row.id) ?? [],
    })),
    ...(logRows.length > 0 || body.log ? { log: logRows.map((row) => dataIn<LogEntry>(row)) } : {}),
    ...(underwayRows.length > 0 || body.underway
      ? { underway: underwayRows.map((row) => dataIn<Underway>(row)) }
      : {}),
  };
  return {
    id,
    version: head.version,
    build,
    pieceVersions: new Map(pieceRows.map((row) => [row.id, row.version])),
    workshopId: head.workshopId,
    finishedAt: head.finishedAt ?? undefined,
  };
}

/** A build that was put aside, as a list tells it. */
export interface AsideBuild {
  id: string;
  name: string;
  pieces: number;
  /** An instant. */
  putAsideAt: string;
}

/** The builds that were put aside, the last first. */
export async function readAside({ builds, pieces }: Models): Promise<AsideBuild[]> {
  const rows = await builds.findAll({
    where: { deletedAt: { [Op.ne]: null } },
    order: [['deletedAt', 'DESC']],
  });
  return Promise.all(
    rows.map(async (row) => ({
      id: row.id,
      name: dataIn<Build>(row).name,
      pieces: await pieces.count({ where: { buildId: row.id } }),
      putAsideAt: row.deletedAt ?? '',
    })),
  );
}

/** Deletes every row of a build. */
export async function deleteRows(models: Models, id: string, transaction: Transaction): Promise<void> {
  const { pieces, steps, log, underway, changes, undone, plans } = models;
  const ofBuild = { where: { buildId: id }, transaction };
  await Promise.all([
    pieces.destroy(ofBuild),
    steps.destroy(ofBuild),
    log.destroy(ofBuild),
    underway.destroy(ofBuild),
    changes.destroy(ofBuild),
    undone.destroy(ofBuild),
    plans.destroy(ofBuild),
  ]);
  await models.builds.destroy({ where: { id }, transaction });
}

/** What a row holds. It was checked as part of its build before it was written, so it is taken as it stands. */
const dataIn = <T>({ body }: { body: string }): T => JSON.parse(body);

/**
 * Writes the rows in which `after` differs from `before`, and counts the version on. What both share is not looked into, so that a
 * small change of a large build costs little. What its workshop has is not written here. Returns what `readRows` would read then.
 */
export async function writeRows(
  { builds, pieces, steps, log, underway }: Models,
  before: StoredBuild,
  after: Build,
  transaction: Transaction,
): Promise<StoredBuild> {
  const { id } = before;
  const version = before.version + 1;
  const head = JSON.stringify({
    ...ownParts(after),
    pieces: undefined,
    log: after.log && [],
    underway: after.underway && [],
  });
  await builds.update({ body: head, version }, { where: { id }, transaction });

  const was = new Map(before.build.pieces.map((piece, position) => [piece.id, { piece, position }]));
  const pieceVersions = new Map<string, number>();
  for (const [position, piece] of after.pieces.entries()) {
    const old = was.get(piece.id);
    was.delete(piece.id);
    const oldVersion = old && before.pieceVersions.get(piece.id);
    if (oldVersion !== undefined) pieceVersions.set(piece.id, oldVersion);
    if (old?.piece === piece && old.position === position) continue;
    const text = pieceText(piece);
    const oldText = old && pieceText(old.piece);
    const changed = oldText?.whole !== text.whole;
    if (!changed && old?.position === position) continue;
    // A piece that changed, or is back, has the version of this change, so that no version ever comes again.
    const pieceVersion = changed ? version : (oldVersion ?? version);
    pieceVersions.set(piece.id, pieceVersion);
    await pieces.upsert(
      { buildId: id, id: piece.id, position, version: pieceVersion, body: text.body },
      { transaction },
    );
    if (!changed || oldText?.steps === text.steps) continue;
    await steps.destroy({ where: { buildId: id, pieceId: piece.id }, transaction });
    await steps.bulkCreate(
      piece.steps.map((step, at) => ({
        buildId: id,
        pieceId: piece.id,
        id: step.id,
        position: at,
        body: JSON.stringify(step),
      })),
      { transaction },
    );
  }
  for (const gone of was.keys()) {
    await steps.destroy({ where: { buildId: id, pieceId: gone }, transaction });
    await pieces.destroy({ where: { buildId: id, id: gone }, transaction });
  }

  for (const [model, old, now] of [
    [log, before.build.log ?? [], after.log ?? []],
    [underway, before.build.underway ?? [], after.underway ?? []],
  ] as const) {
    // Most of a long log is as it was.
    let same = 0;
    while (same < old.length && old[same] === now[same]) same += 1;
    const known = new Map(old.slice(same).map((entry, at) => [entry.id, { entry, position: same + at }]));
    const changed = now.slice(same).flatMap((entry, at) => {
      const [position, body] = [same + at, JSON.stringify(entry)];
      const was = known.get(entry.id);
      known.delete(entry.id);
      return was?.position === position && JSON.stringify(was.entry) === body
        ? []
        : [{ buildId: id, id: entry.id, position, body }];
    });
    const gone = [...known.keys()];
    if (gone.length > 0) await model.destroy({ where: { buildId: id, id: gone }, transaction });
    if (changed.length > 0)
      await model.bulkCreate(changed, { updateOnDuplicate: ['position', 'body'], transaction });
  }
  return { ...before, version, build: after, pieceVersions };
}

function pieceText(piece: Piece): { body: string; steps: string; whole: string } {
  const body = JSON.stringify({ ...piece, steps: undefined });
  const steps = JSON.stringify(piece.steps);
  return { body, steps, whole: `${body} ${steps}` };
}
