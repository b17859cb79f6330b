/** After so many tries away from the best plan without a better one, the search goes on from the best again. */
export const BACK_AFTER_TRIES = 60;

/**
 * Where a search goes on from: it may leave the best for a slightly worse plan, so as not to be stuck, but not for ever.
 * Invariant: `at(done)` is the best again at the latest `BACK_AFTER_TRIES` tries after it was left.
 */
export class Wandering<Plan> {
  private current: Plan;
  private leftAt: number | undefined;

  constructor(private best: Plan) {
    this.current = best;
  }

  /** Something better than all before: from here on. */
  found(best: Plan): void {
    this.best = best;
    this.current = best;
    this.leftAt = undefined;
  }

  /** Goes on from another plan than the best. */
  leaveFor(plan: Plan, done: number): void {
    if (plan === this.best) return this.found(plan);
    this.leftAt ??= done;
    this.current = plan;
  }

  /** The plan to go on from after so many tries. */
  at(done: number): Plan {
    if (this.leftAt !== undefined && done - this.leftAt >= BACK_AFTER_TRIES) this.found(this.best);
    return this.current;
  }
}
