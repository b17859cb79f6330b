import { stepKindTable } from '../../model/stepKinds';
import { sayMoment } from '../../model/sayMoment';
import { about } from '../about';
import { coatedTooEarly } from '../coatedTooEarly';
import { earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { unitWords } from '../landings';
import { loggedTooEarly } from '../loggedTooEarly';
import { oncePerStep, type Rule } from '../rule';

const reason =
  'Fillers go on shrinking while they dry. What is done to them too soon is undone from below: a film is pulled apart, grit tears them, heat blows them up, and the gap shows again.';

/** R11: caulk, filler, clay or spackle that is not dry through before a film, heat or sanding. */
export const r11FillerNotDry: Rule = {
  id: 'R11',
  severity: 'stop',
  title: 'Filler that is not dry through',
  look(piece, context) {
    const coated = coatedTooEarly(piece, context.plan, {
      rule: 'R11',
      speaksOf: ({ role }) => role === 'fill',
      state: 'dry through',
      reason,
    });
    const worked = loggedTooEarly(
      piece,
      context,
      ({ kind }) => stepKindTable[kind].abrades === true || stepKindTable[kind].heats === true,
      ({ coats }) => coats === 'fills',
    ).map(({ operation, allowedAt, early }) =>
      about(
        this,
        piece,
        { id: operation.stepId },
        {
          severity: severityOf(early, 'stop'),
          message: `${stepKindTable[operation.kind].heats ? 'Heat came' : 'It was sanded'}${unitWords(piece, operation.unit)} before the filler was dry through (${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}).`,
          reason: early.isWithinSpread ? withinSpreadReason : reason,
        },
      ),
    );
    return oncePerStep([...coated, ...worked]);
  },
};
