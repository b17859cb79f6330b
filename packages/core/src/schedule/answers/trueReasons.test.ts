import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { workBegins } from '../plan/plan';
import { warmFrom } from '../search/warmStart';
import { planBuild } from './planBuild';
import { withProofs } from './whyLater';

// Less than an hour's work of somebody who is free stands in no way.
const AN_HOUR = 60;

describe('why a pass begins no sooner', () => {
  it('is never that nobody is free while somebody is, with nothing to do, for an hour or more', () => {
    let asked = 0;
    for (let seed = 0; seed < 16; seed += 1) {
      const build = randomBuild(seed, {
        pieces: 3 + (seed % 4),
        steps: 4,
        people: 1 + (seed % 2),
        slots: 2 + (seed % 3),
        quiet: seed % 3 === 0,
      });
      const first = planBuild(build, { search: { starts: 'all', iterations: 40 }, latestStarts: false });
      const plan =
        seed % 2 === 1
          ? first
          : planBuild(build, {
              now: first.now + 60,
              latestStarts: false,
              search: { warm: warmFrom(first), keep: true, starts: 'none' },
            });
      for (const one of withProofs(plan)) {
        const { id, status, start, opensAt, setUpMinutes, workMinutes, cleanUpMinutes } = one;
        if (status !== 'planned' || start === undefined || opensAt === undefined) continue;
        if ((one.waitsFor?.why ?? one.boundBy) !== 'hands') continue;
        // It is said when somebody is free, and that they are at other work then.
        const { freeAt } = one.waitsFor ?? {};
        asked += 1;
        const from = Math.max(opensAt - setUpMinutes, plan.now);
        const total = setUpMinutes + workMinutes + cleanUpMinutes;
        // The first free time of anybody, whatever else they do in it: the pass waits for that, give or take an hour of other work.
        const free = Math.min(...plan.workload.people.map(({ calendar }) => calendar.firstFit(from, total)));
        expect([seed, id, freeAt ?? start - free <= AN_HOUR]).toEqual([seed, id, freeAt ? free : true]);
      }
    }
    expect(asked).toBeGreaterThan(40);
  });

  it('is the work before it where hands go from one to the next', () => {
    const build = sampleBuild({
      start: '2027-02-15T19:00',
      people: [{ id: 'me', name: 'Me', availability: [{ days: ['mon'], from: '19:00', to: '22:00' }] }],
      pieces: ['a', 'b'].map((id, n) =>
        samplePiece({ id, name: id }, [{ id: 's', kind: n === 0 ? 'prep' : 'inspect', minutes: 30 }]),
      ),
    });
    const plan = planBuild(build, { latestStarts: false });
    const [first, second] = withProofs(plan).sort((a, b) => workBegins(a) - workBegins(b));
    expect(first?.waitsFor).toBeUndefined();
    expect(second?.waitsFor).toEqual({ why: 'busy' });
  });
});
