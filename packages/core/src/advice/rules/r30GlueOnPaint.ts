import { laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import type { Piece, Step } from '../../model/schema';
import { pulledAt } from '../../model/fields';
import { has } from '../../model/traits';
import { glueLaidAt } from '../freshGlue';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** Whether a step glues where the piece was kept bare for it. */
export const isOnBareArea = (piece: Piece, { bondArea }: Step): boolean =>
  bondArea !== undefined && (piece.keepBare ?? []).includes(bondArea);

/** Water-borne paint holds light things from this age on, minutes. */
const HOLDS_FROM_MINUTES = 24 * 60;

/** Whether a step puts something on that nothing pulls at. */
export const isLight = ({ attaches }: Pick<Step, 'attaches'>): boolean =>
  attaches !== undefined && !pulledAt.includes(attaches);

/**
 * R30: cement holds to paint no better than the paint holds to the foam; enough for light things on water-borne paint a day old. Hot glue
 * is told by R27.
 */
export const r30GlueOnPaint: Rule = {
  id: 'R30',
  severity: 'risk',
  title: 'Glue on a painted surface',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    return steps.flatMap(({ step, at, material }): RuleFinding[] => {
      if (material?.role !== 'bond' || has(material, 'melts') || isOnBareArea(piece, step)) return [];
      const film = steps
        .slice(0, at)
        .filter((other) => laysFilm(other) && meet(piece, other.step, step))
        .at(-1);
      if (!film?.material) return [];
      const isWaterborne = film.material.carrier === 'water';
      const ages = glueLaidAt(piece, context.plan, film.step.id, step.id);
      const holds =
        isLight(step) &&
        isWaterborne &&
        ages.length > 0 &&
        ages.every((minutes) => minutes >= HOLDS_FROM_MINUTES);
      return [
        about(this, piece, step, {
          ...(holds ? { severity: 'note' as const } : {}),
          below: film.material.id,
          message: holds
            ? `${material.name} on ${film.material.name} that is a day old holds light things; scuff the spot first.`
            : `${material.name} on ${film.material.name} holds only as well as that does: keep the bond area bare.`,
          reason: 'The joint tears in the weakest layer, which is the film on the foam.',
          ideas: [
            ...(piece.keepBare ?? []).map((name) =>
              ways.set(`It goes on the bare ${name}`, piece, context, at, { bondArea: name }),
            ),
            ...(isLight(step) && isWaterborne
              ? [ways.set('Let the paint cure first', piece, context, at, { waitFor: 'cured' })]
              : []),
          ],
        }),
      ];
    });
  },
};
