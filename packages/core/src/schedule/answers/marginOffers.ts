import type { EpochMinute } from '../../model/wallTime';
import type { Workload } from '../plan/workload';
import { candidateOf } from '../search/candidate';
import { rules } from '../search/rules';
import type { Score } from '../search/score';
import { waveCandidates } from '../search/waves';

/** Another plan in time, held against the one at hand. */
export interface MarginOffer {
  /** Sessions and set-ups. */
  sessions: number;
  /** Minutes that the piece closest to its date has to spare. */
  spareMinutes: number;
  /** Something would be late when any one session falls through. */
  isFrail: boolean;
}

/** What margin costs: a plan with less of both, and one with more of both; each left out where there is none worth saying. */
export interface MarginOffers {
  sessions: number;
  spareMinutes: number;
  leaner?: MarginOffer;
  roomier?: MarginOffer;
}

/** Less margin, or more, than this is nobody's concern, minutes. */
const WORTH_SAYING_MINUTES = 720;
/** Plans of other shapes are made until so many passes were placed: somebody is waiting. */
const MOST_PLACED = 60_000;
const FEWEST_PLANS = 6;

/**
 * What the margin of a plan costs, and what more of it would, by plans of other shapes: made in other orders, and in waves. Undefined for a
 * plan that is not in time, has no dates or holds no work.
 * @param now the present, epoch minutes
 * @param score of the plan at hand
 */
export function marginOffers(workload: Workload, now: EpochMinute, score: Score): MarginOffers | undefined {
  if (score.unplaced > 0 || score.late > 0 || score.tightness >= 0 || score.sessions === 0) return undefined;
  const offers: MarginOffers = { sessions: score.sessions, spareMinutes: -score.tightness };
  let left = Math.max(FEWEST_PLANS, Math.floor(MOST_PLACED / workload.operations.length));
  for (const { score: other } of otherPlans(workload, now)) {
    if (other.unplaced === 0 && other.late === 0) take(offers, other, score);
    left -= 1;
    if (left <= 0) break;
  }
  return offers;
}

function* otherPlans(workload: Workload, now: EpochMinute): Generator<{ score: Score }> {
  for (const { order, habits } of rules)
    yield candidateOf(workload, order(workload), { now, habits, keepsTenth: true });
  yield* waveCandidates(workload, now, true);
}

/** Takes a plan as an offer where it is better than the one so far: leaner by sessions, roomier by what is spare. */
function take(offers: MarginOffers, other: Score, score: Score): void {
  const one: MarginOffer = {
    sessions: other.sessions,
    spareMinutes: -other.tightness,
    isFrail: other.frail > score.frail,
  };
  const { leaner, roomier } = offers;
  const costs = one.isFrail || one.spareMinutes <= offers.spareMinutes - WORTH_SAYING_MINUTES;
  const isLeaner =
    leaner === undefined ||
    one.sessions < leaner.sessions ||
    (one.sessions === leaner.sessions && one.spareMinutes > leaner.spareMinutes);
  if (one.sessions < offers.sessions && costs && isLeaner) offers.leaner = one;
  const gives = one.spareMinutes >= offers.spareMinutes + WORTH_SAYING_MINUTES && !one.isFrail;
  const isRoomier =
    roomier === undefined ||
    one.spareMinutes > roomier.spareMinutes ||
    (one.spareMinutes === roomier.spareMinutes && one.sessions < roomier.sessions);
  if (one.sessions > offers.sessions && gives && isRoomier) offers.roomier = one;
}
