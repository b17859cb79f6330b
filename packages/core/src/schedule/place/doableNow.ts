import type { EpochMinute } from '../../model/wallTime';
import { Draft } from './draft';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';
import { entryOf } from '../../model/sure';

/**
 * Planned passes that could be done at this very moment: all that goes before is done, and the planner's own gates let it: what
 * lies below, the hours of the place, quiet hours, the rack and the air. In the order the plan has them. Whoever has half
 * an hour to spare picks from these.
 */
export function doableNow(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): string[] {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const isDone = (id: string) => {
    const status = byId.get(id)?.status;
    return status === undefined || status === 'done' || status === 'skipped';
  };
  const open = operations.filter(({ status, after }) => status === 'planned' && after.every(isDone));
  if (open.length === 0 || now < workload.startAt) return [];
  // What is planned to happen later must not count, so it is asked of what has really happened.
  const draft = new Draft(workload, { now });
  draft.replay();
  return open
    .filter(({ id, letsDryThrough }) => draft.canBegin(entryOf(draft.planned, id), now, letsDryThrough))
    .sort((a, b) => (a.start ?? Infinity) - (b.start ?? Infinity))
    .map((operation) => operation.id);
}
