import { unitWords } from '../landings';
import { severityOf, withinSpreadReason } from '../earliness';
import { begunTooEarly, sayTooEarly } from '../begunTooEarly';
import { oncePerStep, type Rule } from '../rule';

/** O04: a piece that is turned over before its other face can be handled lies on wet paint. */
export const o04TurnedTooSoon: Rule = {
  id: 'O04',
  severity: 'stop',
  title: 'Turned over before the other face could be handled',
  look(piece, context) {
    return oncePerStep(
      begunTooEarly(
        piece,
        context,
        (operation) =>
          operation.material !== undefined &&
          operation.face !== undefined &&
          operation.material.role !== 'bond',
        ({ where }) => where === 'other-face',
      ).map((one) => {
        const { operation, early } = one;
        const unit = unitWords(piece, operation.unit);
        return {
          rule: 'O04',
          severity: severityOf(early, 'stop'),
          piece: piece.id,
          step: operation.stepId,
          message: sayTooEarly(one, context.plan.timeZone, {
            was: `The ${operation.face} face was coated${unit} before the other one could be handled`,
            is: `The ${operation.face} face is coated${unit} before the other one can be handled`,
          }),
          reason: early.isWithinSpread
            ? withinSpreadReason
            : 'The piece has to lie or hang on the face that is still soft: it sticks and takes prints. Look at it before going on.',
          ideas: [],
        };
      }),
    );
  },
};
