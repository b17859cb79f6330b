import { workdayBegan, type EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { Promised } from '../search/warmStart';

/** What was planned for days that are over and is still to do. */
export interface MissedWork {
  /** The midnights at which the missed days began, in order. */
  days: EpochMinute[];
  /** Whether something else was done on one of them. */
  someDone: boolean;
  /** Passes that were to be done on them. */
  passes: number;
  /** The pieces they belong to. */
  pieceIds: string[];
}

/**
 * The days a plan was made for that went by without its work: those before the present one on which passes were to begin that are still
 * to do. Undefined where none did.
 * @param promised when each pass was to begin, as it was first said since the build was changed last
 */
export function missedWork(
  promised: Promised | undefined,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
  timeZone: string,
): MissedWork | undefined {
  const today = workdayBegan(now, timeZone);
  const days = new Set<EpochMinute>();
  const pieceIds = new Set<string>();
  let passes = 0;
  for (const { id, pieceId, status } of operations) {
    const at = status === 'planned' || status === 'unplaced' ? promised?.at.get(id) : undefined;
    if (at === undefined) continue;
    const day = workdayBegan(at, timeZone);
    if (day >= today) continue;
    days.add(day);
    pieceIds.add(pieceId);
    passes += 1;
  }
  if (passes === 0) return undefined;
  const someDone = operations.some(
    ({ status, laidAt }) =>
      status === 'done' && laidAt !== undefined && days.has(workdayBegan(laidAt, timeZone)),
  );
  return { days: [...days].sort((a, b) => a - b), someDone, passes, pieceIds: [...pieceIds] };
}
