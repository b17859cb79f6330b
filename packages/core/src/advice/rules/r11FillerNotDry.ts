import { sayMoment } from '../../model/wallTime';
import { earliness, earlyWords, severityOf, withinSpreadReason } from '../earliness';
import type { RuleFinding } from '../finding';
import { landingsOf, unitWords } from '../landings';
import { oncePerStep, type Rule } from '../rule';
import { nth } from '../../model/sure';

/** R11: caulk, filler, clay or spackle that is not dry through before a film. */
export const r11FillerNotDry: Rule = {
  id: 'R11',
  severity: 'stop',
  title: 'Film over filler that is not dry through',
  look(piece, { plan }) {
    const early = landingsOf(piece, plan)
      .filter(
        ({ under, over, below }) =>
          under.material.role === 'fill' &&
          below.recoat.length > 0 &&
          over.laidAt < Math.floor(nth(below.recoat, 0).from),
      )
      .map(({ unit, operation, over, under, below }): RuleFinding => {
        const opensAt = nth(below.recoat, 0).from;
        const early = earliness(plan, under.material.id, under.laidAt, over.laidAt, opensAt);
        return {
          rule: 'R11',
          severity: severityOf(early, 'stop'),
          piece: piece.id,
          step: operation.stepId,
          below: under.material.id,
          message: `${over.material.name} went on${unitWords(piece, unit)} before the ${under.material.name} was dry through (${earlyWords(early)}, ${sayMoment(opensAt, plan.timeZone)}).`,
          reason: early.isWithinSpread
            ? withinSpreadReason
            : 'Fillers go on shrinking while they dry. A film laid too soon is pulled apart from below, and the gap shows again.',
          ideas: [],
        };
      });
    return oncePerStep(early);
  },
};
