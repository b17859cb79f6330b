import type { Build } from '../../model/schema';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute } from '../../model/wallTime';
import { forecastBuild, sayChance, futuresFor } from './forecast';
import { planBuild } from './planBuild';

/** One brushed coat of craft acrylic, due so many hours after it is expected to be packable. */
function dueAfter(hours: number): Build {
  const build = sampleBuild({
    pieces: [samplePiece({}, [{ id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' }])],
  });
  // Laid 08:05 on Monday, packable after 2880 min at label air: Wednesday 08:05.
  const due = new Date(Date.UTC(2027, 1, 17, 8, 5) + hours * 3_600_000).toISOString().slice(0, 16);
  build.events = [{ id: 'day', name: 'The day', packAt: due, wearAt: '2027-03-06T09:00' }];
  return build;
}
const forecast = (build: Build, seed = 1, samples = 300) =>
  forecastBuild(build, planBuild(build, { latestStarts: false }), seed, { samples })[0]!;

describe('forecastBuild', () => {
  it('spreads round what the plan expects', () => {
    const { packable } = forecast(dueAfter(0));
    const expected = epochMinute('2027-02-17T08:05', 'UTC');
    // Time factor e^(0.2·z): 10 % at e^−0.256 = 0.774, 90 % at 1.292, so 37.2 h and 62 h; the air widens that somewhat.
    expect(Math.abs(packable.p50 - expected)).toBeLessThan(180);
    expect((packable.p10 - expected) / 60).toBeGreaterThan(-15);
    expect((packable.p10 - expected) / 60).toBeLessThan(-8.5);
    expect((packable.p90 - expected) / 60).toBeGreaterThan(10);
    expect((packable.p90 - expected) / 60).toBeLessThan(20);
  });

  it('gives about an even chance of a date that is just met, more of a later one', () => {
    const chances = [-24, 0, 24].map((hours) => forecast(dueAfter(hours)).chance!);
    expect(chances[0]).toBeLessThan(0.05);
    expect(chances[1]).toBeGreaterThan(0.35);
    expect(chances[1]).toBeLessThan(0.65);
    expect(chances[2]).toBeGreaterThan(0.93);
  });

  it('is the same for the same seed, and goes on where fewer futures stopped', () => {
    const build = dueAfter(3);
    expect(forecast(build, 5, 40)).toEqual(forecast(build, 5, 40));
    expect(forecast(build, 5, 40)).not.toEqual(forecast(build, 6, 40));
  });

  it('is narrower for a material that the own tests have confirmed', () => {
    const build = dueAfter(0);
    const plan = planBuild(build, { latestStarts: false });
    const wide = forecastBuild(build, plan, 1, { samples: 200 })[0]!.packable;
    const measured = [
      {
        materialId: 'craft-acrylic',
        materialName: 'Craft acrylic',
        times: [],
        factor: 1,
        touchMinutes: 20,
        confirmed: true,
      },
    ];
    const narrow = forecastBuild(build, { ...plan, measured }, 1, { samples: 200 })[0]!.packable;
    expect(narrow.p90 - narrow.p10).toBeLessThan(0.8 * (wide.p90 - wide.p10));
  });

  it('leaves what lies there already and is dry as certain', () => {
    const build = dueAfter(0);
    build.log = [
      { id: 'l', piece: 'plate', unit: 1, step: 'b', coat: 1, face: 'outer', doneAt: '2027-02-15T08:05' },
    ];
    const plan = planBuild(build, { now: epochMinute('2027-02-25T08:00', 'UTC'), latestStarts: false });
    const [piece] = forecastBuild(build, plan, 1, { samples: 50 });
    // Ten days on even a film that takes e^(0.2·3) = 1.8 times as long is through.
    expect(piece!.packable.p90).toBeLessThan(plan.now);
  });

  it('stops when it is told to, with what there is', () => {
    const build = dueAfter(0);
    let told = 0;
    const result = forecastBuild(build, planBuild(build, { latestStarts: false }), 1, {
      samples: 100,
      onProgress: (done) => {
        told = done;
        return done < 10;
      },
    });
    expect(told).toBe(10);
    expect(result[0]!.chance).toBeDefined();
  });

  it('says it in a sentence, and never promises', () => {
    expect(forecast(dueAfter(24)).sentence).toMatch(
      /^(9\d|over 99) % to make Thu 18 Feb, 08:05\. Nine times in ten it is packable by .*, and half the time by Wed 17 Feb/,
    );
    expect([1, 0, 0.456].map(sayChance)).toEqual(['over 99 %', 'under 1 %', '46 %']);
  });
});

describe('how many futures are tried', () => {
  // 75,000 passes placed in all: 1,020 passes of sixty pieces in 73 futures; no more than 150, and no fewer than 40.
  it.each([
    [0, 150],
    [500, 150],
    [501, 149],
    [1020, 73],
    [1875, 40],
    [17_000, 40],
  ])('of %d passes %d', (passes, futures) => expect(futuresFor(passes)).toBe(futures));
});
