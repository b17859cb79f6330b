import { coatsWorth } from '../../facts/closure';
import { isTakenOff } from '../../facts/takenOff';
import { binderOf } from '../../model/binders';
import { has } from '../../model/traits';
import { isAlkyd, isClear, isOilyWash, pairRule, ways } from '../pairs';

/** R09: water-borne coats bead on alkyd, oil, wax, resist and graphite. */
export const r09WaterOnOily = pairRule({
  id: 'R09',
  severity: 'risk',
  title: 'Water-borne on alkyd, oil, wax or graphite',
  reason: 'Water draws back from oily and waxy faces: the coat beads, dries in islands and rubs off.',
  judge(meeting, piece, context) {
    const { over, under, between, cured, scuffed, cleaned } = meeting;
    const { binder, name } = under.material;
    // Nothing holds to wax, whatever it is thinned with; more wax is polish.
    if (binder === 'wax' && over.material.binder !== 'wax') {
      return {
        severity: 'stop',
        message: `${over.material.name} ${over.material.carrier === 'water' ? 'beads on' : 'does not hold to'} ${name}: wax is the last thing on a piece.`,
        ideas: [ways.move('Wax last', piece, context, under.at, over.at)],
      };
    }
    if (over.material.carrier !== 'water') return undefined;
    // A wash is told of by R44 under a clear; under other things it only has to cure.
    if (isOilyWash(under)) {
      if (cured || isClear(over.material)) return undefined;
      return {
        message: `${over.material.name} beads on ${name} that has not cured.`,
        ideas: [ways.waitForCure(piece, context, over)],
      };
    }
    const isOil = binder === 'oil';
    if ((isAlkyd(under.material) || isOil) && !(cured && (scuffed || isOil))) {
      return {
        message: `${over.material.name} grips ${name} badly: let it cure${isOil ? '' : ', and scuff it'}.`,
        ideas: [
          isOil
            ? ways.waitForCure(piece, context, over)
            : ways.scuff(
                'Let it cure, then scuff it',
                piece,
                context,
                { at: under.at + 1, step: over.step },
                { waitFor: 'cured' },
              ),
        ],
      };
    }
    // Chipped and rinsed it is gone; until then all but the colour it is to chip beads on it.
    const isRinsed = cleaned || isTakenOff(piece, under, over);
    const isResist =
      // Under a clear it is told by R80.
      binderOf(under.material).comesOff === true &&
      over.material.role !== 'paint' &&
      !isClear(over.material) &&
      !isRinsed;
    // What was dusted on first takes the next coat in its place.
    const isDusted = between.some((layer) => coatsWorth(layer) > 0);
    const isGreasy = has(under.material, 'greasy') && !cleaned && !isDusted;
    if ((isGreasy || isResist) && over.film !== 'dust') {
      return {
        message: `${over.material.name} beads on ${name}: ${isResist ? 'rinse its residue off first' : 'dust the first coat on'}.`,
        ideas: [ways.set('Dust it on', piece, context, over.at, { film: 'dust' })],
      };
    }
    return undefined;
  },
});
