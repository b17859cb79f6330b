import { filmBuildUm, spotsOf } from '../../facts/spots';
import type { RuleFinding } from '../finding';
import type { Rule } from '../rule';
import { nth } from '../../model/sure';
import { sayUm } from '../../model/sayMeasure';

/** R38: films thicker than half the depth of the finest detail fill it in. */
export const r38DetailFillsIn: Rule = {
  id: 'R38',
  severity: 'risk',
  title: 'Detail fills in',
  look(piece, context) {
    const detailUm = (piece.finestDetailMm ?? Infinity) * 1000;
    const thick = spotsOf(piece, context)
      .filter(({ face }) => face === 'outer')
      .map(({ layers, face }) => ({ face, layers, um: filmBuildUm(layers) }))
      .sort((a, b) => b.um - a.um)[0];
    if (!thick || thick.um <= detailUm / 2) return [];
    const finding: RuleFinding = {
      rule: 'R38',
      severity: 'risk',
      piece: piece.id,
      face: thick.face,
      step: nth(thick.layers, -1).step.id,
      message: `All films together are ${sayUm(thick.um)}, more than half of the finest detail (${sayUm(detailUm)}): it fills in.`,
      reason: 'Wet paint runs into grooves and dries flatter there. Fewer or thinner coats keep edges crisp.',
      ideas: [],
    };
    return [finding];
  },
};
