import { wetFilmUm } from '../../materials/film';
import { laysFilm } from '../../facts/stepOrder';
import { sayMm } from '../../model/sayMeasure';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { orderedSteps } from '../../facts/spots';

const DEEPEST_POUR_MM = 3;

/** R26: epoxy in a deep pool heats itself as it sets: it yellows, cracks and can scorch the foam. */
export const r26DeepPour: Rule = {
  id: 'R26',
  severity: 'risk',
  title: 'Epoxy poured too deep',
  look(piece, context) {
    return orderedSteps(piece, context).flatMap((one): RuleFinding[] => {
      const { step, at, material } = one;
      if (!laysFilm(one) || material?.binder !== 'epoxy') return [];
      const deepMm = wetFilmUm(material, step.film, step.pourMm) / 1000;
      if (deepMm <= DEEPEST_POUR_MM) return [];
      const coats = step.coats ?? 1;
      const pours = Math.ceil((deepMm * coats) / DEEPEST_POUR_MM);
      const each = Math.floor(((deepMm * coats) / pours) * 10) / 10;
      return [
        {
          rule: 'R26',
          severity: 'risk',
          piece: piece.id,
          step: step.id,
          message: `${sayMm(deepMm)} of ${material.name} at once overheats: pour at most ${sayMm(DEEPEST_POUR_MM)}, let it set, pour again.`,
          reason:
            'The reaction gives off heat faster than a deep pool can lose it, and heat speeds the reaction.',
          ideas: [
            ways.set(`${pours} pours of ${sayMm(each)}`, piece, context, at, { coats: pours, pourMm: each }),
          ],
        },
      ];
    });
  },
};
