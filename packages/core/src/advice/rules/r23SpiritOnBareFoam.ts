import { isPorousFoam } from '../../model/substrates';
import type { RuleFinding } from '../finding';
import { spotsOf } from '../../facts/spots';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** R23: a white-spirit wash pooling on bare foam soaks in and swells it. */
export const r23SpiritOnBareFoam: Rule = {
  id: 'R23',
  severity: 'risk',
  title: 'White-spirit wash on bare foam',
  look(piece, context) {
    if (!isPorousFoam(piece.substrate.kind)) return [];
    const found = spotsOf(piece, context).flatMap(({ layers, face }): RuleFinding[] => {
      const first = layers[0];
      if (!first || first.material.solvent !== 1) return [];
      return [
        {
          rule: 'R23',
          severity: 'risk',
          piece: piece.id,
          face,
          step: first.step.id,
          message: `${first.material.name} pools in bare foam and softens it.`,
          reason: 'White spirit leaves slowly from open cells; they swell, and later coats lift.',
          ideas: [
            ways.barrier('Seal first', piece, context, first, {
              kind: 'seal',
              material: 'pva-flex-primer',
              coats: 2,
            }),
          ],
        },
      ];
    });
    return oncePerStep(found);
  },
};
