import type { Piece, Step } from '../model/schema';
import { meet } from './stepOrder';

/** Where in the list what comes off, such as a resist, is worked off: the first weathering after it that lays nothing where it lies. Infinity for never. */
export function takenOffAt(piece: Piece, resist: { at: number; step: Step }): number {
  const at = piece.steps.findIndex(
    (step, n) =>
      n > resist.at &&
      step.kind === 'weather' &&
      step.material === undefined &&
      meet(piece, step, resist.step),
  );
  return at < 0 ? Infinity : at;
}

/** Whether what comes off is worked off before another step. */
export const isTakenOff = (
  piece: Piece,
  resist: { at: number; step: Step },
  before: { at: number },
): boolean => takenOffAt(piece, resist) < before.at;
