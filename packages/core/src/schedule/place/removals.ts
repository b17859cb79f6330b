import type { EpochMinute } from '../../model/wallTime';
import { chainOf, type DraftState } from '../state/draftState';
import { unitKey } from '../plan/workload';
import { isPlaced, workBegins, type PlannedOperation } from '../plan/plan';
import {
  endAt,
  join,
  laidAtOf,
  longestWait,
  rinseBetween,
  startAt,
  unlink,
  type Busy,
} from '../state/timeline';
import { entryOf } from '../../model/sure';

/** From when on each unit, `piece/unit`, is taken out of the plan. */
export type Removals = ReadonlyMap<string, EpochMinute>;

/** A stretch that would lose the one before it, whose set-up it shares. */
interface Orphan {
  orphan: Busy;
  /** What is left of those before it, near enough to share the set-up with. */
  adopter: Busy | undefined;
  /** From when hands are free before it, for a set-up of its own. */
  freeFrom: EpochMinute;
}

/** What placing an operation sets. */
const placeOf = ({
  status,
  personId,
  start,
  laidAt,
  end,
  boundBy,
  opensAt,
  letsDryThrough,
}: PlannedOperation) => ({
  status,
  personId,
  start,
  laidAt,
  end,
  boundBy,
  opensAt,
  letsDryThrough,
});

/** Whether a pass is taken out with these removals. */
function goes(operation: PlannedOperation, removals: Removals): boolean {
  const cut = removals.get(unitKey(operation));
  return (
    cut !== undefined &&
    (operation.status === 'unplaced' ||
      (operation.status === 'planned' && (operation.laidAt ?? Infinity) >= cut))
  );
}

/**
 * The removals that have to be made when some are: also on units that wait for what goes, and on those left without a set-up
 * where nothing near is left to share one with and the freed time is too short for one.
 */
export function goAlong(draft: DraftState, wanted: Removals): Removals {
  const removals = new Map(wanted);
  const open = [...removals.keys()];
  const cut = (operation: PlannedOperation) => {
    const key = unitKey(operation);
    const at = operation.laidAt ?? Infinity;
    if (at >= (removals.get(key) ?? Infinity)) return;
    removals.set(key, at);
    open.push(key);
  };
  for (let key = open.pop(); key !== undefined; key = open.pop()) {
    for (const { id } of draft.workload.byUnit.get(key) ?? []) {
      const operation = draft.planned.get(id);
      if (!operation || !goes(operation, removals)) continue;
      const gap = orphan(draft, id, (one) => goes(one, removals));
      if (
        gap &&
        !gap.adopter &&
        workBegins(gap.orphan.operation) - gap.freeFrom < gap.orphan.operation.setUpMinutes
      )
        cut(gap.orphan.operation);
      for (const followerKey of draft.workload.unitsAfter.get(key) ?? [])
        for (const follower of entryOf(draft.workload.byUnit, followerKey))
          if (follower.after.includes(id)) cut(entryOf(draft.planned, follower.id));
    }
  }
  return removals;
}

/** The stretch that loses the one before it when a pass goes. */
function orphan(
  draft: DraftState,
  id: string,
  isGoing: (operation: PlannedOperation) => boolean,
): Orphan | undefined {
  const stretch = draft.where.get(id)?.stretch;
  const orphan = stretch?.joinedBy;
  if (!stretch || !orphan || isGoing(orphan.operation)) return undefined;
  let first = stretch;
  while (first.joined && isGoing(first.joined.operation)) first = first.joined;
  const kept = first.joined;
  const start = kept ? workBegins(orphan.operation) - rinseBetween(kept.operation, orphan.operation) : 0;
  const isNear = kept && start >= laidAtOf(kept) && start - laidAtOf(kept) <= longestWait(orphan.operation);
  return {
    orphan,
    adopter: isNear ? kept : undefined,
    freeFrom: kept ? laidAtOf(kept) + kept.operation.cleanUpMinutes : first.start,
  };
}

/** What some removals take out, `goAlong` asked before. */
export function removed(draft: DraftState, removals: Removals): PlannedOperation[] {
  return [...removals.keys()].flatMap((key) =>
    entryOf(draft.workload.byUnit, key).flatMap(({ id }) => {
      const operation = draft.planned.get(id);
      return operation && goes(operation, removals) ? [operation] : [];
    }),
  );
}

/**
 * Takes what is planned on some units from a moment on out of the plan; `removals` has to hold all that `goAlong` names. What
 * shared a set-up with it shares that of what is left near before it, or gets its own. Returns how to put everything back as it was, whatever was placed since.
 */
export function takeOut(draft: DraftState, removals: Removals): () => void {
  return takeOutPasses(draft, removed(draft, removals), [...removals.keys()]);
}

/**
 * Takes just these passes out of the plan, as `takeOut` does; nothing may wait for them or lie on them. What else was given up on their units
 * stays given up.
 * @param keys the units they are on, and any others that are to stand again as what is left on them leaves them
 */
export function takeOutPasses(
  draft: DraftState,
  operations: readonly PlannedOperation[],
  keys: readonly string[] = [...new Set(operations.map(unitKey))],
): () => void {
  const gone = new Set(operations);
  const standings = keys.map((key) => [key, draft.standingOf(key)] as const);
  const taken = operations.map((operation) => ({
    operation,
    fields: placeOf(operation),
    at: draft.where.get(operation.id),
  }));
  const orphans = operations.flatMap(({ id }) => orphan(draft, id, (one) => gone.has(one)) ?? []);
  const tails = operations.flatMap(({ id }) => {
    const kept = draft.where.get(id)?.stretch.joined;
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
    forget(draft, operation);
  }
  for (const kept of tails) {
    kept.joinedBy = undefined;
    endAt(kept, laidAtOf(kept) + kept.operation.cleanUpMinutes);
  }
  for (const { orphan, adopter } of orphans) {
    const begins = workBegins(orphan.operation);
    if (adopter) {
      startAt(orphan, begins - rinseBetween(adopter.operation, orphan.operation));
      join(adopter, orphan);
      if (adopter.operation.batchKey === orphan.operation.batchKey) continue;
    } else {
      orphan.joined = undefined;
      startAt(orphan, begins - orphan.operation.setUpMinutes);
    }
    for (const one of chainOf(orphan)) {
      // The next colour was mixed for itself.
      if (one.operation.batchKey !== orphan.operation.batchKey) break;
      one.mixedAt = begins;
    }
  }
  for (const key of keys) standAsKept(draft, key);

  return () => {
    for (const operation of operations) {
      const now = draft.where.get(operation.id);
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
      draft.placed.add(operation.id);
      if (at) {
        at.line.add(at.stretch);
        draft.where.set(operation.id, at);
      } else draft.where.delete(operation.id);
    }
    for (const [key, standing] of standings) draft.standAgain(key, standing);
  };
}

/** Stands a unit as what is still planned on it leaves it. */
function standAsKept(draft: DraftState, key: string): void {
  const before = entryOf(draft.before, key);
  draft.standAgain(key, { ...before, state: before.state.clone() });
  const kept = entryOf(draft.workload.byUnit, key).flatMap(({ id }) => {
    const operation = draft.planned.get(id);
    return operation?.status === 'planned' && isPlaced(operation) ? [operation] : [];
  });
  for (const operation of kept.sort((a, b) => a.laidAt - b.laidAt)) {
    draft.lastOn.set(
      key,
      Math.max(operation.laidAt + operation.restMinutes, draft.lastOn.get(key) ?? -Infinity),
    );
    draft.lay(operation, operation.laidAt);
  }
}

function forget(draft: DraftState, operation: PlannedOperation): void {
  operation.status = 'planned';
  operation.personId = undefined;
  operation.start = undefined;
  operation.laidAt = undefined;
  operation.end = undefined;
  operation.boundBy = undefined;
  operation.opensAt = undefined;
  operation.letsDryThrough = false;
  draft.placed.delete(operation.id);
  draft.where.delete(operation.id);
}
