import { sayMl } from '../../model/sayMeasure';
import type { Piece, Step } from '../../model/schema';
import { passMl } from '../../quantity/amounts';
import type { PlannedOperation } from '../../schedule/plan/plan';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import type { Plan } from '../../schedule/answers/plan';
import { orderedSteps } from '../../facts/spots';

const MOST_MIXES = 20;

/** R36: what is mixed at once has to be laid within the pot life, or the rest sets in the cup. */
export const r36MixTooLarge: Rule = {
  id: 'R36',
  severity: 'risk',
  title: 'More mixed at once than can be laid in time',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (material?.potLife === undefined) return [];
      const largest = lotsOf(piece, step, context.plan)
        .map((passes) => ({
          minutes: passes.reduce((sum, pass) => sum + pass.workMinutes, 0),
          ml: passes.reduce((sum, pass) => sum + passMl(pass), 0),
        }))
        .sort((a, b) => b.minutes - a.minutes)[0];
      const mixes = step.mixes ?? 1;
      if (!largest || largest.minutes / mixes <= material.potLife) return [];
      const needed = Math.min(MOST_MIXES, Math.ceil(largest.minutes / material.potLife));
      return [
        {
          rule: 'R36',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          message: `Laying ${sayMl(largest.ml / mixes)} takes ${Math.round(largest.minutes / mixes)} min, and ${material.name} sets in the cup after ${material.potLife}: mix smaller lots.`,
          reason:
            'A mixed two-part material thickens well before its pot life ends, and faster in a full cup.',
          ideas: [ways.set(`Mix it in ${needed} lots`, piece, context, at, { mixes: needed })],
        },
      ];
    });
  },
};

/** The passes of a step that the plan does out of one cup: those of one batch. */
function lotsOf(piece: Piece, step: Step, plan: Plan): PlannedOperation[][] {
  const own = new Map(
    plan.operations
      .filter((pass) => pass.pieceId === piece.id && pass.stepId === step.id)
      .map((pass) => [pass.id, pass]),
  );
  return plan.sessions
    .flatMap((session) => session.batches)
    .map((batch) => batch.operationIds.flatMap((id) => own.get(id) ?? []))
    .filter((passes) => passes.length > 0);
}
