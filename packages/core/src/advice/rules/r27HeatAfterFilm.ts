import { isHeat, laysFilm, meet, type FilmStep } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { layerThat } from '../../model/substrates';
import { has } from '../../model/traits';
import type { Piece, Step } from '../../model/schema';
import { facesOf, zoneIdsOf } from '../../model/stepSpots';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { isLight, isOnBareArea } from './r30GlueOnPaint';

/** Foam as thin as this passes the heat on to its other face, mm. */
export const HEAT_REACHES_MM = 4;

/** Whether heat on one face reaches what another step did: on the same spots, or through thin foam. */
export function heatReaches(piece: Piece, hot: Step, other: Step): boolean {
  if (meet(piece, hot, other)) return true;
  const zonesOf = (step: Step) => step.zones ?? zoneIdsOf(piece);
  return (
    piece.substrate.thicknessMm <= HEAT_REACHES_MM &&
    zonesOf(hot).some((zone) => zonesOf(other).includes(zone)) &&
    !facesOf(hot).some((face) => facesOf(other).includes(face))
  );
}

/** R27: hot air, flame or hot glue once a film is on, from this side or the other: it blisters, softens, and seams open. */
export const r27HeatAfterFilm: Rule = {
  id: 'R27',
  severity: 'risk',
  title: 'Heat after a film',
  look(piece, context) {
    // PVC is never heated at all, and what softens or shrivels has rules of its own.
    const hasItsOwn = (['isNeverHeated', 'softensInHeat', 'isSpoiltByHeat'] as const).some((property) =>
      layerThat(piece.substrate, property),
    );
    if (hasItsOwn) return [];
    const steps = orderedSteps(piece, context);
    return steps.flatMap((hot): RuleFinding[] => {
      const isGlue = has(hot.material, 'melts') && hot.material?.role === 'bond';
      if (!isHeat(hot.step) && !isGlue) return [];
      if (hot.step.wanted?.includes('short-reheat') || (isGlue && isOnBareArea(piece, hot.step))) return [];
      const films = steps.filter(
        (other): other is FilmStep =>
          other.at < hot.at && laysFilm(other) && heatReaches(piece, hot.step, other.step),
      );
      const [first] = films;
      const top = films.at(-1);
      if (!first || !top) return [];
      const through = meet(piece, top.step, hot.step) ? '' : ', through the foam,';
      return [
        about(this, piece, hot.step, {
          below: top.material.id,
          message: isGlue
            ? `Hot glue on ${top.material.name}: it softens the film and lets go with it. Glue on bare tabs, at low heat.`
            : `Heat after ${top.material.name} is on${through} blisters the film, and glued seams can open.`,
          reason:
            'Films soften long before foam does, and air trapped under them swells. All heating is done before the first coat.',
          ideas: isGlue
            ? [
                ...(piece.keepBare ?? []).map((name) =>
                  ways.set(`It goes on the bare ${name}`, piece, context, hot.at, { bondArea: name }),
                ),
                ...(isLight(hot.step)
                  ? [
                      ways.set(
                        'Contact cement in its place, once the paint has cured',
                        piece,
                        context,
                        hot.at,
                        {
                          material: 'contact-cement',
                          method: 'brush',
                          waitFor: 'cured',
                        },
                      ),
                    ]
                  : []),
              ]
            : [ways.move('Heat before the first coat', piece, context, hot.at, first.at)],
        }),
      ];
    });
  },
};
