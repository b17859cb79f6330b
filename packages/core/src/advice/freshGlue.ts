import type { Piece } from '../model/schema';
import type { Plan } from '../schedule/answers/plan';

/** Contact cement has most of its strength, and has lost its solvent, after a day. */
export const SETS_MINUTES = 24 * 60;

/** How old the glue of one step is when another begins, minutes, unit by unit. */
export function glueLaidAt(piece: Piece, plan: Plan, glueStep: string, nextStep: string): number[] {
  const own = plan.operations.filter(({ pieceId }) => pieceId === piece.id);
  return own
    .filter(({ stepId, coat }) => stepId === nextStep && coat === 1)
    .flatMap((next) => {
      const { unit, laidAt } = next;
      const laid = own.flatMap((one) =>
        one.stepId === glueStep && one.unit === unit && one.laidAt !== undefined ? [one.laidAt] : [],
      );
      return laidAt === undefined || laid.length === 0 ? [] : [laidAt - next.workMinutes - Math.max(...laid)];
    });
}
