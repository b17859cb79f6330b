import { type EpochMinute } from '../../model/wallTime';
import type { Plan } from '../../schedule/answers/plan';

const A_YEAR_MINUTES = 365 * 1440;

export const readyAt = (plan: Plan, pieceId: string): EpochMinute => {
  const piece = plan.pieces.find((one) => one.pieceId === pieceId);
  if (piece?.packableAt === undefined || piece.wearableAt === undefined) return plan.now + A_YEAR_MINUTES;
  return Math.min(Math.max(piece.packableAt, piece.wearableAt), plan.now + A_YEAR_MINUTES);
};

export const readySum = (plan: Plan, ids: readonly string[]): number =>
  ids.reduce((sum, id) => sum + readyAt(plan, id), 0);

export const lateMinutes = (plan: Plan, ids: readonly string[]): number =>
  ids.reduce((sum, id) => {
    const piece = plan.pieces.find((one) => one.pieceId === id);
    if (!piece) return sum;
    if (piece.readiness === 'stuck') return sum + A_YEAR_MINUTES;
    return sum + Math.max(0, -(piece.slackMinutes ?? 0));
  }, 0);

export const handsOn = (plan: Plan): number =>
  plan.operations.reduce(
    (sum, one) =>
      sum +
      (one.status === 'planned' && one.end !== undefined && one.start !== undefined
        ? one.end - one.start
        : 0),
    0,
  );
