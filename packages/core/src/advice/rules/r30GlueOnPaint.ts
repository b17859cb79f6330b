import type { RuleFinding } from '../finding';
import type { Rule } from '../rule';
import { laysFilm } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';

/** R30: cement holds to paint no better than the paint holds to the foam. Hot glue is told by R27. */
export const r30GlueOnPaint: Rule = {
  id: 'R30',
  severity: 'risk',
  title: 'Glue on a painted surface',
  look(piece, { build, materials }) {
    const steps = orderedSteps(piece, { build, materials });
    if (piece.keepBare && piece.keepBare.length > 0) return [];
    return steps.flatMap(({ step, at, material }): RuleFinding[] => {
      if (material?.role !== 'bond' || material.id === 'hot-glue') return [];
      const film = steps.slice(0, at).find(laysFilm);
      if (!film) return [];
      return [
        {
          rule: 'R30',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          below: film.material.id,
          message: `${material.name} on paint holds only as well as the paint does: keep the bond area bare, or scuff it.`,
          reason: 'The joint tears in the weakest layer, which is the film on the foam.',
          ideas: [],
        },
      ];
    });
  },
};
