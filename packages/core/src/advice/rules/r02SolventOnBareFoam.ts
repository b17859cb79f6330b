import type { RuleFinding } from '../finding';
import { spotsOf } from '../../facts/spots';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { isHeat } from '../../facts/stepOrder';

/** R02: a wet coat with hot solvents swells and pits bare foam. */
export const r02SolventOnBareFoam: Rule = {
  id: 'R02',
  severity: 'risk',
  title: 'Wet solvent coat on bare EVA or craft foam',
  look(piece, context) {
    const { kind, heatSealed } = piece.substrate;
    if (kind !== 'eva-foam' && kind !== 'craft-foam') return [];
    const found = spotsOf(piece, context).flatMap(({ layers, face }): RuleFinding[] => {
      const first = layers[0];
      const closed =
        heatSealed || piece.steps.some((step, at) => first !== undefined && at < first.at && isHeat(step));
      if (!first || closed || first.material.solvent < 3 || first.film === 'dust') return [];
      return [
        {
          rule: 'R02',
          severity: 'risk',
          piece: piece.id,
          face,
          step: first.step.id,
          message: `${first.material.name} laid wet on bare foam swells it and soaks in: heat-seal first, or dust it on.`,
          reason:
            'Open cells drink the solvent, which softens their walls before the film can close over them.',
          ideas: [
            {
              label: 'Heat-seal first',
              change: [
                {
                  op: 'add',
                  path: `/pieces/${context.build.pieces.indexOf(piece)}/steps/${first.at}`,
                  value: {
                    id: `heat-before-${first.step.id}`,
                    kind: 'heat-seal',
                    method: 'hot-air',
                    faces: piece.faces.inner ? ['inner', 'outer'] : ['outer'],
                  },
                },
              ],
            },
            ways.set('Dust coats only', piece, context, first.at, { film: 'dust' }),
          ],
        },
      ];
    });
    return oncePerStep(found);
  },
};
