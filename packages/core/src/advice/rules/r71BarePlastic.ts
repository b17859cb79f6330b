import { spotsOf } from '../../facts/spots';
import { substrateNames, substrateTable } from '../../model/substrates';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { inText } from '../../model/inText';

const closing = new Set(['seal', 'prime']);

/** R71: thermoplastic, prints and resin want a primer: without one the texture shows and paint chips off. */
export const r71BarePlastic: Rule = {
  id: 'R71',
  severity: 'risk',
  title: 'Paint on bare thermoplastic, print or resin',
  look(piece, context) {
    const { kind } = piece.substrate;
    const { softensInHeat = false, hasRelease = false } = substrateTable[kind];
    if (!softensInHeat && !hasRelease) return [];
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const first = spot.layers.find(({ material }) => material.role !== 'fill');
      if (!first || closing.has(first.material.role)) return [];
      return [
        about(
          this,
          piece,
          first.step,
          {
            message: `${first.material.name} goes straight on bare ${inText(substrateNames[kind])}: its texture shows, and the paint chips off.`,
            reason:
              'A primer fills the fine texture and holds to both. Several coats, sanded between, make it smooth.',
            ideas: [
              ways.barrier('Two coats of grey primer first', piece, context, first, {
                kind: 'prime',
                material: 'acrylic-pu-primer-grey',
                coats: 2,
              }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
