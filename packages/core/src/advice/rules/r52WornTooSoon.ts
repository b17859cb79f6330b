import { binderOf } from '../../model/binders';
import type { Material } from '../../model/materialSchema';
import { sayMoment } from '../../model/sayMoment';
import { epochMinute } from '../../model/wallTime';
import { about } from '../about';
import type { Rule } from '../rule';
import { r41PackedTooSoon } from './r41PackedTooSoon';
import { slowestCoat, untilWords, type SlowestCoat } from '../slowestCoat';

/** Whether a film gives off, until it is wearable, what nobody wants on skin: what dries by solvent or by reaction, and rubbers. */
const givesOff = (material: Material): boolean =>
  material.carrier === 'solvent' || material.potLife !== undefined || binderOf(material).soft === true;

/** R52: worn before every coat is wearable, a piece takes prints, rubs off on clothes and still gives off what it dries by. */
export const r52WornTooSoon: Rule = {
  id: 'R52',
  severity: 'risk',
  title: 'Worn before it is wearable',
  look(piece, context) {
    const { build, plan } = context;
    const event = build.events.find((one) => one.id === piece.event);
    if (!event) return [];
    const wornAt = epochMinute(event.wearAt, build.timeZone);
    const isEarly = (coat: SlowestCoat | undefined): coat is SlowestCoat =>
      coat !== undefined && wornAt < Math.floor(coat.at);
    const gassing = slowestCoat(piece, plan, wornAt, ({ wearAt }, _, material) =>
      givesOff(material) ? wearAt : -Infinity,
    );
    const isGassing = isEarly(gassing);
    const coat = isGassing ? gassing : slowestCoat(piece, plan, wornAt, ({ wearAt }) => wearAt);
    if (!isEarly(coat)) return [];
    const isSoft = isEarly(slowestCoat(piece, plan, wornAt, ({ handleAt }) => handleAt));
    // What sticks in the case already is told by that.
    if (r41PackedTooSoon.look(piece, context).some(({ step }) => step === coat.stepId)) return [];
    const until = untilWords(coat, wornAt, plan.timeZone);
    return [
      about(
        this,
        piece,
        { id: coat.stepId },
        {
          severity: isSoft || (isGassing && piece.onSkin === true) ? 'stop' : 'risk',
          below: coat.materialId,
          message: `When it is worn, ${sayMoment(wornAt, plan.timeZone)}, the ${coat.name} ${isGassing ? 'still gives off what it dries by' : isSoft ? 'is still soft' : 'is dry, but scuffs and sticks to itself'}, ${until}.`,
          reason: isGassing
            ? 'It has dried but not cured: elbows and straps leave prints, and what still leaves it does not belong on skin or near a face.'
            : 'Its film is still knitting together: elbows and straps rub it dull and leave their prints.',
        },
      ),
    ];
  },
};
