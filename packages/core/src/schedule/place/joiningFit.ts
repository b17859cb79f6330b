import type { EpochMinute } from '../../model/wallTime';
import type { Binding, PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import { longestWait, type Busy, type Timeline } from '../state/timeline';
import { allowedFrom } from './allowed';
import { gate } from './gates';

/** Where an operation could go. */
export interface Fit {
  start: EpochMinute;
  laidAt: EpochMinute;
  line: Timeline | undefined;
  boundBy: Binding | 'choice';
  /** The stretch whose set-up and clean-up it shares. */
  joins: Busy | undefined;
}

/** The first start right behind a pass of the same batch, before `latest`; undefined where there is none. */
export function joiningFit(
  draft: DraftState,
  operation: PlannedOperation,
  from: EpochMinute,
  line: Timeline,
  latest: EpochMinute,
): Fit | undefined {
  const { workMinutes, cleanUpMinutes, batchKey } = operation;
  const total = workMinutes + cleanUpMinutes;
  const wait = longestWait(operation);
  for (const stretch of line.withKey(batchKey, from - wait)) {
    const { laidAt, status } = stretch.operation;
    if (laidAt === undefined || status !== 'planned') continue;
    const start = Math.max(from, laidAt);
    if (start + workMinutes > latest) return undefined;
    if (start > laidAt + wait) continue;
    // Between two that share a set-up it needs no cleaning up of its own; else the hands are free from the pass it joins on, as
    // nobody does anything else with the things lying ready.
    const next = stretch.joinedBy;
    const isTaken = next
      ? start + workMinutes > next.start
      : !line.isFree(laidAt, start - laidAt + total, stretch);
    if (isTaken) continue;
    // What was mixed for the batch has to be laid before it sets; else it is mixed anew.
    const { potLife = Infinity } = operation.material ?? {};
    if (start + workMinutes - (stretch.mixedAt ?? start) > potLife) continue;
    const opened = gate(operation, draft.unitOf(operation), start, operation.letsDryThrough);
    if (opened === start && allowedFrom(draft, operation, start, 0).start === start)
      return { start, laidAt: start + workMinutes, line, boundBy: 'hands', joins: stretch };
  }
  return undefined;
}
