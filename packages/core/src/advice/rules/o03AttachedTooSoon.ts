import { unitWords } from '../landings';
import { severityOf, withinSpreadReason } from '../earliness';
import { begunTooEarly, sayTooEarly } from '../begunTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** O03: what is attached or joined before the coats can be handled leaves its print in them. */
export const o03AttachedTooSoon: Rule = {
  id: 'O03',
  severity: 'risk',
  title: 'Attached before the coats could be handled',
  look(piece, context) {
    return oncePerStep(
      begunTooEarly(
        piece,
        context,
        (operation) => operation.kind === 'attach' || operation.kind === 'join',
        ({ milestone }) => milestone === 'handle',
      ).map((one) => {
        const { operation, early } = one;
        const unit = unitWords(piece, operation.unit);
        return {
          rule: 'O03',
          severity: severityOf(early, 'risk'),
          piece: piece.id,
          step: operation.stepId,
          message:
            sayTooEarly(one, context.plan.timeZone, {
              was: `This was put on${unit} before the coats could be handled`,
              is: `This is put on${unit} before the coats can be handled`,
            }) + (operation.status === 'done' ? ' Look for prints.' : ''),
          reason: early.isWithinSpread
            ? withinSpreadReason
            : 'Straps and clamps press into a film that is still soft, and it cures in that shape.',
          ideas: [],
        };
      }),
    );
  },
};
