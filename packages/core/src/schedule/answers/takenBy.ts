import { isPlaced } from '../plan/plan';
import type { Taken } from '../plan/taken';
import { unitKey } from '../plan/workload';
import { takesPlace } from '../state/draftState';
import { entryOf } from '../../model/sure';
import { staysOf } from '../state/stays';
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
      taken.hands.push({ person: operation.personId, from: operation.start, to: operation.end });
    const begins = laidAt - workMinutes;
    if (operation.makesDust && laidAt > plan.now)
      taken.dusty.push({ place: placeId, from: begins, to: laidAt });
    if (!operation.material) continue;
    const key = unitKey(operation);
    const unit = plan.units.get(key);
    let touchAt = laidAt;
    let handleAt = laidAt;
    for (const cell of operation.cells) {
      // As it stood when this was laid: it is on the rack until all of it can be handled, what lies below too.
      const then = unit?.asOf(cell, laidAt);
      touchAt = Math.max(touchAt, then?.coats.at(-1)?.touchAt ?? laidAt);
      handleAt = Math.max(handleAt, then?.handleAt ?? laidAt);
    }
    if (handleAt <= plan.now) continue;
    taken.wet.push({ place: placeId, from: begins, to: touchAt });
    if (!takesPlace(operation)) continue;
    const air = entryOf(plan.workload.airs, placeId);
    for (const stay of staysOf(air, { laidAt, touchAt, handleAt }))
      taken.racks.push({
        place: stay.placeId,
        unit: key,
        from: stay.from,
        to: stay.to,
        share: operation.rackShare,
      });
  }
  return taken;
}
