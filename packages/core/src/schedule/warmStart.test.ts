import { randomBuild } from '../testing/randomBuild';
import { sampleBuild } from '../testing/sampleBuild';
import { epochMinute } from '../time/wallTime';
import { planBuild } from './planBuild';
import { keptPlanOf, keptPlanSchema, warmFrom, warmOfKept } from './warmStart';

describe('a kept plan', () => {
  it('comes back from JSON as the warm start it was', () => {
    for (let seed = 500; seed < 505; seed += 1) {
      const warm = warmFrom(planBuild(randomBuild(seed, { pieces: 4, steps: 3, people: 2 })));
      const kept = keptPlanSchema.parse(JSON.parse(JSON.stringify(keptPlanOf(warm))));
      expect(warmOfKept(kept)).toEqual(warm);
    }
  });

  it('moves nothing to another session when nothing has happened', () => {
    for (let seed = 510; seed < 530; seed += 1) {
      const build = randomBuild(seed, { pieces: 4, steps: 4, people: 1 + (seed % 2), slots: 2 });
      const before = planBuild(build, { latestStarts: false, search: { iterations: 60, seed } });
      const warm = warmOfKept(keptPlanOf(warmFrom(before)));
      const after = planBuild(build, { latestStarts: false, search: { warm, keep: true } });
      // Work of the session that somebody is in now may move up inside it; all else stays to the minute.
      const nowEnds = new Map(
        before.ground.people.map(({ id, calendar }) => [id, calendar.windowAt(before.now)?.to ?? -Infinity]),
      );
      for (const [at, was] of before.operations.entries()) {
        const { laidAt, personId } = after.operations[at]!;
        expect([seed, was.id, personId]).toEqual([seed, was.id, was.personId]);
        if (was.start! < nowEnds.get(was.personId!)!) expect(laidAt).toBeLessThanOrEqual(was.laidAt!);
        else expect([seed, was.id, laidAt]).toEqual([seed, was.id, was.laidAt]);
      }
    }
  });

  it('is kept where a pass could be sooner, which is then said to be a choice', () => {
    const build = sampleBuild();
    const reasons = (laterMinutes: number) => {
      const { beginsAt, ...warm } = warmFrom(planBuild(build, { latestStarts: false }));
      const moved = new Map(beginsAt);
      moved.set('plate/1/seal/2/outer', beginsAt.get('plate/1/seal/2/outer')! + laterMinutes);
      const plan = planBuild(build, {
        // An evening away, so that nobody is at work and moves things up.
        now: epochMinute('2027-02-15T07:00', 'UTC'),
        latestStarts: false,
        search: { warm: { ...warm, beginsAt: moved }, keep: true, starts: 'none' },
      });
      return plan.operations.filter(({ kind }) => kind === 'seal').map(({ boundBy }) => boundBy);
    };
    expect(reasons(0)[1]).toBe('drying');
    expect(reasons(60)[1]).toBe('choice');
  });
});
