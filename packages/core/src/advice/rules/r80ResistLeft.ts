import { binderOf } from '../../model/binders';
import { meet } from '../../facts/stepOrder';
import { orderedSteps } from '../../facts/spots';
import { isTakenOff } from '../../facts/takenOff';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { ways } from '../pairs';
import type { Rule } from '../rule';

/** R80: a resist that nothing takes off before the clear: it stays below it, soft, and everything on it lets go. */
export const r80ResistLeft: Rule = {
  id: 'R80',
  severity: 'stop',
  title: 'Resist left below a clear',
  look(piece, context) {
    const steps = orderedSteps(piece, context);
    return steps.flatMap((resist): RuleFinding[] => {
      if (!resist.material || !binderOf(resist.material).comesOff) return [];
      const clear = steps.find(
        ({ at, step, material }) =>
          at > resist.at && material?.role === 'topcoat' && meet(piece, step, resist.step),
      );
      if (!clear || isTakenOff(piece, resist, clear)) return [];
      const { step } = resist;
      return [
        about(this, piece, clear.step, {
          below: resist.material.id,
          message: `The ${resist.material.name} is still there when the ${clear.material?.name ?? 'clear'} goes on: wipe it off first.`,
          reason:
            'It never hardens. What lies on it peels off in flakes, clear and all, and not where you want it.',
          ideas: [
            ways.insert('Wipe it off before the clear', piece, context, clear.at, {
              kind: 'weather',
              method: 'wipe',
              note: 'When the colour on it is touch-dry: wipe and pick it off, then wipe the residue away.',
              ...(step.faces ? { faces: step.faces } : {}),
              ...(step.zones ? { zones: step.zones } : {}),
            }),
          ],
        }),
      ];
    });
  },
};
