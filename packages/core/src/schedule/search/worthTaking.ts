import type { PlannedOperation } from '../plan/plan';
import { isWorthLeaving } from './held';
import { compareScores, type Score } from './score';

/** A plan as far as it has to be known to hold it against another. */
export interface Weighed {
  score: Score;
  operations: readonly Pick<PlannedOperation, 'id' | 'status' | 'start' | 'personId'>[];
}

/** People have arranged themselves for the work of so long ahead, */
const SOON_MINUTES = 2 * 1440;
/** and don't mind it moving by less than this. */
const SMALL_MOVE_MINUTES = 20;
/** So much more to spare, summed over the pieces, is worth saying, */
const WORTH_MINUTES = 240;
/** or so many sessions and set-ups fewer. */
const WORTH_SESSIONS = 3;

/** How many passes of the next two days begin at another time in one plan than in the other, or are in other hands. */
export function movesSoon(one: Weighed, other: Weighed, now: number): number {
  const was = new Map(one.operations.map((operation) => [operation.id, operation]));
  return other.operations.filter((operation) => {
    const before = was.get(operation.id);
    if (!before || before.status !== 'planned' || operation.status !== 'planned') return false;
    const [from, to] = [before.start ?? Infinity, operation.start ?? Infinity];
    if (Math.min(from, to) > now + SOON_MINUTES || from === to) return false;
    return Math.abs(to - from) >= SMALL_MOVE_MINUTES || before.personId !== operation.personId;
  }).length;
}

/**
 * Whether people should be given another plan in place of the one they have. With nothing begun the better simply is. Once work is
 * under way a better one is too, unless it moves work of the next two days: that takes a gain worth saying.
 */
export function isWorthTaking(
  current: Weighed,
  other: Weighed,
  { now, hasBegun }: { now: number; hasBegun: boolean },
): boolean {
  if (compareScores(other.score, current.score) >= 0) return false;
  if (!hasBegun || movesSoon(current, other, now) === 0) return true;
  if (isWorthLeaving(current.score, other.score)) return true;
  if (other.score.unplaced > current.score.unplaced || other.score.late > current.score.late) return false;
  const short = ({ score }: Weighed) => score.frail + score.lacking;
  return (
    short(current) - short(other) >= WORTH_MINUTES ||
    current.score.sessions - other.score.sessions >= WORTH_SESSIONS
  );
}
