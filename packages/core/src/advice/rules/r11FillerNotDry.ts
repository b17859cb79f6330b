import { stepKindTable } from '../../model/stepKinds';
import { about } from '../about';
import { coatedTooEarly } from '../coatedTooEarly';
import { severityOf, withinSpreadReason } from '../earliness';
import { unitWords } from '../landings';
import { begunTooEarly, sayTooEarly } from '../begunTooEarly';
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
    const worked = begunTooEarly(
      piece,
      context,
      ({ kind }) => stepKindTable[kind].abrades === true || stepKindTable[kind].heats === true,
      ({ coats }) => coats === 'fills',
    ).map((one) => {
      const { operation, early } = one;
      const unit = unitWords(piece, operation.unit);
      const heats = stepKindTable[operation.kind].heats;
      return about(
        this,
        piece,
        { id: operation.stepId },
        {
          severity: severityOf(early, 'stop'),
          message: sayTooEarly(one, context.plan.timeZone, {
            was: `${heats ? 'Heat came' : 'It was sanded'}${unit} before the filler was dry through`,
            is: `${heats ? 'Heat comes' : 'It is sanded'}${unit} before the filler is dry through`,
          }),
          reason: early.isWithinSpread ? withinSpreadReason : reason,
        },
      );
    });
    return oncePerStep([...coated, ...worked]);
  },
};
