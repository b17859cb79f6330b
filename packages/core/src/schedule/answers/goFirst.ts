import { nth } from '../../model/sure';
import type { EpochMinute } from '../../model/wallTime';
import type { PiecePlan } from '../plan/plan';
import { planTogether, type BuildBeside } from './beside';
import type { Plan } from './plan';
import type { ReadingsByPlace } from '../plan/workload';

/** How a build stands against its dates in a plan. */
export interface BuildStanding {
  /** Minutes that its pieces are late, summed; Infinity where one has no place at all. */
  lateMinutes: number;
  latePieces: number;
  /** When its last piece is ready; undefined where that is not known. */
  readyAt: EpochMinute | undefined;
}

/** What it would change if a build had hands, racks and rooms before another that has them first now. */
export interface GoFirst {
  /** The build that goes first now. */
  other: string;
  /** All builds, in the order that would then hold. */
  order: string[];
  mine: { before: BuildStanding; then: BuildStanding };
  theirs: { before: BuildStanding; then: BuildStanding };
}

/** No more builds than this are tried, those right before it first. */
const MOST_TRIED = 3;

/**
 * For a build that is late or short of time: what each build before it in the order costs it, found by planning all of them with this one
 * before that. Only those are given whose place makes a difference to it: it is less late then, or has fewer late pieces.
 * @param builds all that are in hand, in order
 */
export function goFirst(
  builds: readonly BuildBeside[],
  id: string,
  at: { now: EpochMinute; readings?: ReadingsByPlace },
): GoFirst[] {
  const place = builds.findIndex((one) => one.id === id);
  if (place <= 0) return [];
  const before = planTogether(builds, at);
  const mineBefore = standingIn(before, id);
  if (mineBefore.lateMinutes === 0) return [];
  const offers: GoFirst[] = [];
  for (let n = place - 1; n >= Math.max(0, place - MOST_TRIED); n -= 1) {
    const other = nth(builds, n);
    const me = nth(builds, place);
    const rest = builds.filter((one) => one !== me);
    const order = [...rest.slice(0, n), me, ...rest.slice(n)];
    // The plans they have were made in the other order.
    const then = planTogether(
      order.map((one, at) => (at < n ? one : { id: one.id, build: one.build })),
      at,
    );
    const mine = { before: mineBefore, then: standingIn(then, id) };
    if (mine.then.lateMinutes >= mineBefore.lateMinutes) continue;
    const theirs = { before: standingIn(before, other.id), then: standingIn(then, other.id) };
    offers.push({ other: other.id, order: order.map((one) => one.id), mine, theirs });
    // Nothing is gained by going before more than it takes.
    if (mine.then.lateMinutes === 0) break;
  }
  return offers;
}

function standingIn(plans: ReadonlyMap<string, Plan>, id: string): BuildStanding {
  const pieces = plans.get(id)?.pieces ?? [];
  const late = pieces.filter(({ readiness }) => readiness === 'late' || readiness === 'stuck');
  const lateness = ({ readiness, slackMinutes }: PiecePlan) =>
    readiness === 'stuck' ? Infinity : -(slackMinutes ?? 0);
  const ready = pieces.map(({ packableAt, wearableAt }) => Math.max(packableAt ?? NaN, wearableAt ?? NaN));
  const readyAt = Math.max(...ready);
  return {
    lateMinutes: late.reduce((sum, piece) => sum + lateness(piece), 0),
    latePieces: late.length,
    readyAt: Number.isFinite(readyAt) ? readyAt : undefined,
  };
}
