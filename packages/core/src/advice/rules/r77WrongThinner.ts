import { thinnerTable } from '../../model/thinners';
import { orderedSteps } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R77: water in what a solvent carries, or white spirit in what water carries: it curdles and never dries to a film. */
export const r77WrongThinner: Rule = {
  id: 'R77',
  severity: 'stop',
  title: 'The wrong thinner',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap(({ step, at, material }): RuleFinding[] => {
      if (!material || step.thinWith === undefined) return [];
      const { mixesWith, word } = thinnerTable[step.thinWith];
      if (mixesWith === undefined || mixesWith === material.carrier || material.carrier === 'none') return [];
      return [
        about(this, piece, step, {
          message: `${material.name} does not mix with ${word}: it curdles. Thin it with what its label says.`,
          reason:
            'What is stirred in has to be what the paint is dissolved in already, or it falls out of it in lumps.',
          ideas: [
            ways.set('Thin it with the thinner on its label', piece, context, at, {
              thinWith: 'own-thinner',
            }),
          ],
        }),
      ];
    });
  },
};
