import { checkPlan } from '../../testing/checkPlan';
import { largeBuild } from '../../testing/largeBuild';
import { withFirstBatchLogged } from '../../testing/loggedBatch';
import { randomBuild } from '../../testing/randomBuild';
import { toWallTime } from '../../model/wallTime';
import { planBuild } from '../answers/planBuild';
import type { Plan } from '../answers/plan';
import { compareScores } from './score';
import { warmFrom } from './warmStart';

describe('a plan that is gone on from', () => {
  it('moves little when a batch is logged ten minutes late, and nothing of other days but what lost its place', () => {
    const build = largeBuild(12);
    const before = planBuild(build, { latestStarts: false, search: { iterations: 0 } });
    const { build: then, goOn } = withFirstBatchLogged(build, before, 10);
    const after = goOn();
    expect(checkPlan(then, after)).toEqual([]);
    const was = new Map(before.operations.map((one) => [one.id, one]));
    const left = after.operations.filter(({ status }) => status === 'planned');
    const date = (minute: number | undefined) => toWallTime(minute!, build.timeZone).slice(0, 10);
    const otherDay = left.filter((one) => date(one.laidAt) !== date(was.get(one.id)!.laidAt));
    // At most one in twenty.
    expect(otherDay.length * 20).toBeLessThanOrEqual(left.length);
    // What moves on other days than today belongs to a piece of which something lost its day; all else stays to the minute.
    const today = date(after.now);
    const displaced = new Set(otherDay.map(({ pieceId }) => pieceId));
    const later = left.filter(
      (one) => date(was.get(one.id)!.laidAt) !== today && !displaced.has(one.pieceId),
    );
    expect(later.length).toBeGreaterThan(50);
    for (const one of later) expect([one.id, one.laidAt]).toEqual([one.id, was.get(one.id)!.laidAt]);
    expect(after.score.sessions).toBeLessThanOrEqual(before.score.sessions * 1.05);
  });

  it('moves nothing at all when a batch is logged on the minute', () => {
    for (let seed = 60; seed < 70; seed += 1) {
      const build = randomBuild(seed, { pieces: 5, steps: 4, people: 1, slots: 3 });
      const before = planBuild(build, { latestStarts: false, search: { iterations: 0 } });
      const { build: then, goOn } = withFirstBatchLogged(build, before, 0);
      const after = goOn();
      const was = new Map(before.operations.map((one) => [one.id, one.laidAt]));
      const later = after.operations.filter(
        ({ id, status, laidAt }) => status === 'planned' && laidAt! > was.get(id)!,
      );
      expect([seed, later.map(({ id }) => id)]).toEqual([seed, []]);
      expect([seed, checkPlan(then, after)]).toEqual([seed, []]);
    }
  });

  it('settles at no worse than one made from nothing, however it grew', () => {
    for (let seed = 70; seed < 75; seed += 1) {
      const whole = randomBuild(seed, { pieces: 4, steps: 4, people: 1 + (seed % 2), slots: 3 });
      // Step after step is added, and the plan kept to each time.
      let plan: Plan | undefined;
      for (let steps = 1; steps <= 4; steps += 1) {
        const build = {
          ...whole,
          pieces: whole.pieces.map((one) => ({ ...one, steps: one.steps.slice(0, steps) })),
        };
        plan = planBuild(build, {
          latestStarts: false,
          search: plan ? { warm: warmFrom(plan), keep: true, starts: 'none' } : { starts: 'first' },
        });
      }
      const settled = planBuild(whole, { latestStarts: false, search: { warm: warmFrom(plan!) } });
      const fresh = planBuild(whole, { latestStarts: false, search: {} });
      expect([seed, compareScores(settled.score, fresh.score) <= 0]).toEqual([seed, true]);
      expect(compareScores(settled.score, plan!.score)).toBeLessThanOrEqual(0);
    }
  });
});
