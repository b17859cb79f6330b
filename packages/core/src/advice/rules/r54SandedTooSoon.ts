import { stepKindTable } from '../../model/stepKinds';
import { sayMoment } from '../../model/sayMoment';
import { about } from '../about';
import { earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { unitWords } from '../landings';
import { loggedTooEarly } from '../loggedTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** R54: a film that is sanded before it can be clogs the paper and tears. */
export const r54SandedTooSoon: Rule = {
  id: 'R54',
  severity: 'risk',
  title: 'Sanded before it was sandable',
  look(piece, context) {
    return oncePerStep(
      loggedTooEarly(
        piece,
        context,
        ({ kind }) => stepKindTable[kind].abrades === true,
        ({ milestone, coats }) => milestone === 'sand' && coats === 'top',
      ).map(({ operation, allowedAt, early }) =>
        about(
          this,
          piece,
          { id: operation.stepId },
          {
            severity: severityOf(early, 'risk'),
            message: `It was sanded${unitWords(piece, operation.unit)} before it could be (${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}). Look for torn and shiny spots.`,
            reason: early.isWithinSpread
              ? withinSpreadReason
              : 'A film that is still soft rolls up under grit and clogs it, and tears where it is thin.',
          },
        ),
      ),
    );
  },
};
