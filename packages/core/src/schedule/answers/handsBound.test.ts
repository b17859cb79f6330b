import type { Build, Step } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from './planBuild';

/** Two hours on Saturdays, and a piece to be packed on Sunday the 28th at ten. */
function saturdays(steps: Step[]): Build {
  const build = sampleBuild({ pieces: [samplePiece({}, steps)] });
  build.people[0]!.availability = [{ days: ['sat'], from: '10:00', to: '12:00' }];
  build.events = [{ id: 'day', name: 'The day', packAt: '2027-02-28T10:00', wearAt: '2027-03-07T09:00' }];
  return build;
}
const coat: Step = { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' };

describe('hands against what has to be dry', () => {
  // The coat can be packed 2880 min after it is laid, so it has to be laid by Friday the 26th at ten, before which there is the
  // Saturday of the 20th: 120 min. Prep 119 + coat 2 + one set-up of 3 are 124. The Saturday of the 27th comes too late.
  it('counts only the time before coats have to be laid', () => {
    const plan = planBuild(saturdays([{ id: 'p', kind: 'prep', minutes: 119 }, coat]));
    expect(plan.hands[0]).toMatchObject({
      byAt: epochMinute('2027-02-26T10:00', 'UTC'),
      needMinutes: 124,
      haveMinutes: 120,
      provesLate: true,
    });
    expect(plan.pieces[0]!.readiness).toBe('late');
  });

  it('proves nothing where all just fits', () => {
    const plan = planBuild(saturdays([{ id: 'p', kind: 'prep', minutes: 110 }, coat]));
    expect(plan.hands[0]).toMatchObject({ needMinutes: 115, haveMinutes: 120, provesLate: false });
    expect(plan.pieces[0]!.readiness).not.toBe('late');
  });

  // A coat below is fit when it is tape-safe, 720 min: what lies over it decides.
  it('does not ask of a coat below what is asked of the one on top', () => {
    const { hands } = planBuild(
      saturdays([coat, { ...coat, id: 'c', material: 'acrylic-wash', method: 'wipe', kind: 'weather' }]),
    );
    // The wash can be packed after 1440 min, so by Saturday the 27th at ten.
    expect(hands[0]!.byAt).toBeGreaterThanOrEqual(epochMinute('2027-02-27T10:00', 'UTC'));
  });

  it('proves nothing false: no plan that is in time is called impossible', () => {
    let proved = 0;
    let inTime = 0;
    for (let seed = 1; seed <= 50; seed += 1) {
      const build = randomBuild(seed, { pieces: 1 + (seed % 8), steps: 3, people: 1, slots: 9 });
      build.people[0]!.availability = [
        { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '18:00', to: '19:20' },
      ];
      // Large pieces, so that hands are what is short.
      for (const { faces } of build.pieces) faces.outer.areaCm2 *= 5;
      const plan = planBuild(build, { search: { iterations: 4, seed } });
      const isLate = plan.pieces.some(({ readiness }) => readiness === 'late' || readiness === 'stuck');
      if (plan.hands.some(({ provesLate }) => provesLate)) {
        proved += 1;
        expect([seed, isLate]).toEqual([seed, true]);
      } else if (!isLate) inTime += 1;
    }
    expect(proved).toBeGreaterThanOrEqual(5);
    expect(inTime).toBeGreaterThanOrEqual(5);
  });
});
