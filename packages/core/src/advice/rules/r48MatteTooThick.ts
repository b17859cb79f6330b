import { FLATTENING_GU } from '../../facts/sheen';
import { spotsOf } from '../../facts/spots';
import { coatsWorth } from '../../facts/closure';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { isClear, ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** More than two normal coats of it turn milky. */
const MOST_COATS = 2;

/** R48: a matte clear laid heavily or in many coats clouds. */
export const r48MatteTooThick: Rule = {
  id: 'R48',
  severity: 'risk',
  title: 'Matte clear heavy or in many coats',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
      const mattes = spot.layers.filter(
        ({ material }) => isClear(material) && (material.sheenGu ?? 100) <= FLATTENING_GU,
      );
      const top = mattes.at(-1);
      const worth = mattes.reduce((sum, layer) => sum + coatsWorth(layer), 0);
      if (!top || (worth <= MOST_COATS + 1e-9 && top.film !== 'heavy')) return [];
      return [
        about(
          this,
          piece,
          top.step,
          {
            message: `${top.material.name} this thick turns cloudy: two thin coats, well stirred, are enough.`,
            reason:
              'What makes it matte is fine powder. In a thick film it lies over itself and shows as a white haze, most of all over dark colours.',
            ideas: [
              ways.set('Two light coats', piece, context, top.at, { coats: 2, film: 'light' }),
              ways.set('One light coat', piece, context, top.at, { coats: 1, film: 'light' }),
            ],
          },
          spot,
        ),
      ];
    });
    return oncePerStep(found);
  },
};
