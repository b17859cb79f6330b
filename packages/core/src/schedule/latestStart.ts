import type { Piece } from '../build/schema';
import { MINUTES_PER_DAY, type EpochMinute } from '../time/wallTime';
import { decode } from './decode';
import type { PlanningGround } from './ground';
import { pieceReadiness } from './readiness';

const STEP_MINUTES = 15;

/**
 * The last moment at which work on a piece can go on and still make its dates, with all hands and nothing else in the
 * way; to a quarter of an hour. Undefined when the piece has no date, or when even starting now is too late. What it waits
 * for in other pieces is taken from the plan at hand.
 *
 * Found by halving the time between now and the date, re-planning the piece alone from each moment tried, so it takes
 * drying, nights and recoat windows as they fall.
 */
export function latestStart(
  ground: PlanningGround,
  piece: Piece,
  now: EpochMinute,
  fixedEnds: ReadonlyMap<string, EpochMinute>,
  sequence: readonly string[],
): EpochMinute | undefined {
  const dueAt = ground.dueAt.get(piece.id);
  if (dueAt === undefined) return undefined;
  const onlyPieces = new Set([piece.id]);
  const makesIt = (from: EpochMinute): boolean => {
    const { operations, units } = decode(ground, sequence, { now: from, onlyPieces, fixedEnds });
    const { readiness } = pieceReadiness(ground.build, piece, operations, units, from);
    return readiness !== 'late' && readiness !== 'stuck';
  };
  if (!makesIt(now)) return undefined;
  let good = 0;
  let bad = Math.ceil((dueAt + MINUTES_PER_DAY - now) / STEP_MINUTES);
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (makesIt(now + middle * STEP_MINUTES)) good = middle;
    else bad = middle;
  }
  return now + good * STEP_MINUTES;
}
