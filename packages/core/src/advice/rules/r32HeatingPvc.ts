import { isHeatedThrough } from '../../facts/grounds';
import { isHeat } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { layerThat, substrateNames } from '../../model/substrates';
import { about } from '../about';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R32: PVC gives off hydrogen chloride when heated, also below a skin of something else. */
export const r32HeatingPvc: Rule = {
  id: 'R32',
  severity: 'stop',
  title: 'Heating PVC',
  look(piece, context) {
    const pvc = layerThat(piece.substrate, 'isNeverHeated');
    // Through thick foam no heat reaches what lies inside.
    if (!pvc || (pvc !== piece.substrate.kind && !isHeatedThrough(piece.substrate))) return [];
    const inside = pvc === piece.substrate.kind ? '' : ` There is ${substrateNames[pvc]} inside this piece.`;
    return orderedSteps(piece, context)
      .filter(({ step }) => isHeat(step))
      .map(({ step, at }) =>
        about(this, piece, step, {
          message: `PVC is never heated: it gives off hydrogen chloride.${inside}`,
          reason:
            'Hot air and flame split acid gas off the plastic, which burns eyes and lungs and rusts tools.',
          ideas: [ways.drop('Leave the heat out', piece, context, at)],
        }),
      );
  },
};
