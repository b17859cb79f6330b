import type { Material } from '../model/materialSchema';
import type { Piece } from '../model/schema';
import { sayMoment } from '../model/sayMoment';
import type { Plan } from '../schedule/answers/plan';
import { earliness, earlyWords, severityOf, withinSpreadReason } from './earliness';
import type { RuleFinding } from './finding';
import { landingsOf, unitWords } from './landings';
import { oncePerStep } from './rule';

/** What a rule says of coats that went on before what lies below could be coated. */
export interface TooEarlyWords {
  rule: string;
  /** Which materials below it speaks of. */
  speaksOf(under: Material): boolean;
  /** "recoatable", "dry through". */
  state: string;
  reason: string;
}

/** The coats of a piece, laid or planned, that go on before what they land on takes them; once a step and cause. */
export function coatedTooEarly(
  piece: Piece,
  plan: Plan,
  { rule, speaksOf, state, reason }: TooEarlyWords,
): RuleFinding[] {
  const findings = landingsOf(piece, plan).flatMap(
    ({ unit, operation, over, under, below }): RuleFinding[] => {
      const opensAt = below.recoat[0]?.from;
      if (opensAt === undefined || over.laidAt >= Math.floor(opensAt) || !speaksOf(under.material)) return [];
      const early = earliness(plan, under.material.id, under.laidAt, over.laidAt, opensAt);
      // What is under way, or is only tried, is not spoken of as done.
      const isDone = operation.status === 'done';
      const goesOn = `${over.material.name} ${isDone ? 'went' : 'goes'} on${unitWords(piece, unit)}`;
      return [
        {
          rule,
          severity: severityOf(early, 'stop'),
          piece: piece.id,
          step: operation.stepId,
          below: under.material.id,
          message:
            opensAt === Infinity
              ? `${goesOn} over ${under.material.name} that can't dry in this air.`
              : `${goesOn} before the ${under.material.name} below ${isDone ? 'was' : 'is'} ${state} (${earlyWords(early)}, ${sayMoment(opensAt, plan.timeZone)}).`,
          reason: early.isWithinSpread ? withinSpreadReason : reason,
          ideas: [],
        },
      ];
    },
  );
  return oncePerStep(findings);
}
