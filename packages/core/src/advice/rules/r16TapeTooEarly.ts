import { stepKindTable, type Wait } from '../../model/stepKinds';
import { tellTooEarly } from '../begunTooEarly';
import type { Rule } from '../rule';

const isForTape = ({ milestone }: Wait): boolean => milestone === 'tape';

/** R16: tape on a film that is not tape-safe pulls the film off with it. */
export const r16TapeTooEarly: Rule = {
  id: 'R16',
  severity: 'stop',
  title: 'Tape on a film that is not tape-safe',
  look(piece, context) {
    return tellTooEarly(this, piece, context, {
      wants: ({ kind }) => stepKindTable[kind].waits.some(isForTape),
      waitsFor: isForTape,
      was: (_, unit) => `The tape went on${unit} before the paint below was tape-safe`,
      is: (_, unit) => `The tape goes on${unit} before the paint below is tape-safe`,
      reason:
        'Paint that is dry to the touch can still let go of what is below. Leave the tape until then, warm it a little, and pull it back on itself slowly.',
    });
  },
};
