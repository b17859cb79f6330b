import { coatsWorth } from '../../facts/closure';
import { spotsOf, type Layer } from '../../facts/spots';
import { takenOffAt } from '../../facts/takenOff';
import { waterborneLike } from '../../materials/alike';
import { binderOf } from '../../model/binders';
import { inText } from '../../model/inText';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';

/** So many normal coats of colour still take up water: a light one does, or two of dust. */
const MOST_COATS = 0.75;
const MOST_OFFERED = 3;

/** R24: the colour over a chipping resist has to be a thin water-borne acrylic, or it does not chip. All that lies on it until it is chipped counts. */
export const r24ChipColour: Rule = {
  id: 'R24',
  severity: 'risk',
  title: 'Colour over chipping resist',
  look(piece, context) {
    const found = spotsOf(piece, context).flatMap((spot): RuleFinding[] =>
      spot.layers.flatMap((resist, n): RuleFinding[] => {
        if (!binderOf(resist.material).comesOff) return [];
        const chippedAt = takenOffAt(piece, resist);
        const films = spot.layers.slice(n + 1).filter((over) => over.at < chippedAt && locks(over));
        let worth = 0;
        const over = films.find((layer) => {
          worth += coatsWorth(layer);
          return !isThinColour(layer) || worth > MOST_COATS;
        });
        if (!over) return [];
        const { name } = over.material;
        const isColour = isThinColour(over);
        return [
          about(
            this,
            piece,
            over.step,
            {
              below: resist.material.id,
              message: isColour
                ? `${name} over the ${resist.material.name} is${over === films[0] ? '' : ', with what lies below it,'} too much to chip: one thin coat, chipped while it is fresh.`
                : `${name} locks the ${resist.material.name} in: only one thin water-borne coat of colour can be chipped, while it is fresh.`,
              reason:
                'The resist works by taking up water through a film that is still open. A thick or solvent-borne film locks it in.',
              ideas:
                isColour && over === films[0]
                  ? [ways.set('One light coat', piece, context, over.at, { film: 'light', coats: 1 })]
                  : over.material.role === 'paint'
                    ? waterborneLike(over.material, context.materials.values())
                        .slice(0, MOST_OFFERED)
                        .map(({ id, name: other, methods }) =>
                          ways.set(
                            `One light coat of ${inText(other)} in its place`,
                            piece,
                            context,
                            over.at,
                            {
                              material: id,
                              film: 'light',
                              coats: 1,
                              ...(methods[0] ? { method: methods[0] } : {}),
                            },
                          ),
                        )
                    : [],
            },
            spot,
          ),
        ];
      }),
    );
    return oncePerStep(found);
  },
};

/** Whether a film can lock anything in: not what is brushed nearly dry or laid in places, and a clear is told by the resist left below it (R80). */
const locks = (layer: Layer): boolean =>
  layer.material.role !== 'topcoat' && (coatsWorth(layer) > 0 || layer.material.role === 'paint');

const isThinColour = ({ material }: Layer): boolean =>
  material.carrier === 'water' && material.role === 'paint';
