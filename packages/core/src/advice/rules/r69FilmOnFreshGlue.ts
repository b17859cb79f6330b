import { laysFilm, meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { glueLaidAt, SETS_MINUTES } from '../freshGlue';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R69: what still leaves fresh cement blisters the film over the seam. */
export const r69FilmOnFreshGlue: Rule = {
  id: 'R69',
  severity: 'risk',
  title: 'Film over cement younger than a day',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    const glue = steps.filter(({ material }) => has(material, 'sets-slowly'));
    return glue.flatMap((joint): RuleFinding[] => {
      // Where it was glued on a bare area the film goes beside it.
      if (joint.step.bondArea !== undefined) return [];
      const film = steps.find(
        (other) => other.at > joint.at && laysFilm(other) && meet(piece, other.step, joint.step),
      );
      const isFresh =
        film !== undefined &&
        glueLaidAt(piece, context.plan, joint.step.id, film.step.id).some((age) => age < SETS_MINUTES);
      if (!film || !isFresh) return [];
      return [
        about(this, piece, film.step, {
          below: joint.material?.id ?? '',
          message: `${film.material?.name ?? 'The film'} goes over the seams less than a day after the ${joint.material?.name ?? 'cement'}: it can blister along them.`,
          reason: 'Solvent still leaves the joint for a day. A film over it shuts it in.',
          ideas: [ways.set('Let the glue set for a day', piece, context, film.at, { waitFor: 'cured' })],
        }),
      ];
    });
  },
};
