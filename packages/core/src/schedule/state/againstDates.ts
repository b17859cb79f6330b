import type { EpochMinute } from '../../model/wallTime';
import type { PiecePlan } from '../plan/plan';

/** What comes late is told to the quarter of an hour: less is nobody's business, and must not cost an evening. */
const TOLD_TO_MINUTES = 15;

/** Minutes, up to the next quarter of an hour. */
export const toQuarter = (minutes: number): number => Math.ceil(minutes / TOLD_TO_MINUTES) * TOLD_TO_MINUTES;

/** When a piece is ready, and by when it has to be. */
export type PieceDates = Pick<PiecePlan, 'packableAt' | 'wearableAt' | 'packDueAt' | 'wearDueAt'>;

/**
 * By how much a piece misses its dates, minutes: as it is planned, and for other moments of being packable and wearable. Undefined for one
 * without a date, or that is never ready.
 */
export function againstDates({
  packableAt,
  wearableAt,
  packDueAt,
  wearDueAt,
}: PieceDates): { late: number; over: (packAt: EpochMinute, wearAt: EpochMinute) => number } | undefined {
  if (packDueAt === undefined && wearDueAt === undefined) return undefined;
  if (packableAt === undefined || wearableAt === undefined) return undefined;
  if (!Number.isFinite(packableAt) || !Number.isFinite(wearableAt)) return undefined;
  const over = (packAt: EpochMinute, wearAt: EpochMinute) =>
    Math.max(0, packAt - (packDueAt ?? Infinity), wearAt - (wearDueAt ?? Infinity));
  return { late: over(packableAt, wearableAt), over };
}
