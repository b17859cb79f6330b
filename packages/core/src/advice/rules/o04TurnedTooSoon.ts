import { sayMoment } from '../../model/sayMoment';
import { unitWords } from '../landings';
import { earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { loggedTooEarly } from '../loggedTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** O04: a piece that is turned over before its other face can be handled lies on wet paint. */
export const o04TurnedTooSoon: Rule = {
  id: 'O04',
  severity: 'stop',
  title: 'Turned over before the other face could be handled',
  look(piece, context) {
    return oncePerStep(
      loggedTooEarly(
        piece,
        context,
        (operation) =>
          operation.material !== undefined &&
          operation.face !== undefined &&
          operation.material.role !== 'bond',
        ({ where }) => where === 'other-face',
      ).map(({ operation, allowedAt, early }) => ({
        rule: 'O04',
        severity: severityOf(early, 'stop'),
        piece: piece.id,
        step: operation.stepId,
        message: `The ${operation.face} face was coated${unitWords(piece, operation.unit)} before the other one could be handled (${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}).`,
        reason: early.isWithinSpread
          ? withinSpreadReason
          : 'The piece has to lie or hang on the face that is still soft: it sticks and takes prints. Look at it before going on.',
        ideas: [],
      })),
    );
  },
};
