import { orderedSteps } from '../../facts/spots';
import { toWallTime } from '../../model/wallTime';
import { about } from '../about';
import type { RuleFinding } from '../finding';
import { oncePerStep, type Rule } from '../rule';
import { tinAge } from '../shop/shelf';

/** R76: a tin that has stood open too long may make no film; glue and two-part materials may never set. */
export const r76OldTin: Rule = {
  id: 'R76',
  severity: 'risk',
  title: 'Tin opened too long ago, or past its date',
  look(piece, context) {
    const { build, plan } = context;
    const today = toWallTime(Math.floor(plan.now), build.timeZone).slice(0, 10);
    const open = new Set(
      plan.operations.flatMap(({ pieceId, stepId, status }) =>
        pieceId === piece.id && status !== 'done' && status !== 'skipped' ? stepId : [],
      ),
    );
    const found = orderedSteps(piece, context).flatMap(({ step, material }): RuleFinding[] => {
      if (!material || !open.has(step.id)) return [];
      const ages = (build.stock ?? [])
        .filter((tin) => tin.material === material.id && tin.remainingMl > 0)
        .map((tin) => tinAge(tin, material, today));
      if (ages.length === 0 || ages.includes('good')) return [];
      const isDead = !ages.includes('try-first');
      // What has to set by itself does not, once it is too old.
      const mustSet = material.role === 'bond' || material.potLife !== undefined;
      return [
        about(this, piece, step, {
          ...(isDead && mustSet ? { severity: 'stop' as const } : {}),
          message: isDead
            ? `The ${material.name} on the shelf is too old to be trusted: get a fresh one.`
            : `The ${material.name} on the shelf is past its time: try it on an offcut first.`,
          reason:
            'Binder clots, glue loses its tack and hardeners take up damp, long before a tin looks any different.',
        }),
      ];
    });
    return oncePerStep(found);
  },
};
