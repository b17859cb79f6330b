import { freshUntil, freshWorkOn } from '../../facts/freshWork';
import type { EpochMinute } from '../../model/wallTime';
import { isPlaced, workBegins, type PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';

/** What has to be done to a coat before it has dried too far, and to that in turn. */
export function followersOf(draft: DraftState, operation: PlannedOperation): PlannedOperation[] {
  const next = draft.planned.get(draft.workload.soonAfter.get(operation.id) ?? '');
  return next ? [next, ...followersOf(draft, next)] : [];
}

/** Whether a pass has its place, and by then what it is done to is still fresh. */
export function isInTime(draft: DraftState, operation: PlannedOperation): boolean {
  if (!isPlaced(operation)) return false;
  const begins = workBegins(operation);
  const unit = draft.unitOf(operation);
  return operation.cells.every((cell) => {
    const coats = unit.cells.get(cell)?.map(({ material }) => material) ?? [];
    const work = freshWorkOn(operation, coats);
    const until = work && unit.top(cell)?.milestones[freshUntil[work]];
    return until === undefined || begins <= Math.ceil(until);
  });
}

/** The beginning of the next session of anybody after the one a pass is in. */
export function sessionAfter(draft: DraftState, operation: PlannedOperation): EpochMinute {
  const start = operation.start ?? draft.now;
  return draft.hands.reduce((soonest, { calendar }) => {
    const from = calendar.windowAt(start)?.to ?? start;
    const next = calendar.windowFrom(from + 1)?.from ?? Infinity;
    return next > start ? Math.min(soonest, next) : soonest;
  }, Infinity);
}
