import { spreadOf } from '../drying/spread';
import type { Plan } from '../schedule/answers/plan';
import { sayWait, type EpochMinute } from '../model/wallTime';
import type { Severity } from './finding';

/** How much too soon something was done to a coat. */
export interface Earliness {
  byMinutes: number;
  /** What it had to wait in all. */
  ofMinutes: number;
  /** Label times are no surer than this: nobody could tell the difference. */
  isWithinSpread: boolean;
}

/**
 * How early something was begun on a coat.
 * @param laidAt when the coat was laid
 * @param allowedAt when it would have allowed it; Infinity for never
 */
export function earliness(
  plan: Pick<Plan, 'measured'>,
  materialId: string,
  laidAt: EpochMinute,
  begunAt: EpochMinute,
  allowedAt: EpochMinute,
): Earliness {
  const isConfirmed = plan.measured.some((one) => one.materialId === materialId && one.confirmed);
  const ofMinutes = allowedAt - laidAt;
  return {
    byMinutes: allowedAt - begunAt,
    ofMinutes,
    isWithinSpread: begunAt - laidAt >= ofMinutes * Math.exp(-spreadOf(isConfirmed)),
  };
}

/** What is early by less than anybody could tell is worth a note, and no more. */
export const severityOf = (early: Earliness, otherwise: Severity): Severity =>
  early.isWithinSpread ? 'note' : otherwise;

/** "5 min too early: it needs 35 min": how much of the wait was missing. */
export const earlyWords = ({ byMinutes, ofMinutes }: Earliness): string =>
  `${sayWait(Math.max(1, Math.round(byMinutes)))} too early: it needs ${sayWait(ofMinutes)}`;

/** What a note on something a little early says in place of what would be wrong otherwise. */
export const withinSpreadReason =
  'Label times are no surer than that. Look for prints or wrinkles, and go on if there are none.';
