import { sayMoment } from '../../model/sayMoment';
import { epochMinute } from '../../model/wallTime';
import { about } from '../about';
import type { Rule } from '../rule';
import { r41PackedTooSoon } from './r41PackedTooSoon';
import { slowestCoat, untilWords } from '../slowestCoat';

/** R52: worn before every coat is wearable, a piece takes prints, rubs off on clothes and still gives off what it dries by. */
export const r52WornTooSoon: Rule = {
  id: 'R52',
  severity: 'stop',
  title: 'Worn before it is wearable',
  look(piece, context) {
    const { build, plan } = context;
    const event = build.events.find((one) => one.id === piece.event);
    if (!event) return [];
    const wornAt = epochMinute(event.wearAt, build.timeZone);
    const coat = slowestCoat(piece, plan, wornAt, ({ wearAt }) => wearAt);
    if (!coat || wornAt >= Math.floor(coat.at)) return [];
    // What sticks in the case already is told by that.
    if (r41PackedTooSoon.look(piece, context).some(({ step }) => step === coat.stepId)) return [];
    const until = untilWords(coat, plan.timeZone);
    return [
      about(
        this,
        piece,
        { id: coat.stepId },
        {
          below: coat.materialId,
          message: `When it is worn, ${sayMoment(wornAt, plan.timeZone)}, the ${coat.name} is not wearable yet, ${until}.`,
          reason:
            'It has dried but not cured: elbows and straps leave prints, and what still leaves it does not belong on skin or near a face.',
        },
      ),
    ];
  },
};
