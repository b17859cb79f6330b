import { isPlaced } from '../plan/plan';
import type { Taken } from '../plan/taken';
import { unitKey } from '../plan/workload';
import { takesPlace } from '../state/draftState';
import type { Plan } from './plan';

/** What the pieces of a plan take of hands, racks and rooms, but for some that are to be planned anew. */
export function takenBy(plan: Plan, except: ReadonlySet<string>): Taken {
  const taken: Taken = { hands: [], racks: [], wet: [], dusty: [] };
  for (const operation of plan.operations) {
    const { pieceId, placeId, laidAt, workMinutes, status } = operation;
    if (except.has(pieceId) || status === 'skipped' || laidAt === undefined) continue;
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
      const at = unit?.cells.get(cell)?.findIndex(({ operationId }) => operationId === operation.id) ?? -1;
      const coat = at < 0 ? undefined : unit?.dry(cell)?.coats[at];
      touchAt = Math.max(touchAt, coat?.touchAt ?? laidAt);
      handleAt = Math.max(handleAt, coat?.handleAt ?? laidAt);
    }
    if (handleAt <= plan.now) continue;
    taken.wet.push({ place: placeId, from: begins, to: touchAt });
    if (takesPlace(operation))
      taken.racks.push({ place: placeId, unit: key, from: laidAt, to: handleAt, share: operation.rackShare });
  }
  return taken;
}
