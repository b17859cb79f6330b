import { orderedSteps } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { placesThatFreeze } from '../frost';
import { oncePerStep, type Rule } from '../rule';

/** R56: a water-borne tin that has frozen is ruined, and looks as it always did. */
export const r56FrozenTin: Rule = {
  id: 'R56',
  severity: 'risk',
  title: 'Water-borne tin kept where it freezes',
  look(piece, context) {
    const { build } = context;
    const cold = placesThatFreeze(build);
    if (cold.size === 0) return [];
    const found = orderedSteps(piece, context).flatMap(({ step, material }): RuleFinding[] => {
      if (material?.carrier !== 'water') return [];
      const tin = (build.stock ?? []).find(
        (one) => one.material === material.id && one.keptIn !== undefined && cold.has(one.keptIn),
      );
      const place = tin?.keptIn === undefined ? undefined : cold.get(tin.keptIn);
      if (!place) return [];
      return [
        about(this, piece, step, {
          message: `The ${material.name} is kept in “${place.name}”, where it freezes. If it has, throw it away; else try it on an offcut first.`,
          reason: 'Frost clots the binder. It stirs out smooth again and then makes no film.',
        }),
      ];
    });
    return oncePerStep(found);
  },
};
