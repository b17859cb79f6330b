import { isAtPacking } from '../../model/lookOvers';
import { nineInTenFactor } from '../../drying/spread';
import { surfaceFrom } from '../../drying/surface';
import { groupBy } from '../../model/groupBy';
import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { againstDates, toQuarter, type PieceDates } from './againstDates';
import type { UnitState } from './unitState';

/** What the spread of a plan is reckoned from: whose free time counts, and which materials the own tests have confirmed. */
export interface SpreadGround {
  workload: Pick<Workload, 'people'>;
  confirmed: ReadonlySet<string>;
}

/** A delay that is as good as never. */
const A_YEAR_MINUTES = 366 * 1440;

/**
 * When one unit is packable and wearable at the latest in nine futures of ten: every wait takes as much longer as its material
 * and the air are likely to, a pass that is not let begin by then goes to the next moment its hands are free, and the last coats
 * dry as much longer. Others' work in that time, and pieces it waits for, are left out.
 */
function unitInNineOfTen(
  own: readonly PlannedOperation[],
  unit: UnitState,
  { workload, confirmed }: SpreadGround,
): { packAt: EpochMinute; wearAt: EpochMinute } {
  const factorOf = (materialId: string | undefined) =>
    nineInTenFactor(materialId !== undefined && confirmed.has(materialId));
  const inTime = own
    .filter((operation) => !isAtPacking(operation))
    .sort((a, b) => (a.laidAt ?? Infinity) - (b.laidAt ?? Infinity));
  let delay = 0;
  let last: EpochMinute | undefined;
  let factor = factorOf(undefined);
  for (const operation of inTime) {
    const { status, laidAt, opensAt, workMinutes, setUpMinutes, cleanUpMinutes, personId, material } =
      operation;
    if (laidAt === undefined) continue;
    if (status === 'planned' && last !== undefined && opensAt !== undefined) {
      const opens = last + delay + Math.max(0, opensAt - last) * factor;
      const begins = laidAt - workMinutes;
      if (opens <= begins) delay = 0;
      else {
        const calendar = workload.people.find(({ id }) => id === personId)?.calendar;
        const total = setUpMinutes + workMinutes + cleanUpMinutes;
        const again = (calendar?.firstFit(opens - setUpMinutes, total) ?? Infinity) + setUpMinutes;
        delay = Math.min(A_YEAR_MINUTES, again - begins);
      }
    }
    last = laidAt;
    if (material) factor = factorOf(material.id);
  }
  const end = last === undefined ? -Infinity : last + delay;
  const ready = { packAt: end, wearAt: end };
  for (const [, coats, stack] of unit.stacks()) {
    const surface = surfaceFrom(coats);
    for (const [at, { material, laidAt }] of coats.entries()) {
      const milestones = stack.coats[at];
      if (!milestones) continue;
      const late = (moment: EpochMinute) => laidAt + (moment - laidAt) * factorOf(material.id) + delay;
      ready.packAt = Math.max(ready.packAt, late(at >= surface ? milestones.packAt : milestones.tapeAt));
      ready.wearAt = Math.max(ready.wearAt, late(milestones.wearAt));
    }
  }
  return ready;
}

/**
 * The minutes that a piece lacks to make its dates in nine futures of ten, beyond what it is late already, to the quarter of an
 * hour; 0 for one that makes them, has none, or is never ready.
 */
export function lackingMinutes(
  dates: PieceDates,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  ground: SpreadGround,
): number {
  const against = againstDates(dates);
  if (!against) return 0;
  const { late, over } = against;
  const byUnit = groupBy(operations, unitKey);
  let most = 0;
  for (const [key, own] of byUnit) {
    const unit = units.get(key);
    if (!unit) continue;
    const { packAt, wearAt } = unitInNineOfTen(own, unit, ground);
    most = Math.max(most, over(packAt, wearAt));
  }
  return toQuarter(Math.max(0, most - late));
}
