import type { Build, Piece } from '../../model/schema';
import { isAtPacking } from '../../model/lookOvers';
import { epochMinute, MINUTES_PER_DAY, toEpochMinute, type EpochMinute } from '../../model/wallTime';
import type { PiecePlan, PlannedOperation, Readiness } from '../plan/plan';
import type { UnitState } from './unitState';

/** Less to spare than this counts as tight: one day, so one lost evening. */
const TIGHT_MINUTES = MINUTES_PER_DAY;

/** The units, `piece/unit`, of a piece and of all that is joined to it. */
function unitsOfWhole(build: Build, piece: Piece): string[] {
  const whole = new Set([piece]);
  for (const one of whole)
    for (const id of one.steps.flatMap((step) => step.parts ?? [])) {
      const part = build.pieces.find((other) => other.id === id);
      if (part) whole.add(part);
    }
  return [...whole].flatMap(({ id, quantity }) =>
    Array.from({ length: quantity }, (_, n) => `${id}/${n + 1}`),
  );
}

/**
 * When a piece is packable and wearable, with all that is joined to it, and how that stands against its dates. `latestStartAt` is left for the caller,
 * who can plan the piece again.
 */
export function pieceReadiness(
  build: Build,
  piece: Piece,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: EpochMinute,
): PiecePlan {
  const event = build.events.find((candidate) => candidate.id === piece.event);
  const wearDueAt = event && epochMinute(event.wearAt, build.timeZone);
  const packDueAt = event?.packAt === undefined ? undefined : epochMinute(event.packAt, build.timeZone);
  const stuck = operations.some((operation) => operation.status === 'unplaced');
  let finishedAt: EpochMinute | undefined;
  let packableAt: EpochMinute | undefined;
  let wearableAt: EpochMinute | undefined;
  if (!stuck && operations.length > 0) {
    const work = operations.filter((operation) => !isAtPacking(operation));
    const last = work.length > 0 ? work : operations;
    const packedAt =
      (piece.packedAt === undefined ? undefined : toEpochMinute(piece.packedAt, build.timeZone)) ?? -Infinity;
    const laid = last.flatMap((operation) => operation.laidAt ?? []);
    // Packed with nothing done on it, it is finished when it was packed.
    finishedAt = laid.length > 0 ? Math.max(...laid) : packedAt;
    packableAt = finishedAt;
    wearableAt = finishedAt;
    for (const key of unitsOfWhole(build, piece)) {
      const state = units.get(key);
      if (!state) continue;
      packableAt = Math.max(packableAt, Math.ceil(state.latest(state.cells.keys(), (stack) => stack.packAt)));
      wearableAt = Math.max(wearableAt, Math.ceil(state.latest(state.cells.keys(), (stack) => stack.wearAt)));
    }
  }
  const slacks = [
    packDueAt === undefined || packableAt === undefined ? [] : packDueAt - packableAt,
    wearDueAt === undefined || wearableAt === undefined ? [] : wearDueAt - wearableAt,
  ].flat();
  const slackMinutes = slacks.length > 0 ? Math.min(...slacks) : undefined;
  const open = operations.some(
    (operation) => operation.status === 'planned' || operation.status === 'underway',
  );
  const readiness = ((): Readiness => {
    if (operations.length === 0) return 'no-steps';
    if (stuck || packableAt === Infinity || wearableAt === Infinity) return 'stuck';
    if (slackMinutes !== undefined && slackMinutes < 0) return 'late';
    if (
      !open &&
      packableAt !== undefined &&
      packableAt <= now &&
      wearableAt !== undefined &&
      wearableAt <= now
    )
      return 'ready';
    if (slackMinutes === undefined) return 'undated';
    return slackMinutes < TIGHT_MINUTES ? 'tight' : 'on-time';
  })();
  const count = (status: PlannedOperation['status']) =>
    operations.filter((operation) => operation.status === status).length;
  return {
    pieceId: piece.id,
    readiness,
    finishedAt,
    packableAt,
    wearableAt,
    packDueAt,
    wearDueAt,
    slackMinutes,
    latestStartAt: undefined,
    doneCount: count('done'),
    totalCount: operations.length - count('skipped'),
  };
}
