import { groupBy } from '../../model/groupBy';
import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { workBegins, type PiecePlan, type PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';

type Hands = Pick<Workload, 'people'>;

/** With so many sessions to spare nobody minds a free evening. */
const ENOUGH_SESSIONS = 2;
/** More evenings than this are not counted: it is bad enough. */
const MOST_COUNTED = 14;

/**
 * How many sessions of somebody a pass would have had room in from one moment on, all over before another.
 * @param most counting ends there
 */
function sessionsBetween(
  { people }: Hands,
  { personId, setUpMinutes, workMinutes, cleanUpMinutes }: PlannedOperation,
  from: EpochMinute,
  until: EpochMinute,
  most: number,
): number {
  const calendar = people.find(({ id }) => id === personId)?.calendar;
  if (!calendar || !Number.isFinite(from) || !Number.isFinite(until)) return 0;
  const total = setUpMinutes + workMinutes + cleanUpMinutes;
  let count = 0;
  for (let at = from; count < most;) {
    const starts = calendar.firstFit(at, total);
    if (starts + total > until) break;
    count += 1;
    // Free time that never ends counts by the day.
    at = Math.min(calendar.windowAt(starts)?.to ?? Infinity, starts + MINUTES_PER_DAY);
  }
  return count;
}

/**
 * How many sessions go by in which the next of a piece could have been done, while it has fewer than two to spare before its dates: counted
 * for each pass of its steps by the last of its units, so that a set is not parted for it. 0 for a piece with more to spare, or without a date.
 */
export function putOffSessions(
  { slackMinutes }: Pick<PiecePlan, 'slackMinutes'>,
  operations: readonly PlannedOperation[],
  hands: Hands,
): number {
  if (slackMinutes === undefined || !Number.isFinite(slackMinutes)) return 0;
  const planned = operations.filter(({ status, laidAt }) => status === 'planned' && laidAt !== undefined);
  const last = latestOf(planned);
  if (!last) return 0;
  const begins = workBegins(last);
  const ends = hands.people.find(({ id }) => id === last.personId)?.calendar.windowAt(begins)?.to ?? begins;
  const spare = sessionsBetween(
    hands,
    last,
    Math.min(ends, begins + MINUTES_PER_DAY),
    (last.laidAt ?? begins) + last.cleanUpMinutes + slackMinutes,
    ENOUGH_SESSIONS,
  );
  if (spare >= ENOUGH_SESSIONS) return 0;
  let sum = 0;
  for (const units of groupBy(
    planned,
    ({ stepId, coat, face }) => `${stepId} ${coat} ${face ?? ''}`,
  ).values()) {
    const one = latestOf(units);
    const opens = Math.max(...units.map(({ opensAt = -Infinity }) => opensAt));
    if (one) sum += sessionsBetween(hands, one, opens, workBegins(one), MOST_COUNTED);
  }
  return sum;
}

/** The pass that is begun last; what shares a set-up counts by its work, which others' set-ups do not move. */
const latestOf = (passes: readonly PlannedOperation[]): PlannedOperation | undefined =>
  passes.reduce<PlannedOperation | undefined>(
    (latest, one) => (latest && workBegins(latest) >= workBegins(one) ? latest : one),
    undefined,
  );
