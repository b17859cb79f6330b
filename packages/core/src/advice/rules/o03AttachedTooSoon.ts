import { sayMoment } from '../../model/sayMoment';
import { unitWords } from '../landings';
import { earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { loggedTooEarly } from '../loggedTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** O03: what is attached or joined before the coats can be handled leaves its print in them. */
export const o03AttachedTooSoon: Rule = {
  id: 'O03',
  severity: 'risk',
  title: 'Attached before the coats could be handled',
  look(piece, context) {
    return oncePerStep(
      loggedTooEarly(
        piece,
        context,
        (operation) => operation.kind === 'attach' || operation.kind === 'join',
        ({ milestone }) => milestone === 'handle',
      ).map(({ operation, allowedAt, early }) => ({
        rule: 'O03',
        severity: severityOf(early, 'risk'),
        piece: piece.id,
        step: operation.stepId,
        message: `This was put on${unitWords(piece, operation.unit)} before the coats could be handled (${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}). Look for prints.`,
        reason: early.isWithinSpread
          ? withinSpreadReason
          : 'Straps and clamps press into a film that is still soft, and it cures in that shape.',
        ideas: [],
      })),
    );
  },
};
