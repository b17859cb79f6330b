import { orderedSteps } from '../../facts/spots';
import { isHeat } from '../../facts/stepOrder';
import { hazardsOf } from '../../model/hazards';
import { entryOf } from '../../model/sure';
import { workBegins } from '../../schedule/plan/plan';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

const reason =
  'Solvent vapour gathers over a wet coat, and the coil of a heat gun or hair-dryer glows. The label, the safety data sheet and local rules win.';

/** R79: a heat gun, flame or hair-dryer on a solvent coat or cement that is not touch-dry. */
export const r79HeatNearSolvent: Rule = {
  id: 'R79',
  severity: 'stop',
  title: 'Heat on solvent that is still leaving',
  look(piece, context) {
    const { plan, materials } = context;
    const steps = orderedSteps(piece, context);
    const warmed = steps.flatMap(({ step, at, material }): RuleFinding[] =>
      step.air === 'warm' && material?.carrier === 'solvent' && hazardsOf(material).has('organic vapour')
        ? [
            about(this, piece, step, {
              message: `${material.name} gives off vapour that burns: no hair-dryer or heat gun on it. Let it dry by itself, with the air moving.`,
              reason,
              ideas: [ways.set('Let it dry by itself', piece, context, at, { air: 'still' })],
            }),
          ]
        : [],
    );
    const stepOf = new Map(plan.operations.map((operation) => [operation.id, operation.stepId]));
    const heats = new Map(steps.flatMap(({ step, at }) => (isHeat(step) ? [[step.id, { step, at }]] : [])));
    const heated = plan.operations.flatMap((operation): RuleFinding[] => {
      const heat = operation.pieceId === piece.id ? heats.get(operation.stepId) : undefined;
      if (!heat || operation.laidAt === undefined) return [];
      const begins = workBegins(operation);
      const unit = plan.units.get(`${piece.id}/${operation.unit}`);
      return [...(unit?.stacks() ?? [])].flatMap(([, coats, stack]) =>
        coats.flatMap((coat, n): RuleFinding[] => {
          const material = entryOf(materials, coat.material.id);
          const touchAt = stack.coats[n]?.touchAt ?? -Infinity;
          if (material.carrier !== 'solvent' || !hazardsOf(material).has('organic vapour')) return [];
          if (coat.laidAt > begins || touchAt <= begins) return [];
          const at = piece.steps.findIndex(({ id }) => id === stepOf.get(coat.operationId));
          return [
            about(this, piece, heat.step, {
              below: material.id,
              message: `Heat comes while the ${material.name} is still wet: its vapour can catch fire. Wait until it is touch-dry, with the air moving.`,
              reason,
              ideas:
                at >= 0 && at < heat.at ? [ways.move('Heat before it', piece, context, heat.at, at)] : [],
            }),
          ];
        }),
      );
    });
    return oncePerStep([...warmed, ...heated]);
  },
};
