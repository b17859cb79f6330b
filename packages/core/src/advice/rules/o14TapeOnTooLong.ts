import { TAPE_ON_MINUTES } from '../../facts/masking';
import { sayMoment } from '../../model/sayMoment';
import { workBegins } from '../../schedule/plan/plan';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';

/** O14: tape that can't be pulled within a day of being laid, as no session is long enough for what goes on while it is on. */
export const o14TapeOnTooLong: Rule = {
  id: 'O14',
  severity: 'risk',
  title: 'Tape on for more than a day',
  look(piece, { plan }) {
    const found = plan.operations.flatMap((pull): RuleFinding[] => {
      if (pull.pieceId !== piece.id || pull.laidAt === undefined || pull.status === 'done') return [];
      const begins = workBegins(pull);
      return (plan.workload.tapeOf.get(pull.id) ?? []).flatMap((id): RuleFinding[] => {
        const mask = plan.operations.find((one) => one.id === id);
        if (mask?.laidAt === undefined || begins <= mask.laidAt + TAPE_ON_MINUTES) return [];
        return [
          about(
            this,
            piece,
            { id: mask.stepId },
            {
              message: `This tape stays on from ${sayMoment(mask.laidAt, plan.timeZone)} to ${sayMoment(begins, plan.timeZone)}: after a day it leaves glue, or takes the edge of the paint along.`,
              reason:
                'No session is long enough for all that is laid while it is on, and for its pull. Fewer coats, quicker ones, or pulling and taping once more in between are ways; some tapes promise two days on their label.',
            },
          ),
        ];
      });
    });
    return oncePerStep(found);
  },
};
