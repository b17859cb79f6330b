import { binderOf } from '../../model/binders';
import { has } from '../../model/traits';
import { methodTable } from '../../model/methods';
import { isWet, pairRule, ways } from '../pairs';

/** R46: a brushed or wet coat drags loose powder along and muddies it. */
export const r46DragOverPowder = pairRule({
  id: 'R46',
  severity: 'risk',
  title: 'Brushed or wet coat on loose powder',
  reason:
    'A powder lies there by itself. A brush pushes it about, and a wet coat floats it off into rings; a mist dries before it can.',
  judge({ over, under, cleaned }, piece, context) {
    if (!binderOf(under.material).loose || binderOf(over.material).loose || cleaned) return undefined;
    // Said by R09 where water beads on it as well.
    if (has(under.material, 'greasy') && over.material.carrier === 'water') return undefined;
    const drags = methodTable[over.method].drags === true;
    if (over.material.carrier === 'none' || (!drags && !isWet(over))) return undefined;
    const sprayed = over.material.methods.find((method) => methodTable[method].sprays);
    return {
      message: `${over.material.name} would drag the loose ${under.material.name} along: mist the first coats on.`,
      ideas: sprayed
        ? [
            ways.set('Mist it on in dust coats', piece, context, over.at, {
              method: sprayed,
              film: 'dust',
              coats: Math.max(2, over.step.coats ?? 1),
            }),
          ]
        : [],
    };
  },
});
