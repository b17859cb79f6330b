import { stepKindTable, type Wait } from '../../model/stepKinds';
import { unitWords } from '../landings';
import { severityOf, withinSpreadReason } from '../earliness';
import { begunTooEarly, sayTooEarly } from '../begunTooEarly';
import { oncePerStep, type Rule } from '../rule';

const isForTape = ({ milestone }: Wait): boolean => milestone === 'tape';

/** R16: tape on a film that is not tape-safe pulls the film off with it. */
export const r16TapeTooEarly: Rule = {
  id: 'R16',
  severity: 'stop',
  title: 'Tape on a film that is not tape-safe',
  look(piece, context) {
    return oncePerStep(
      begunTooEarly(piece, context, ({ kind }) => stepKindTable[kind].waits.some(isForTape), isForTape).map(
        (one) => {
          const { operation, early } = one;
          const unit = unitWords(piece, operation.unit);
          return {
            rule: 'R16',
            severity: severityOf(early, 'stop'),
            piece: piece.id,
            step: operation.stepId,
            message: sayTooEarly(one, context.plan.timeZone, {
              was: `The tape went on${unit} before the paint below was tape-safe`,
              is: `The tape goes on${unit} before the paint below is tape-safe`,
            }),
            reason: early.isWithinSpread
              ? withinSpreadReason
              : 'Paint that is dry to the touch can still let go of what is below. Leave the tape until then, warm it a little, and pull it back on itself slowly.',
            ideas: [],
          };
        },
      ),
    );
  },
};
