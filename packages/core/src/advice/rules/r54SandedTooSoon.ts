import { stepKindTable } from '../../model/stepKinds';
import { tellTooEarly } from '../begunTooEarly';
import type { Rule } from '../rule';

/** R54: a film that is sanded before it can be clogs the paper and tears. */
export const r54SandedTooSoon: Rule = {
  id: 'R54',
  severity: 'risk',
  title: 'Sanded before it was sandable',
  look(piece, context) {
    return tellTooEarly(this, piece, context, {
      wants: ({ kind }) => stepKindTable[kind].abrades === true,
      waitsFor: ({ milestone, coats }) => milestone === 'sand' && coats === 'top',
      was: (_, unit) => `It was sanded${unit} before it could be`,
      is: (_, unit) => `It is sanded${unit} before it can be`,
      afterwards: 'Look for torn and shiny spots.',
      reason: 'A film that is still soft rolls up under grit and clogs it, and tears where it is thin.',
    });
  },
};
