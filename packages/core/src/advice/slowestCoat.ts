import type { CoatMilestones } from '../drying/laidCoat';
import { surfaceFrom } from '../drying/surface';
import type { Material } from '../model/materialSchema';
import type { Piece } from '../model/schema';
import { BOND_CELL } from '../model/stepSpots';
import { entryOf, nth } from '../model/sure';
import { sayMomentFrom } from '../model/sayMoment';
import { type EpochMinute } from '../model/wallTime';
import type { Plan } from '../schedule/answers/plan';

/** The coat of a piece that takes longest to some state. */
export interface SlowestCoat {
  stepId: string;
  materialId: string;
  name: string;
  at: EpochMinute;
}

/**
 * Of the coats that lie on any unit of a piece by some moment, the one that is last to reach a state; glue left out. What is laid
 * later than that is a matter of being late, and told as that.
 * @param pick when a coat reaches it; `isSurface` says whether it is part of the surface by then. Minus infinity leaves a coat out
 */
export function slowestCoat(
  piece: Piece,
  plan: Plan,
  laidBy: EpochMinute,
  pick: (coat: CoatMilestones, isSurface: boolean, material: Material) => EpochMinute,
): SlowestCoat | undefined {
  const stepOf = new Map(plan.operations.map((operation) => [operation.id, operation.stepId]));
  let slowest: SlowestCoat | undefined;
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    for (const [cell, coats, stack] of plan.units.get(`${piece.id}/${unit}`)?.stacks() ?? []) {
      if (cell === BOND_CELL) continue;
      const count = coats.filter((coat) => coat.laidAt <= laidBy).length;
      const there = coats.slice(0, count);
      const surface = surfaceFrom(there);
      there.forEach((coat, n) => {
        const at = pick(nth(stack.coats, n), n >= surface, coat.material);
        if (at <= (slowest?.at ?? -Infinity)) return;
        const stepId = entryOf(stepOf, coat.operationId);
        slowest = { stepId, materialId: coat.material.id, name: coat.material.name, at };
      });
    }
  }
  return slowest;
}

/** "until Sun 7 Mar, 08:31", with its year where that is not the one of `from`, or that it can't be told. */
export const untilWords = ({ at }: SlowestCoat, from: EpochMinute, timeZone: string): string =>
  Number.isFinite(at) ? `until ${sayMomentFrom(Math.ceil(at), from, timeZone)}` : 'with no end in this air';
