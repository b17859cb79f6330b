import { filledTonight } from './fillTonight';
import { worthPuttingOff } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import { candidateFrom, candidateOf, reinserterOf, type Candidate } from './candidate';
import type { Draw } from './drawn';
import {
  displacedUnits,
  heldCandidate,
  isLeaner,
  isWorthLeaving,
  latePieces,
  leastSlack,
  PLENTY_MINUTES,
  withMissing,
} from './held';
import { compareScores, isAsSafe } from './score';
import { dealtInOrder, type WarmStart } from './warmStart';

/** What a plan that was made before comes to now. */
export interface GoneOn {
  /** As it was, nothing moved but what has to. */
  held: Candidate;
  /** With what is late, or said to be urgent, before all others. */
  urgent: Candidate | undefined;
}

export interface GoOnOptions {
  now: number;
  warm: WarmStart;
  /** Nothing more is looked at where nothing is late and everything has its place. */
  keep: boolean;
  urgent: ReadonlySet<string> | undefined;
  draw: Draw;
  /** Told of each plan that comes up; returning false stops there. */
  offer: (candidate: Candidate) => boolean;
}

/** What begins within so many minutes begins now. */
const AT_ONCE_MINUTES = 3;
/** Each unit that lost its place is taken out and placed again so often, */
const TRIES_A_UNIT = 10;
/** and all of them together no more often than this, as somebody is waiting. */
const MOST_TRIES = 24;

/**
 * Goes on from a plan: everything that can keeps its moment and its hands, whoever is at work goes on in order, and what lost its
 * place is fitted in without moving the rest. Undefined when told to stop.
 */
export function goOn(workload: Workload, options: GoOnOptions): GoneOn | undefined {
  const { now, keep, offer } = options;
  const warm = dealtInOrder(options.warm, workload);
  const sequence = withMissing(warm.sequence, workload);
  let held = heldCandidate(workload, sequence, warm, now);
  if (!offer(held)) return undefined;
  if (isWaiting(workload, held, now) || displacedUnits(workload, held, warm).size > 0) {
    const movedUp = heldCandidate(workload, sequence, warm, now, { movesUp: true });
    if (goesOnBetter(workload, movedUp, held, warm)) held = movedUp;
    if (!offer(movedUp)) return undefined;
  }
  const displaced = displacedUnits(workload, held, warm);
  if (displaced.size > 0) {
    held = settled(workload, held, displaced, options.draw);
    if (!offer(held)) return undefined;
  }
  const filled = filledTonight(workload, held, sequence, now);
  if (filled !== held) {
    held = filled;
    if (!offer(held)) return undefined;
  }
  // Nothing late and everything placed: there is nothing to leave it for.
  if (keep && !options.urgent && held.score.unplaced === 0 && held.score.late === 0)
    return { held, urgent: undefined };
  const first = options.urgent ?? latePieces(held);
  let urgent: Candidate | undefined;
  if (first.size > 0) {
    urgent = heldCandidate(workload, sequence, warm, now, { first });
    if (!offer(urgent)) return undefined;
    // Coats that join take long to dry through: what is late may be in time when each waits for the one below.
    for (const coats of worthPuttingOff(workload, first)) {
      if (urgent.score.late === 0) break;
      const letDryThrough = new Set([...warm.letDryThrough, ...coats]);
      const spaced = heldCandidate(workload, sequence, { ...warm, letDryThrough }, now, { first });
      if (compareScores(spaced.score, urgent.score) < 0) urgent = spaced;
      if (!offer(spaced)) return undefined;
    }
    // Fitted in behind the others they share their set-ups, which is better where there are days to spare.
    const { letDryThrough = warm.letDryThrough } = urgent.made.options;
    const behind = heldCandidate(workload, sequence, { ...warm, letDryThrough }, now, { behind: first });
    const isSafe = leastSlack(behind, first) >= PLENTY_MINUTES;
    if (isSafe && compareScores(behind.score, urgent.score) < 0) urgent = behind;
    if (!offer(behind)) return undefined;
  }
  const { letDryThrough } = warm;
  for (const keepsTenth of [true, false]) {
    const afresh = candidateOf(workload, sequence, { now, letDryThrough, keepsTenth });
    if (!offer(afresh)) return undefined;
    // All of every session is taken for what would be late, or without a place, and for nothing else.
    if (afresh.score.late === 0 && afresh.score.unplaced === 0) break;
  }
  return { held, urgent };
}

/** Whether somebody is in a session and has nothing to do for some minutes. */
function isWaiting(workload: Workload, { run }: Candidate, now: number): boolean {
  const next = new Map<string, number>();
  for (const { status, personId, start } of run.operations)
    if (status === 'planned' && personId !== undefined && start !== undefined)
      next.set(personId, Math.min(start, next.get(personId) ?? Infinity));
  return workload.people.some(({ id, calendar }) => {
    const at = next.get(id);
    return at !== undefined && at > now + AT_ONCE_MINUTES && calendar.windowAt(now) !== undefined;
  });
}

/**
 * Whether whoever is at work had better go on in order at once than keep to the minute: nothing is less safe for it, and either no
 * piece has less to spare and no set-up more is needed, or fewer pieces lose their places.
 */
function goesOnBetter(workload: Workload, movedUp: Candidate, held: Candidate, warm: WarmStart): boolean {
  if (isWorthLeaving(movedUp.score, held.score) || !isAsSafe(movedUp.score, held.score)) return false;
  const [fewer, more] = [movedUp, held].map((one) => displacedUnits(workload, one, warm).size);
  if (fewer !== more) return (fewer ?? 0) < (more ?? 0);
  return !isLeaner(movedUp, held) && movedUp.score.sessions <= held.score.sessions;
}

/** A plan in which what lost its place has been tried in other places, the rest staying where it is. */
function settled(workload: Workload, held: Candidate, displaced: ReadonlySet<string>, draw: Draw): Candidate {
  const reinserter = reinserterOf(workload, held, {}, displaced);
  const tries = Math.min(MOST_TRIES, TRIES_A_UNIT * displaced.size);
  for (let done = 0; done < tries; done += 1) reinserter.try(draw);
  return compareScores(reinserter.best, held.score) < 0 ? candidateFrom(reinserter, held) : held;
}
