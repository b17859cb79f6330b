import type { EpochMinute } from '../../model/wallTime';
import { gate } from '../place/gates';
import { faultOfAir } from '../../drying/goodAir';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';
import type { Plan } from './plan';

/**
 * Planned passes that could be done at this very moment: all that goes before is done, what lies below allows it, and the
 * air of the place is fit. In the order the plan has them. Whoever has half an hour to spare picks from these.
 */
export function doableNow(
  workload: Workload,
  plan: Pick<Plan, 'operations' | 'units'>,
  now: EpochMinute,
): string[] {
  const byId = new Map(plan.operations.map((operation) => [operation.id, operation]));
  const isDone = (id: string) => {
    const status = byId.get(id)?.status;
    return status === undefined || status === 'done' || status === 'skipped';
  };
  const fits = (operation: PlannedOperation): boolean => {
    if (operation.status !== 'planned' || !operation.after.every(isDone)) return false;
    // The units of a plan carry what is still to come as well; only what lies there now counts.
    const unit = plan.units.get(`${operation.pieceId}/${operation.unit}`)?.asOfNow(now);
    if (unit && gate(operation, unit, now, operation.letsDryThrough) > now) return false;
    const place = workload.airs.get(operation.placeId);
    if (place && operation.material && faultOfAir(operation.material, place.series.airAt(now))) return false;
    const hours = workload.placeHours.get(operation.placeId);
    const minutes = operation.setUpMinutes + operation.workMinutes + operation.cleanUpMinutes;
    return !hours || hours.firstFit(now, minutes) <= now;
  };
  return plan.operations
    .filter(fits)
    .sort((a, b) => (a.start ?? Infinity) - (b.start ?? Infinity))
    .map((operation) => operation.id);
}
