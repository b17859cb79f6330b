import type { Piece } from '../model/schema';
import type { PlannedOperation } from '../schedule/plan/plan';
import type { CellCoat } from '../schedule/state/unitState';
import type { Plan } from '../schedule/answers/plan';
import type { CoatMilestones } from '../drying/laidCoat';
import { entryOf, nth } from '../model/sure';

/** One coat landing on another on one spot, with the milestones of the one below. */
export interface Landing {
  unit: number;
  cell: string;
  over: CellCoat;
  operation: PlannedOperation;
  under: CellCoat;
  below: CoatMilestones;
}

const known = new WeakMap<Plan, Landing[]>();

/** Every coat of a piece that lies, or will lie, on another coat. Found once for the plan of a rule's context. */
export function landingsOf(piece: Piece, plan: Plan): Landing[] {
  let landings = known.get(plan);
  if (!landings) {
    landings = findLandings(piece, plan);
    known.set(plan, landings);
  }
  return landings;
}

function findLandings(piece: Piece, plan: Plan): Landing[] {
  const operations = new Map(plan.operations.map((operation) => [operation.id, operation]));
  const landings: Landing[] = [];
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    const state = plan.units.get(`${piece.id}/${unit}`);
    if (!state) continue;
    for (const [cell, coats, stack] of state.stacks()) {
      coats.forEach((over, at) => {
        const under = coats[at - 1];
        if (under)
          landings.push({
            unit,
            cell,
            over,
            operation: entryOf(operations, over.operationId),
            under,
            below: nth(stack.coats, at - 1),
          });
      });
    }
  }
  return landings;
}

/** "unit 2 of 4", or nothing for a piece there is one of. */
export const unitWords = (piece: Piece, unit: number): string =>
  piece.quantity > 1 ? ` (${unit} of ${piece.quantity})` : '';
