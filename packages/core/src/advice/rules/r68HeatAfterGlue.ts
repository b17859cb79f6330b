import { isHeat } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { has } from '../../model/traits';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { glueLaidAt, SETS_MINUTES } from '../freshGlue';
import { ways } from '../pairs';
import type { Rule } from '../rule';
import { sayC } from '../../model/sayMeasure';

/** R68: hot air or flame opens seams that were glued within a day, and joints of hot glue at any time. */
export const r68HeatAfterGlue: Rule = {
  id: 'R68',
  severity: 'risk',
  title: 'Heat after fresh cement or hot glue',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    return steps.flatMap((hot): RuleFinding[] => {
      if (!isHeat(hot.step)) return [];
      const before = steps.filter(({ at, material }) => at < hot.at && material?.role === 'bond');
      const melting = before.find(({ material }) => has(material, 'melts'));
      if (melting)
        return [
          about(this, piece, hot.step, {
            below: melting.material?.id ?? '',
            message: `Heat opens the joints of ${melting.material?.name ?? 'hot glue'}: heat first, glue afterwards.`,
            reason: `Hot glue goes soft at ${sayC(60)}, and hot air is far above that.`,
            ideas: [ways.move('Heat before the glue', piece, context, hot.at, melting.at)],
          }),
        ];
      const fresh = before.find(
        ({ step, material }) =>
          has(material, 'sets-slowly') &&
          glueLaidAt(piece, context.plan, step.id, hot.step.id).some((age) => age < SETS_MINUTES),
      );
      if (!fresh?.material) return [];
      return [
        about(this, piece, hot.step, {
          below: fresh.material.id,
          message: `Heat comes less than a day after the ${fresh.material.name}: seams under tension open.`,
          reason:
            'Cement holds at once and is strong after a day to three. Until then heat softens it again.',
          ideas: [
            ways.set('Let the glue set for a day', piece, context, hot.at, { waitFor: 'cured' }),
            ways.move('Heat before the glue', piece, context, hot.at, fresh.at),
          ],
        }),
      ];
    });
  },
};
