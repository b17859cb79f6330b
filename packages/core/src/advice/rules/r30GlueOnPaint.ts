import { laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import type { Piece, Step } from '../../model/schema';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** Whether a step glues where the piece was kept bare for it. */
export const isOnBareArea = (piece: Piece, { bondArea }: Step): boolean =>
  bondArea !== undefined && (piece.keepBare ?? []).includes(bondArea);

/** R30: cement holds to paint no better than the paint holds to the foam. Hot glue is told by R27. */
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
      return [
        about(this, piece, step, {
          below: film.material.id,
          message: `${material.name} on ${film.material.name} holds only as well as that does: keep the bond area bare, or scuff it.`,
          reason: 'The joint tears in the weakest layer, which is the film on the foam.',
          ideas: (piece.keepBare ?? []).map((name) =>
            ways.set(`It goes on the bare ${name}`, piece, context, at, { bondArea: name }),
          ),
        }),
      ];
    });
  },
};
