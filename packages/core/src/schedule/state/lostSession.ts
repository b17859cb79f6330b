import { isAtPacking } from '../../model/lookOvers';
import { groupBy } from '../../model/groupBy';
import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import type { Window } from '../plan/calendar';
import { workBegins, type PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { againstDates, toQuarter, type PieceDates } from './againstDates';
import type { UnitState } from './unitState';

type Hands = Pick<Workload, 'people'>;

/** A delay that is as good as never. */
const A_YEAR_MINUTES = 366 * MINUTES_PER_DAY;

/** A session of somebody; of free time that never ends, a day of it. */
function sessionOf(hands: Hands, operation: PlannedOperation): (Window & { key: string }) | undefined {
  if (operation.laidAt === undefined) return undefined;
  const { personId } = operation;
  const begins = workBegins(operation);
  const window = hands.people.find(({ id }) => id === personId)?.calendar.windowAt(begins);
  if (!window) return undefined;
  const day = Math.floor((begins - window.from) / MINUTES_PER_DAY);
  const from = window.from + day * MINUTES_PER_DAY;
  return { key: `${personId}@${from}`, from, to: Math.min(window.to, from + MINUTES_PER_DAY) };
}

/**
 * How much later the last pass of a unit is laid when one session falls through: what was to be done in it is done by whoever is free
 * soonest after it, what follows waits as long for that as it does in the plan, and goes to the next moment its hands are free where that
 * puts it off. Others' work in that time is left out.
 * @param inTime the passes of one unit, in the order they are laid
 */
function delayWithout(
  session: Window & { key: string },
  inTime: readonly PlannedOperation[],
  sessions: readonly (string | undefined)[],
  hands: Hands,
): number {
  const first = sessions.indexOf(session.key);
  let last = inTime[first - 1]?.laidAt;
  let delay = 0;
  for (let n = first; n < inTime.length; n += 1) {
    const { status, laidAt, opensAt, workMinutes, setUpMinutes, cleanUpMinutes, personId } = inTime[n]!;
    if (laidAt === undefined) continue;
    if (status === 'planned') {
      const begins = laidAt - workMinutes;
      const opens = last === undefined || opensAt === undefined ? begins : Math.max(begins, opensAt + delay);
      const isLost = sessions[n] === session.key;
      const total = setUpMinutes + workMinutes + cleanUpMinutes;
      if (isLost) {
        const from = Math.max(opens - setUpMinutes, session.to);
        const again = Math.min(...hands.people.map(({ calendar }) => calendar.firstFit(from, total)));
        delay = Math.min(A_YEAR_MINUTES, again + setUpMinutes - begins);
      } else if (opens <= begins) delay = 0;
      else {
        const calendar = hands.people.find(({ id }) => id === personId)?.calendar;
        const again = calendar?.firstFit(opens - setUpMinutes, total) ?? Infinity;
        delay = Math.min(A_YEAR_MINUTES, again + setUpMinutes - begins);
      }
      // It has caught up, and nothing more falls through.
      if (delay === 0 && !sessions.includes(session.key, n + 1)) return 0;
    }
    last = laidAt;
  }
  return Math.max(0, delay);
}

/** When a unit is packable and wearable by the plan. */
function readyOf(
  inTime: readonly PlannedOperation[],
  unit: UnitState,
): { packAt: EpochMinute; wearAt: EpochMinute } {
  const end = inTime.reduce((latest, { laidAt = -Infinity }) => Math.max(latest, laidAt), -Infinity);
  return {
    packAt: Math.max(
      end,
      unit.latest(unit.cells.keys(), (stack) => stack.packAt),
    ),
    wearAt: Math.max(
      end,
      unit.latest(unit.cells.keys(), (stack) => stack.wearAt),
    ),
  };
}

/**
 * What comes late when any one session falls through, minutes: each session in turn that something is planned in for the piece, the worst of
 * its units, to the quarter of an hour, summed. 0 for a piece that survives each, is late anyway, has no date, or is never ready.
 */
export function frailMinutes(
  dates: PieceDates,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  hands: Hands,
): number {
  const against = againstDates(dates);
  // What is late anyway has nothing left to survive.
  if (!against || against.late > 0) return 0;
  const worst = new Map<string, number>();
  for (const [key, own] of groupBy(operations, unitKey)) {
    const unit = units.get(key);
    if (!unit) continue;
    const inTime = own
      .filter((operation) => !isAtPacking(operation))
      .sort((a, b) => (a.laidAt ?? Infinity) - (b.laidAt ?? Infinity));
    const lost = inTime.map((one) => (one.status === 'planned' ? sessionOf(hands, one) : undefined));
    const keys = lost.map((one) => one?.key);
    const { packAt, wearAt } = readyOf(inTime, unit);
    for (const session of new Map(lost.flatMap((one) => (one ? [[one.key, one] as const] : []))).values()) {
      const delay = delayWithout(session, inTime, keys, hands);
      const comesLate = delay > 0 ? against.over(packAt + delay, wearAt + delay) : 0;
      if (comesLate > (worst.get(session.key) ?? 0)) worst.set(session.key, comesLate);
    }
  }
  let sum = 0;
  for (const one of worst.values()) sum += toQuarter(one);
  return sum;
}
