import { methodTable } from '../../model/methods';
import { isPlaced } from '../plan/plan';
import type { Taken } from '../plan/taken';
import { dryingOf } from '../state/rackStays';
import type { Plan } from './plan';

/**
 * What the pieces of a plan take of hands, racks and rooms, but for some that are to be planned anew.
 * @param begunOnly only what has been begun or done: what is merely planned may still move
 */
export function takenBy(plan: Plan, except: ReadonlySet<string>, begunOnly = false): Taken {
  const taken: Taken = { hands: [], racks: [], wet: [], dusty: [] };
  for (const operation of plan.operations) {
    const { pieceId, placeId, laidAt, workMinutes, status } = operation;
    if (except.has(pieceId) || status === 'skipped' || laidAt === undefined) continue;
    if (begunOnly && status === 'planned') continue;
    if (isPlaced(operation) && status !== 'done')
      taken.hands.push({
        person: operation.personId,
        from: operation.start,
        to: operation.end,
        tool: methodTable[operation.method].tool,
      });
    const begins = laidAt - workMinutes;
    if (operation.makesDust && laidAt > plan.now)
      taken.dusty.push({ place: placeId, from: begins, to: laidAt });
    const drying = dryingOf(operation, plan.workload.airs, plan.units);
    if (!drying || drying.handleAt <= plan.now) continue;
    taken.wet.push({ place: placeId, from: begins, to: drying.touchAt });
    for (const { placeId: place, from, to } of drying.stays)
      taken.racks.push({ place, unit: drying.unit, from, to, share: operation.rackShare });
  }
  return taken;
}
