import { stepKindTable } from '../../model/stepKinds';
import { about } from '../about';
import { severityOf, withinSpreadReason } from '../earliness';
import { unitWords } from '../landings';
import { begunTooEarly, sayTooEarly } from '../begunTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** R54: a film that is sanded before it can be clogs the paper and tears. */
export const r54SandedTooSoon: Rule = {
  id: 'R54',
  severity: 'risk',
  title: 'Sanded before it was sandable',
  look(piece, context) {
    return oncePerStep(
      begunTooEarly(
        piece,
        context,
        ({ kind }) => stepKindTable[kind].abrades === true,
        ({ milestone, coats }) => milestone === 'sand' && coats === 'top',
      ).map((one) => {
        const { operation, early } = one;
        const unit = unitWords(piece, operation.unit);
        return about(
          this,
          piece,
          { id: operation.stepId },
          {
            severity: severityOf(early, 'risk'),
            message:
              sayTooEarly(one, context.plan.timeZone, {
                was: `It was sanded${unit} before it could be`,
                is: `It is sanded${unit} before it can be`,
              }) + (operation.status === 'done' ? ' Look for torn and shiny spots.' : ''),
            reason: early.isWithinSpread
              ? withinSpreadReason
              : 'A film that is still soft rolls up under grit and clogs it, and tears where it is thin.',
          },
        );
      }),
    );
  },
};
