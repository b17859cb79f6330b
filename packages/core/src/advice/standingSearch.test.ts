import { randomBuild } from '../testing/randomBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Build } from '../model/schema';
import { epochMinute } from '../model/wallTime';
import type { Plan } from '../schedule/answers/plan';
import { planBuild, type PlanOptions } from '../schedule/answers/planBuild';
import { compareScores } from '../schedule/search/score';
import { warmFrom, type WarmStart } from '../schedule/search/warmStart';
import { standingSearch } from './compareVariants';

const NOW = epochMinute('2027-02-15T08:00', 'UTC');
const planned = (build: Build, search: NonNullable<PlanOptions['search']> = {}) =>
  planBuild(build, { now: NOW, latestStarts: false, search });

describe('a plan that stands', () => {
  it('is no worse piece by piece than made from nothing, as long as nothing has begun', () => {
    let keptIsWorse = 0;
    for (let seed = 40; seed < 46; seed += 1) {
      const whole = randomBuild(seed, { pieces: 4, steps: 4, people: 1, slots: 3 });
      const fresh: Build = { ...whole, log: [], underway: [], pins: [] };
      let plan: Plan | undefined;
      for (let pieces = 1; pieces <= 4; pieces += 1) {
        const build = { ...fresh, pieces: fresh.pieces.slice(0, pieces) };
        const warm: WarmStart | undefined = plan && warmFrom(plan);
        const kept = planned(build, warm ? { warm, keep: true, starts: 'none' } : {});
        plan = planned(build, warm ? standingSearch(build, warm) : {});
        const anew = planned(build);
        expect([seed, pieces, compareScores(plan.score, anew.score) <= 0]).toEqual([seed, pieces, true]);
        if (compareScores(kept.score, anew.score) > 0) keptIsWorse += 1;
      }
    }
    // Kept to, it would often have been worse.
    expect(keptIsWorse).toBeGreaterThan(3);
  });
  it('of over five hundred passes is set against one plan by rule only', () => {
    const of = (passes: number): WarmStart => ({
      sequence: Array.from({ length: passes }, (_, at) => `piece/1/step/${at}`),
      beginsAt: new Map(),
      personOf: new Map(),
      letDryThrough: new Set(),
    });
    expect(standingSearch({}, of(500)).starts).toBe('all');
    expect(standingSearch({}, of(501)).starts).toBe('first');
  });
  it('stays where it is once work has begun', () => {
    const two = sampleBuild({ pieces: [samplePiece(), samplePiece({ id: 'plate-1' })] });
    const warm = warmFrom(planned(two));
    const log = [{ id: 'l1', piece: 'plate-1', unit: 1, step: 'seal', coat: 1, doneAt: '2027-02-15T07:30' }];
    expect(standingSearch({ ...two, log }, warm).keep).toBe(true);
    const underway = [
      { operations: ['plate-1/1/seal/1'], person: 'me', startedAt: '2027-02-15T07:55' },
    ] as never;
    expect(standingSearch({ ...two, underway }, warm).keep).toBe(true);
    expect(standingSearch({ ...two, log: [], underway: [] }, warm).keep).toBe(false);
    expect(standingSearch(two, warm).keep).toBe(false);
  });
});
