import { binderOf } from '../../model/binders';
import { exposedOf } from '../../facts/closure';
import { spotsOf, type Layer } from '../../facts/spots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** A wash of little binder, which tape takes along. */
const isSoftWash = ({ material }: Layer): boolean =>
  material.role === 'weather' && material.carrier === 'water' && material.solids <= 0.1;

/** R70: tape lifts powder, graphite and washes that nothing holds. */
export const r70TapeOnLoose: Rule = {
  id: 'R70',
  severity: 'risk',
  title: 'Tape on loose powder or a soft wash',
  look(piece, context) {
    const found = piece.steps.flatMap((step, at): RuleFinding[] => {
      if (step.kind !== 'mask' || step.covers) return [];
      // What colour is chipped off with is rinsed away as that is done.
      const isRinsedOff = (layer: Layer, before: number): boolean =>
        binderOf(layer.material).comesOff === true &&
        piece.steps.some(
          (other, n) =>
            n > layer.at &&
            n < before &&
            other.kind === 'weather' &&
            other.material === undefined &&
            (other.zones ?? [layer.step.zones?.[0]]).some((zone) =>
              (layer.step.zones ?? [zone]).includes(zone),
            ),
        );
      return spotsOf(piece, context).flatMap((spot): RuleFinding[] => {
        if (
          !(step.faces ?? ['outer']).includes(spot.face) ||
          !(step.zones ?? [spot.zone]).includes(spot.zone)
        )
          return [];
        const below = spot.layers.filter((layer) => layer.at < at && !isRinsedOff(layer, at));
        const loose = exposedOf(below).layers.find(
          (layer) => binderOf(layer.material).loose || isSoftWash(layer),
        );
        if (!loose) return [];
        return [
          about(
            this,
            piece,
            step,
            {
              below: loose.material.id,
              message: `Tape takes the ${loose.material.name} off with it: mask before it, or lay a thin clear over it first.`,
              reason: 'Powders have no hold of their own, and a wash hardly any.',
              ideas: [
                ways.move('Mask before it', piece, context, at, loose.at),
                ways.insert('A light coat of satin varnish over it first', piece, context, at, {
                  kind: 'topcoat',
                  material: 'satin-varnish',
                  method: 'airbrush',
                  coats: 2,
                  film: 'light',
                  ...(loose.step.zones ? { zones: loose.step.zones } : {}),
                }),
              ],
            },
            spot,
          ),
        ];
      });
    });
    return oncePerStep(found);
  },
};
