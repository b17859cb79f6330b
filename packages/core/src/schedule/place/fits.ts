import type { EpochMinute } from '../../model/wallTime';
import type { Binding, PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import type { Timeline } from '../state/timeline';
import type { UnitState } from '../state/unitState';
import { allowedFrom } from './allowed';
import { plainHabits, type PlacingHabits } from './decodeOptions';
import { gate } from './gates';
import { joiningFit, type Fit } from './joiningFit';

/** A start is pushed by one constraint after another; more rounds than this would mean they chase each other. */
const MOST_ROUNDS = 400;

/** A pass that looks for its moment. */
export interface Asked {
  operation: PlannedOperation;
  /** Its work begins no sooner. */
  from: EpochMinute;
  /** Whose hands it is done by; whoever can first unless given. */
  personId: string | undefined;
  habits: PlacingHabits;
}

/**
 * Where a pass goes with room behind it for the rest of its tray; where no session has that, where it goes by itself.
 * @param units of the tray, itself included
 */
export function trayFit(draft: DraftState, asked: Asked, units: number): Fit {
  if (units === 1) return bestFit(draft, asked);
  const together = bestFit(draft, asked, (units - 1) * asked.operation.workMinutes);
  return together.start === Infinity ? bestFit(draft, asked) : together;
}

/**
 * The best moment of a pass on anybody's hands: the soonest, or behind another pass it shares a set-up with, as far as habits let it
 * be put off. Its start is Infinity where there is none.
 * @param behind minutes that have to be free behind its work as well
 */
export function bestFit(draft: DraftState, { operation, from, personId, habits }: Asked, behind = 0): Fit {
  let best: Fit = {
    start: Infinity,
    laidAt: Infinity,
    line: undefined,
    boundBy: 'hands',
    joins: undefined,
    mixedAt: Infinity,
  };
  const hands = draft.hands.filter(({ id }) => personId === undefined || id === personId);
  for (const line of hands) {
    const fresh = freshFit(draft, operation, from, line, best.laidAt, behind, habits);
    if (fresh.laidAt < best.laidAt || best.line === undefined) best = fresh;
  }
  const soonest = best.laidAt;
  const latest = soonest + habits.joinPatienceMinutes;
  for (const line of hands) {
    const joining = joiningFit(draft, operation, from, line, latest, behind);
    if (joining && (!best.joins || joining.laidAt < best.laidAt)) best = joining;
  }
  if (best.laidAt > soonest + plainHabits.joinPatienceMinutes) best.boundBy = 'choice';
  return best;
}

/** The first start by one person with a set-up of its own. Gives up beyond `limit`. */
function freshFit(
  draft: DraftState,
  operation: PlannedOperation,
  from: EpochMinute,
  line: Timeline,
  limit: EpochMinute,
  behind: number,
  habits: PlacingHabits,
): Fit {
  const { setUpMinutes, workMinutes, cleanUpMinutes } = operation;
  const total = setUpMinutes + workMinutes + behind + cleanUpMinutes;
  const unit = draft.unitOf(operation);
  let start = Math.max(from - setUpMinutes, draft.now);
  const pushes = new Map<Binding | 'choice', number>();
  const push = (to: EpochMinute, why: Binding | 'choice') => {
    if (to <= start) return;
    pushes.set(why, (pushes.get(why) ?? 0) + to - start);
    start = to;
  };
  const isAtOnce = start === draft.now;
  for (let round = 0; round < MOST_ROUNDS && start !== Infinity; round += 1) {
    const before = start;
    const opened = gate(operation, unit, start + setUpMinutes, operation.letsDryThrough) - setUpMinutes;
    if (opened > start) push(opened, heldBy(operation, unit, start + setUpMinutes, opened));
    if (start === Infinity || start + setUpMinutes + workMinutes > limit) break;
    push(...freeFrom(line, start, total, habits));
    const allowed = allowedFrom(draft, operation, line, start, setUpMinutes);
    push(allowed.start, allowed.boundBy);
    if (start === before) break;
  }
  // What pushed it furthest is what holds it up. Hands that are at what it waits for until its set-up can begin are no wait.
  const inTurn = isAtOnce ? 'start' : 'order';
  const [furthest, by] = [...pushes].reduce((most, one) => (one[1] > most[1] ? one : most), [inTurn, 0] as [
    Binding | 'choice',
    number,
  ]);
  const boundBy = furthest === 'hands' && by <= setUpMinutes ? inTurn : furthest;
  const mixedAt = start + setUpMinutes;
  return { start, laidAt: mixedAt + workMinutes, line, boundBy, joins: undefined, mixedAt };
}

/** What puts the set-up of a pass off until the coats below let it begin. */
function heldBy(
  operation: PlannedOperation,
  unit: UnitState,
  from: EpochMinute,
  opened: EpochMinute,
): Binding {
  if (opened === Infinity) return 'window';
  const { letsDryThrough, setUpMinutes } = operation;
  return letsDryThrough && gate(operation, unit, from) < opened + setUpMinutes ? 'through' : 'drying';
}

/** The first free moment on somebody's hands, in sessions that are used already where that is the habit. */
function freeFrom(
  line: Timeline,
  from: EpochMinute,
  minutes: number,
  habits: PlacingHabits,
): [EpochMinute, Binding | 'choice'] {
  const soonest = line.firstFree(from, minutes);
  if (!habits.usedSessionsOnly) return [soonest, 'hands'];
  const used = line.firstFree(from, minutes, true);
  return used === Infinity || used === soonest ? [soonest, 'hands'] : [used, 'choice'];
}
