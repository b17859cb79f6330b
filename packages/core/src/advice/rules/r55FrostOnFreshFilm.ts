import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import { oncePerStep, type Rule } from '../rule';
import { coldestC, placesThatFreeze } from '../frost';
import { placesOf } from '../../model/places';

const FRESH_MINUTES = 24 * 60;

/** R55: frost within a day of a water-borne coat breaks its film before it has grown together. */
export const r55FrostOnFreshFilm: Rule = {
  id: 'R55',
  severity: 'stop',
  title: 'Frost within a day of a water-borne coat',
  look(piece, context) {
    const { build, plan } = context;
    const cold = placesThatFreeze(build);
    if (cold.size === 0) return [];
    const found = plan.operations.flatMap((operation): RuleFinding[] => {
      const { material, laidAt, stepId, stepIndex, unit } = operation;
      if (operation.pieceId !== piece.id || material?.carrier !== 'water' || laidAt === undefined) return [];
      const stands = plan.units.get(`${piece.id}/${unit}`)?.stands ?? [];
      const until = laidAt + FRESH_MINUTES;
      const frost = stands.some(({ from, placeAir }, n) => {
        const to = Math.min(until, stands[n + 1]?.from ?? Infinity);
        const since = Math.max(from, laidAt);
        return cold.has(placeAir.placeId) && since < to && coldestC(placeAir.series, since, to) < 0;
      });
      if (!frost) return [];
      return [
        about(
          this,
          piece,
          { id: stepId },
          {
            message: `Frost comes within a day of the ${material.name}: keep the piece in a warm room.`,
            reason:
              'The water that is still in the film freezes and pushes its grains apart. It looks dry and chalks off later.',
            ideas: placesOf(build)
              .filter((place) => !cold.has(place.id))
              .map((place) =>
                ways.set(`Move it to ${place.name}`, piece, context, stepIndex, { place: place.id }),
              ),
          },
        ),
      ];
    });
    return oncePerStep(found);
  },
};
