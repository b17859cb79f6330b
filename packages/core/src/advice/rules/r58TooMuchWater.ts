import { orderedSteps } from '../../facts/spots';
import { thinnerTable } from '../../model/thinners';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

const MOST_PCT = 30;

/** R58: much water leaves a water-borne film with too little binder. Washes are meant to be thin. */
export const r58TooMuchWater: Rule = {
  id: 'R58',
  severity: 'risk',
  title: 'Thinned with more than 30 % water',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      const isBare = step.thinWith !== undefined && thinnerTable[step.thinWith].isBare === true;
      const isFilm = material?.carrier === 'water' && material.role !== 'weather';
      if (!material || !isBare || !isFilm || (step.thinPct ?? 0) <= MOST_PCT) return [];
      return [
        about(this, piece, step, {
          message: `${step.thinPct} % of water breaks the film of ${material.name}: at most ${MOST_PCT} %, and reducer or clear medium for more.`,
          reason:
            'Water thins the binder along with the colour. What is left does not join to a film, and chalks or washes off.',
          ideas: [
            ways.set('Reducer in place of water', piece, context, at, { thinWith: 'reducer' }),
            ways.set(`At most ${MOST_PCT} % water`, piece, context, at, { thinPct: MOST_PCT }),
          ],
        }),
      ];
    });
  },
};
