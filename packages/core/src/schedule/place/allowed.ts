import { firstGoodAir } from '../../drying/goodAir';
import { methodTable } from '../../model/methods';
import type { EpochMinute } from '../../model/wallTime';
import type { Binding, PlannedOperation } from '../plan/plan';
import { unitKey } from '../plan/workload';
import { takesPlace, type DraftState } from '../state/draftState';
import { staysOf } from '../state/stays';
import type { Timeline } from '../state/timeline';
import { toolFreeFrom } from '../state/toolFree';
import { entryOf } from '../../model/sure';

/** A start, and what pushed it furthest. */
export interface Allowed {
  start: EpochMinute;
  boundBy: Binding;
}

/**
 * The first moment at or after `from` at which its tool, the hours of its place, quiet, the rack and the air let an operation begin, each
 * asked once; what pushes later may have to be asked again.
 * @param line whose hands do it; undefined for somebody's who happens to be there
 * @param setUp minutes of setting up before the work itself; none where a set-up is shared
 */
export function allowedFrom(
  draft: DraftState,
  operation: PlannedOperation,
  line: Timeline | undefined,
  from: EpochMinute,
  setUp: number,
): Allowed {
  const { workload } = draft;
  const { material, workMinutes, cleanUpMinutes, placeId, rackShare } = operation;
  const total = setUp + workMinutes + cleanUpMinutes;
  let start = from;
  let boundBy: Binding = 'hands';
  let furthest = 0;
  const push = (to: EpochMinute, why: Binding) => {
    if (to - start > furthest) [furthest, boundBy] = [to - start, why];
    start = Math.max(start, to);
  };
  push(toolFreeFrom(draft, operation, line, start, total), 'tool');
  push(entryOf(workload.placeHours, placeId).firstFit(start, total), 'place');
  if (start !== Infinity && workload.loudHours && methodTable[operation.method].loud)
    push(workload.loudHours.firstFit(start, total), 'quiet');
  const dust = draft.dust.get(placeId);
  if (start !== Infinity && dust && operation.makesDust)
    push(dust.clearOfWet(start + setUp, workMinutes) - setUp, 'dust');
  if (start === Infinity || !material) return { start, boundBy };
  push((workload.arrivals.get(operation.id) ?? -Infinity) - setUp, 'material');
  const air = entryOf(workload.airs, placeId);
  if (dust?.hasDustAfter(start + setUp)) {
    const wetMinutes =
      entryOf(draft.units, unitKey(operation)).touchAfter(operation, start + setUp + workMinutes, air) -
      (start + setUp);
    push(dust.clearOfDust(start + setUp, Math.ceil(wetMinutes)) - setUp, 'dust');
  }
  if (takesPlace(operation)) {
    const laidAt = start + setUp + workMinutes;
    const rack = draft.racks.get(placeId);
    const indoors = air.indoors && draft.racks.get(air.indoors.placeId);
    if (rack?.mayBeFull(laidAt, rackShare) || indoors?.mayBeFull(laidAt, rackShare)) {
      const key = unitKey(operation);
      // How long the coat would keep its unit on the rack, or on two.
      const unit = entryOf(draft.units, key);
      const [touchAt, handleAt] = [
        unit.touchAfter(operation, laidAt, air),
        unit.handleAfter(operation, laidAt, air),
      ];
      for (const { placeId: on, from: since, to } of staysOf(air, { laidAt, touchAt, handleAt })) {
        const free = draft.racks.get(on)?.firstFree(key, since, to - since, rackShare) ?? since;
        push(start + Math.ceil(free - since), 'rack');
      }
    }
  }
  push(firstGoodAir(material, air, start + setUp, workMinutes, operation.filmFactor) - setUp, 'air');
  return { start, boundBy };
}
