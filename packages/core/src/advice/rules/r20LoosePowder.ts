import { binderOf } from '../../model/binders';
import type { RuleFinding } from '../finding';
import { freshId } from '../freshId';
import { spotsOf } from '../../facts/spots';
import { oncePerStep, type Rule } from '../rule';

/** R20: powder, graphite or earth with nothing over it rubs off. */
export const r20LoosePowder: Rule = {
  id: 'R20',
  severity: 'risk',
  title: 'Loose powder with nothing over it',
  look(piece, { build, materials }) {
    const found = spotsOf(piece, { build, materials }).flatMap(({ layers, face }): RuleFinding[] => {
      const top = layers.at(-1);
      if (!top || !binderOf(top.material).loose) return [];
      const clear = {
        id: freshId('clear', piece),
        kind: 'topcoat',
        material: 'matte-varnish',
        method: 'airbrush',
        coats: 2,
        film: 'dust',
        ...(top.step.zones ? { zones: top.step.zones } : {}),
      };
      return [
        {
          rule: 'R20',
          severity: 'risk',
          piece: piece.id,
          face,
          step: top.step.id,
          message: `Nothing holds the ${top.material.name}: it rubs off on hands and clothes.`,
          reason:
            'Powders have no binder of their own. A clear coat, dusted on first so that it does not move them, holds them.',
          ideas: [
            {
              label: 'Two dust coats of matte varnish over it',
              change: [
                {
                  op: 'add',
                  path: `/pieces/${build.pieces.indexOf(piece)}/steps/${top.at + 1}`,
                  value: clear,
                },
              ],
            },
          ],
        },
      ];
    });
    return oncePerStep(found);
  },
};
