import type { Build, LogEntry, Piece, Step, Underway } from '@fixatum/core';
import type { Transaction } from 'sequelize';
import { notFound } from '../http/problem';
import type { Models } from '../storage/models';

/** A build as it is stored, with the version that counts its changes and those of its pieces. */
export interface StoredBuild {
  id: string;
  version: number;
  build: Build;
  pieceVersions: Map<string, number>;
}

/**
 * Reads a build from its rows: the head, its pieces with their steps, the log and what is under way.
 * @throws Problem when there is none, or it is put aside
 */
export async function readRows(
  { builds, pieces, steps, log, underway }: Models,
  id: string,
  transaction: Transaction | undefined,
): Promise<StoredBuild> {
  const options = { where: { buildId: id }, order: ['position'], transaction: transaction ?? null };
  const head = await builds.findOne({ where: { id, deletedAt: null }, transaction: transaction ?? null });
  if (!head) throw notFound('build');
  const pieceRows = await pieces.findAll(options);
  const stepRows = await steps.findAll(options);
  const logRows = await log.findAll(options);
  const underwayRows = await underway.findAll(options);
  const stepsOf = new Map<string, Step[]>();
  for (const row of stepRows)
    stepsOf.set(row.pieceId, [...(stepsOf.get(row.pieceId) ?? []), dataIn<Step>(row)]);
  const body = dataIn<Build>(head);
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
  };
}

/** What a row holds. It was checked as part of its build before it was written, so it is taken as it stands. */
const dataIn = <T>({ body }: { body: string }): T => JSON.parse(body);

/** Writes the rows in which `after` differs from `before`, and counts the version on. */
export async function writeRows(
  { builds, pieces, steps, log, underway }: Models,
  before: StoredBuild,
  after: Build,
  transaction: Transaction,
): Promise<void> {
  const { id } = before;
  const head = JSON.stringify({
    ...after,
    pieces: undefined,
    log: after.log && [],
    underway: after.underway && [],
  });
  await builds.update({ body: head, version: before.version + 1 }, { where: { id }, transaction });

  const was = new Map(
    before.build.pieces.map((piece, position) => [piece.id, { text: pieceText(piece), position }]),
  );
  for (const [position, piece] of after.pieces.entries()) {
    const old = was.get(piece.id);
    was.delete(piece.id);
    const text = pieceText(piece);
    const changed = old === undefined || old.text.whole !== text.whole;
    if (!changed && old.position === position) continue;
    // A piece that changed, or is back, has the version of this change, so that no version ever comes again.
    const version = changed ? before.version + 1 : (before.pieceVersions.get(piece.id) ?? before.version + 1);
    await pieces.upsert({ buildId: id, id: piece.id, position, version, body: text.body }, { transaction });
    if (!changed || old?.text.steps === text.steps) continue;
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
    const known = new Map(old.map((entry, position) => [entry.id, `${position} ${JSON.stringify(entry)}`]));
    const changed = now
      .map((entry, position) => ({ buildId: id, id: entry.id, position, body: JSON.stringify(entry) }))
      .filter((row) => known.get(row.id) !== `${row.position} ${row.body}`);
    const kept = new Set(now.map((entry) => entry.id));
    const gone = old.map((entry) => entry.id).filter((entryId) => !kept.has(entryId));
    if (gone.length > 0) await model.destroy({ where: { buildId: id, id: gone }, transaction });
    if (changed.length > 0)
      await model.bulkCreate(changed, { updateOnDuplicate: ['position', 'body'], transaction });
  }
}

function pieceText(piece: Piece): { body: string; steps: string; whole: string } {
  const body = JSON.stringify({ ...piece, steps: undefined });
  const steps = JSON.stringify(piece.steps);
  return { body, steps, whole: `${body} ${steps}` };
}
