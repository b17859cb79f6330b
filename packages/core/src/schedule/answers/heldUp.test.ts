import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Step } from '../../model/schema';
import { planBuild } from './planBuild';

const base: Step = { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' };

describe('what holds a piece up', () => {
  it('is mostly the drying of its last coat, told by its name', () => {
    const plan = planBuild(sampleBuild({ pieces: [samplePiece({}, [base])] }), { latestStarts: false });
    // Laid at 08:05, packable 48 h later: two days of two days and five minutes.
    expect(plan.heldUp).toEqual([
      expect.objectContaining({ why: 'drying', material: 'Craft acrylic', minutes: 2880, ofMinutes: 2885 }),
    ]);
    expect(plan.heldUp[0]!.sentence).toMatch(/^Waits longest for Craft acrylic to dry: 2 days of 2 days/);
  });

  it('is hands where nobody is free for longer than anything dries', () => {
    const build = sampleBuild({ pieces: [samplePiece({}, [{ id: 'p', kind: 'prep', minutes: 30 }, base])] });
    build.people[0]!.availability = [{ days: ['sat'], from: '09:00', to: '12:00' }];
    // From Monday at 8 to Saturday at 9 nobody is there: five days and an hour, against two days of drying.
    const [held] = planBuild(build, { latestStarts: false }).heldUp;
    expect(held).toMatchObject({ why: 'hands', minutes: 5 * 1440 + 60 });
    expect(held!.sentence).toMatch(/^Waits longest for somebody to be free: 5 days 1 h of 7 days/);
  });

  it('is the material where that is on order', () => {
    const build = sampleBuild({
      pieces: [samplePiece({}, [base])],
      stock: [{ material: 'craft-acrylic', containerMl: 120, remainingMl: 120, arrivesOn: '2027-02-22' }],
    });
    expect(planBuild(build, { latestStarts: false }).heldUp[0]).toMatchObject({ why: 'material' });
  });

  it('is nothing for a piece that is ready, or has nothing to wait for', () => {
    const done = sampleBuild({ pieces: [samplePiece({}, [{ id: 'p', kind: 'prep', minutes: 30 }])] });
    expect(planBuild(done, { latestStarts: false }).heldUp).toEqual([]);
    expect(planBuild(sampleBuild({ pieces: [samplePiece({}, [])] }), { latestStarts: false }).heldUp).toEqual(
      [],
    );
  });
});
