import { sayMoment } from '../../model/wallTime';
import { earliness, earlyWords, severityOf, withinSpreadReason } from '../earliness';
import { landingsOf, unitWords } from '../landings';
import { oncePerStep, type Rule } from '../rule';
import type { RuleFinding } from '../finding';
import { nth } from '../../model/sure';

/** R08: anything over a coat that has not reached recoat. */
export const r08TooEarly: Rule = {
  id: 'R08',
  severity: 'stop',
  title: 'Coat over one that is not dry enough',
  look(piece, { plan }) {
    const early = landingsOf(piece, plan)
      .filter(
        ({ over, under, below }) =>
          under.material.role !== 'fill' &&
          below.recoat.length > 0 &&
          over.laidAt < Math.floor(nth(below.recoat, 0).from),
      )
      .map(({ unit, operation, over, under, below }): RuleFinding => {
        const opensAt = nth(below.recoat, 0).from;
        const early = earliness(plan, under.material.id, under.laidAt, over.laidAt, opensAt);
        return {
          rule: 'R08',
          severity: severityOf(early, 'stop'),
          piece: piece.id,
          step: operation.stepId,
          below: under.material.id,
          message:
            opensAt === Infinity
              ? `${over.material.name} went on${unitWords(piece, unit)} over ${under.material.name} that can't dry in this air.`
              : `${over.material.name} went on${unitWords(piece, unit)} before the ${under.material.name} below was recoatable (${earlyWords(early)}, ${sayMoment(opensAt, plan.timeZone)}).`,
          reason: early.isWithinSpread
            ? withinSpreadReason
            : 'What is still leaving the coat below is trapped: the stack stays soft, wrinkles or peels. Let both dry through, look for wrinkles, sand and redo if there are any.',
          ideas: [],
        };
      });
    return oncePerStep(early);
  },
};
