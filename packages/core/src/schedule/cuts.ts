import type { EpochMinute } from '../time/wallTime';
import { chainOf, type BoardState } from './boardState';
import { unitKey } from './ground';
import type { PlannedOperation } from './plan';
import { endAt, join, longestWait, startAt, unlink, type Busy } from './timeline';

/** From when on each unit, `piece/unit`, is taken out of the plan. */
export type Cuts = ReadonlyMap<string, EpochMinute>;

/** A stretch that would lose the one before it, whose set-up it shares. */
interface Orphan {
  orphan: Busy;
  /** What is left of those before it, near enough to share the set-up with. */
  adopter: Busy | undefined;
  /** From when hands are free before it, for a set-up of its own. */
  freeFrom: EpochMinute;
}

/** What placing an operation sets. */
const placeOf = ({ status, personId, start, laidAt, end, boundBy, letsDryThrough }: PlannedOperation) => ({
  status,
  personId,
  start,
  laidAt,
  end,
  boundBy,
  letsDryThrough,
});

/** Whether a pass is taken out with these cuts. */
function goes(operation: PlannedOperation, cuts: Cuts): boolean {
  const cut = cuts.get(unitKey(operation));
  return (
    cut !== undefined &&
    (operation.status === 'unplaced' ||
      (operation.status === 'planned' && (operation.laidAt ?? Infinity) >= cut))
  );
}

/**
 * The cuts that have to be made when some are: also on units that wait for what goes, and on those left without a set-up
 * where nothing near is left to share one with and the freed time is too short for one.
 */
export function goAlong(board: BoardState, wanted: Cuts): Cuts {
  const cuts = new Map(wanted);
  const open = [...cuts.keys()];
  const cut = (operation: PlannedOperation) => {
    const key = unitKey(operation);
    const at = operation.laidAt ?? Infinity;
    if (at >= (cuts.get(key) ?? Infinity)) return;
    cuts.set(key, at);
    open.push(key);
  };
  for (let key = open.pop(); key !== undefined; key = open.pop()) {
    for (const { id } of board.ground.byUnit.get(key) ?? []) {
      const operation = board.planned.get(id);
      if (!operation || !goes(operation, cuts)) continue;
      const gap = orphan(board, id, cuts);
      if (gap && !gap.adopter && gap.orphan.start - gap.freeFrom < gap.orphan.operation.setUpMinutes)
        cut(gap.orphan.operation);
      for (const followerKey of board.ground.unitsAfter.get(key) ?? [])
        for (const follower of board.ground.byUnit.get(followerKey)!)
          if (follower.after.includes(id)) cut(board.planned.get(follower.id)!);
    }
  }
  return cuts;
}

/** The stretch that loses the one before it when a pass goes. */
function orphan(board: BoardState, id: string, cuts: Cuts): Orphan | undefined {
  const stretch = board.where.get(id)?.stretch;
  const orphan = stretch?.joinedBy;
  if (!stretch || !orphan || goes(orphan.operation, cuts)) return undefined;
  let first = stretch;
  while (first.joined && goes(first.joined.operation, cuts)) first = first.joined;
  const kept = first.joined;
  const isNear = kept && orphan.start - kept.operation.laidAt! <= longestWait(orphan.operation);
  return {
    orphan,
    adopter: isNear ? kept : undefined,
    freeFrom: kept ? kept.operation.laidAt! + kept.operation.cleanUpMinutes : first.start,
  };
}

/** What some cuts take out, `goAlong` asked before. */
export function cutOut(board: BoardState, cuts: Cuts): PlannedOperation[] {
  return [...cuts.keys()].flatMap((key) =>
    board.ground.byUnit.get(key)!.flatMap(({ id }) => {
      const operation = board.planned.get(id);
      return operation && goes(operation, cuts) ? [operation] : [];
    }),
  );
}

/**
 * Takes what is planned on some units from a moment on out of the plan; `cuts` has to hold all that `goAlong` names. What
 * shared a set-up with it shares that of what is left near before it, or gets its own. Returns how to put everything back as it was, whatever was placed since.
 */
export function takeOut(board: BoardState, cuts: Cuts): () => void {
  const operations = cutOut(board, cuts);
  const gone = new Set(operations);
  const standings = [...cuts.keys()].map((key) => [key, board.standingOf(key)] as const);
  const taken = operations.map((operation) => ({
    operation,
    fields: placeOf(operation),
    at: board.where.get(operation.id),
  }));
  const orphans = operations.flatMap(({ id }) => orphan(board, id, cuts) ?? []);
  const tails = operations.flatMap(({ id }) => {
    const kept = board.where.get(id)?.stretch.joined;
    return kept && !gone.has(kept.operation) ? [kept] : [];
  });
  const wasTails = tails.map((kept) => ({ kept, end: kept.end, joinedBy: kept.joinedBy }));
  const wasOrphans = orphans.map(({ orphan }) => ({
    orphan,
    start: orphan.start,
    mixes: chainOf(orphan).map((one) => [one, one.mixedAt] as const),
    joined: orphan.joined,
  }));

  for (const { operation, at } of taken) {
    at?.line.remove(at.stretch);
    forget(board, operation);
  }
  for (const kept of tails) {
    kept.joinedBy = undefined;
    endAt(kept, kept.operation.laidAt! + kept.operation.cleanUpMinutes);
  }
  for (const { orphan, adopter } of orphans) {
    if (adopter) {
      join(adopter, orphan);
      continue;
    }
    const mixedAt = orphan.start;
    orphan.joined = undefined;
    startAt(orphan, orphan.start - orphan.operation.setUpMinutes);
    for (const one of chainOf(orphan)) one.mixedAt = mixedAt;
  }
  for (const key of cuts.keys()) standAsKept(board, key);

  return () => {
    for (const operation of operations) {
      const now = board.where.get(operation.id);
      if (!now) continue;
      now.line.remove(now.stretch);
      unlink(now.stretch);
    }
    for (const { orphan, start, mixes, joined } of wasOrphans) {
      orphan.joined = joined;
      startAt(orphan, start);
      for (const [one, mixedAt] of mixes) one.mixedAt = mixedAt;
    }
    for (const { kept, end, joinedBy } of wasTails) {
      kept.joinedBy = joinedBy;
      endAt(kept, end);
    }
    for (const { operation, fields, at } of taken) {
      Object.assign(operation, fields);
      board.placed.add(operation.id);
      if (at) {
        at.line.add(at.stretch);
        board.where.set(operation.id, at);
      } else board.where.delete(operation.id);
    }
    for (const [key, standing] of standings) board.standAgain(key, standing);
  };
}

/** Stands a unit as what is still planned on it leaves it. */
function standAsKept(board: BoardState, key: string): void {
  const before = board.before.get(key)!;
  board.standAgain(key, { ...before, state: before.state.clone() });
  const kept = board.ground.byUnit.get(key)!.flatMap(({ id }) => {
    const operation = board.planned.get(id);
    return operation?.status === 'planned' && operation.laidAt !== undefined ? [operation] : [];
  });
  for (const operation of kept.sort((a, b) => a.laidAt! - b.laidAt!)) {
    board.lastOn.set(key, Math.max(operation.laidAt!, board.lastOn.get(key) ?? -Infinity));
    board.lay(operation, operation.laidAt!);
  }
}

function forget(board: BoardState, operation: PlannedOperation): void {
  operation.status = 'planned';
  operation.personId = undefined;
  operation.start = undefined;
  operation.laidAt = undefined;
  operation.end = undefined;
  operation.boundBy = undefined;
  operation.letsDryThrough = false;
  board.placed.delete(operation.id);
  board.where.delete(operation.id);
}
