import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';

/** How many sessions and set-ups a plan takes, and what no plan can do without. */
export interface Effort {
  planned: number;
  atLeast: number;
}

const A_YEAR_MINUTES = 365 * MINUTES_PER_DAY;

/**
 * The fewest sessions and set-ups that any plan needs for the open work: as many of the longest free times of everybody as hold its
 * bare minutes, and a set-up for each kind of thing that has one and does not lie ready from a moment ago. Waits, the air, the
 * rack and dates are left out, all of which can only cost more.
 */
export function fewestSessionsAndSetUps(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): number {
  const open = operations.filter(({ status }) => status === 'planned' || status === 'unplaced');
  if (open.length === 0) return 0;
  const minutes = open.reduce((sum, operation) => sum + operation.workMinutes, 0);
  const longest = workload.people
    .flatMap(({ calendar }) => calendar.between(now, now + A_YEAR_MINUTES))
    .map(({ from, to }) => to - from)
    .sort((a, b) => b - a);
  let sessions = 0;
  for (let held = 0; held < minutes && sessions < longest.length; sessions += 1)
    held += longest[sessions] ?? 0;
  // What was done with a thing may lie ready still, so that it needs no other set-up.
  const ready = new Set(
    operations.flatMap(({ status, rinseKey }) =>
      status === 'done' || status === 'underway' ? [rinseKey] : [],
    ),
  );
  const things = new Set(
    open.flatMap(({ setUpMinutes, rinseKey }) =>
      setUpMinutes > 0 && !ready.has(rinseKey) ? [rinseKey] : [],
    ),
  );
  return Math.max(1, sessions) + things.size;
}
