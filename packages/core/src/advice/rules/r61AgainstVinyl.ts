import { spotsOf } from '../../facts/spots';
import { about } from '../about';
import type { Rule } from '../rule';

/** R61: plasticiser wanders out of soft vinyl and rubber into any paint that lies against it. */
export const r61AgainstVinyl: Rule = {
  id: 'R61',
  severity: 'risk',
  title: 'Paint against soft vinyl or rubber in the case',
  look(piece, context) {
    const top = spotsOf(piece, context)
      .find(({ face }) => face === 'outer')
      ?.layers.at(-1);
    if (!piece.againstVinyl || !top) return [];
    return [
      about(this, piece, top.step, {
        message: `Packed against soft vinyl or rubber, ${top.material.name} goes sticky in a few days: lay plain paper or cloth between.`,
        reason:
          'What keeps vinyl soft wanders into the paint it touches and softens that as well, cured or not.',
      }),
    ];
  },
};
