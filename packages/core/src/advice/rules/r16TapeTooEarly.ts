import { stepKindTable, type Wait } from '../../model/stepKinds';
import { sayMoment } from '../../model/sayMoment';
import { unitWords } from '../landings';
import { earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { loggedTooEarly } from '../loggedTooEarly';
import { oncePerStep, type Rule } from '../rule';

const isForTape = ({ milestone }: Wait): boolean => milestone === 'tape';

/** R16: tape on a film that is not tape-safe pulls the film off with it. */
export const r16TapeTooEarly: Rule = {
  id: 'R16',
  severity: 'stop',
  title: 'Tape on a film that is not tape-safe',
  look(piece, context) {
    return oncePerStep(
      loggedTooEarly(piece, context, ({ kind }) => stepKindTable[kind].waits.some(isForTape), isForTape).map(
        ({ operation, allowedAt, early }) => ({
          rule: 'R16',
          severity: severityOf(early, 'stop'),
          piece: piece.id,
          step: operation.stepId,
          message: `The tape went on${unitWords(piece, operation.unit)} before the paint below was tape-safe (${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}).`,
          reason: early.isWithinSpread
            ? withinSpreadReason
            : 'Paint that is dry to the touch can still let go of what is below. Leave the tape until then, warm it a little, and pull it back on itself slowly.',
          ideas: [],
        }),
      ),
    );
  },
};
