import { largeBuild } from '../../testing/largeBuild';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from './planBuild';

describe('the fewest sessions and set-ups', () => {
  it('are the free times that hold the work, and a set-up for each kind of thing', () => {
    // Prep has no set-up; 250 min of it are three evenings of two hours; brushing two materials is a set-up each.
    const build = sampleBuild({
      pieces: [
        samplePiece({}, [
          { id: 'cut', kind: 'prep', minutes: 120 },
          { id: 'fit', kind: 'prep', minutes: 120 },
          { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', minutes: 5 },
          { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
          { id: 'again', kind: 'base', material: 'craft-acrylic', method: 'brush', colour: '#223344' },
        ]),
      ],
    });
    build.people[0]!.availability = [{ days: ['mon', 'wed', 'fri'], from: '19:00', to: '21:00' }];
    const { effort } = planBuild(build, { latestStarts: false });
    // A step with minutes of its own counts no set-up, so only the acrylic does, which is rinsed for the other colour.
    expect(effort.atLeast).toBe(3 + 1);
    expect(effort.planned).toBeGreaterThanOrEqual(effort.atLeast);
  });

  it('are met by a plan that has everything to itself', () => {
    const plan = planBuild(
      sampleBuild({
        pieces: [samplePiece({}, [{ id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' }])],
      }),
    );
    expect(plan.effort).toEqual({ planned: 2, atLeast: 2 });
  });

  it('are never beaten, also half way through', () => {
    for (let seed = 240; seed < 265; seed += 1) {
      const build = randomBuild(seed, {
        pieces: 1 + (seed % 5),
        steps: 2 + (seed % 4),
        people: 1 + (seed % 2),
        slots: 3,
      });
      const { effort } = planBuild(build, { latestStarts: false, search: { iterations: 40, seed } });
      expect([seed, effort.planned >= effort.atLeast]).toEqual([seed, true]);
    }
    const { effort } = planBuild(largeBuild(10), { latestStarts: false, search: { iterations: 0 } });
    expect(effort.planned).toBeGreaterThanOrEqual(effort.atLeast);
  });
});
