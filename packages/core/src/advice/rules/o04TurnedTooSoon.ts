import { tellTooEarly } from '../begunTooEarly';
import type { Rule } from '../rule';

/** O04: a piece that is turned over before its other face can be handled lies on wet paint. */
export const o04TurnedTooSoon: Rule = {
  id: 'O04',
  severity: 'stop',
  title: 'Turned over before the other face could be handled',
  look(piece, context) {
    return tellTooEarly(this, piece, context, {
      wants: ({ material, face }) => material !== undefined && face !== undefined && material.role !== 'bond',
      waitsFor: ({ where }) => where === 'other-face',
      was: ({ face }, unit) => `The ${face} face was coated${unit} before the other one could be handled`,
      is: ({ face }, unit) => `The ${face} face is coated${unit} before the other one can be handled`,
      reason:
        'The piece has to lie or hang on the face that is still soft: it sticks and takes prints. Look at it before going on.',
    });
  },
};
