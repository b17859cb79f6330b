import type { EpochMinute } from '../../model/wallTime';
import type { Binding, PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import { longestWait, rinseBetween, type Busy, type Timeline } from '../state/timeline';
import { allowedFrom } from './allowed';
import { gate } from './gates';

/** Where an operation could go. */
export interface Fit {
  start: EpochMinute;
  laidAt: EpochMinute;
  line: Timeline | undefined;
  boundBy: Binding | 'choice';
  /** The stretch whose set-up it shares. */
  joins: Busy | undefined;
  /** When the work of its batch began. */
  mixedAt: EpochMinute;
}

/**
 * The first start right behind a pass of the same batch, before `latest`: one that is planned or under way, or that was logged a
 * moment ago. Undefined where there is none.
 * @param behind minutes that have to be free behind its work as well, for the rest of its tray
 */
export function joiningFit(
  draft: DraftState,
  operation: PlannedOperation,
  from: EpochMinute,
  line: Timeline,
  latest: EpochMinute,
  behind = 0,
): Fit | undefined {
  const { workMinutes, cleanUpMinutes, batchKey, rinseKey, material } = operation;
  const total = workMinutes + behind + cleanUpMinutes;
  const wait = longestWait(operation);
  const potLife = material?.potLife ?? Infinity;
  const fit = (start: EpochMinute, rinse: number, mixedAt: EpochMinute, joins?: Busy): Fit | undefined => {
    const begins = start + rinse;
    // What was mixed for the batch has to be laid before it sets; else it is mixed anew.
    if (begins + workMinutes - mixedAt > potLife) return undefined;
    const opened = gate(operation, draft.unitOf(operation), begins, operation.letsDryThrough);
    if (opened !== begins || allowedFrom(draft, operation, line, start, rinse).start !== start)
      return undefined;
    return { start, laidAt: begins + workMinutes, line, boundBy: 'hands', joins, mixedAt };
  };
  const ready = draft.ready.get(batchKey);
  if (ready && ready.personId === line.id) {
    const { laidAt, mixedAt } = ready;
    const start = Math.max(from, laidAt);
    const isNear = start <= laidAt + wait && start + workMinutes <= latest;
    // Since that pass nothing else was begun, or the things would have been put away.
    if (isNear && line.isFree(draft.now, start - draft.now + total)) {
      const gone = fit(start, 0, mixedAt);
      if (gone) return gone;
    }
  }
  // What lies below may let it begin a little later only, while the things still lie ready.
  const opens = gate(operation, draft.unitOf(operation), from, operation.letsDryThrough);
  if (opens === Infinity) return undefined;
  for (const stretch of line.withKey(rinseKey, opens - wait)) {
    const { laidAt, status } = stretch.operation;
    if (laidAt === undefined || (status !== 'planned' && status !== 'underway')) continue;
    const rinse = rinseBetween(stretch.operation, operation);
    const start = Math.max(opens - rinse, laidAt);
    if (start + workMinutes > latest) return undefined;
    if (start > laidAt + wait) continue;
    // Nobody rinses to and fro between passes of one colour.
    if (rinse > 0 && (stretch.joinedBy || start + rinse + workMinutes > latest)) continue;
    // Between two that share a set-up it needs no cleaning up of its own; else the hands are free from the pass it joins on, as
    // nobody does anything else with the things lying ready.
    const next = stretch.joinedBy;
    const isTaken = next
      ? start + workMinutes + behind > next.start
      : !line.isFree(laidAt, start - laidAt + rinse + total, (other) => other === stretch);
    if (isTaken) continue;
    const joined = fit(start, rinse, rinse > 0 ? start + rinse : (stretch.mixedAt ?? start), stretch);
    if (joined) return joined;
  }
  return undefined;
}
