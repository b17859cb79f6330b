import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { compareScores, isAsSafe, type Score } from './score';

/** Plans that search is begun from anew, at most. */
const MOST = 12;
/** A plan with so many more sessions and set-ups than the best is still worth beginning from. */
const LEEWAY = 2;

/** Where the best is late, one that is no more than this share later is too. */
const LATE_LEEWAY = 0.4;

/** What is known of a plan here: how good it is, and when its work begins. */
interface Begun {
  score: Score;
  begins: EpochMinute;
}

/** The days on which the work of a plan begins and all is ready. */
const daysOf = ({ begins, score }: Begun): string =>
  [begins, score.finish].map((at) => Math.floor(at / MINUTES_PER_DAY)).join();

/**
 * Plans made in different ways that a search goes back to when changes to the best lead nowhere: what is best of all may be near
 * one of those. Invariants: at most `MOST`, no two that begin and end on the same days, the better ones kept.
 */
export class Beginnings<Plan extends Begun> {
  private plans: Plan[] = [];
  private turn = 0;

  add(plan: Plan): void {
    // Plans that begin and end on the same days are near enough to come from one another.
    const days = daysOf(plan);
    const same = this.plans.find((one) => daysOf(one) === days);
    if (same && compareScores(same.score, plan.score) <= 0) return;
    this.plans = [...this.plans.filter((one) => one !== same), plan]
      .sort((a, b) => compareScores(a.score, b.score) || 0)
      .slice(0, MOST);
  }

  /** The next to begin from, in turn with the best itself: undefined stands for that. */
  next(best: Score): Plan | undefined {
    const near = this.plans.filter(({ score }) =>
      best.late > 0
        ? score.unplaced === best.unplaced && score.late <= best.late * (1 + LATE_LEEWAY)
        : isAsSafe(score, best) && score.sessions <= best.sessions + LEEWAY,
    );
    this.turn += 1;
    return near[this.turn % (near.length + 1)];
  }
}
