import type { Build } from '../../model/schema';
import { checkPlan } from '../../testing/checkPlan';
import { checkTogether } from '../../testing/checkTogether';
import { withFirstBatchLogged } from '../../testing/loggedBatch';
import { randomFresh } from '../../testing/randomFresh';
import { sharedParts, inWorkshop } from '../../model/workshop';
import { epochMinute } from '../../model/wallTime';
import { planTogether } from '../answers/beside';
import { planBuild } from '../answers/planBuild';

/** So many builds of each kind; `FIXATUM_FRESH=3000` for thousands. */
const BUILDS = Number(process.env.FIXATUM_FRESH ?? 200);
const seeds = (from: number, count: number) => Array.from({ length: count }, (_, n) => from + n);
/** The first plan, and one that was looked for longer. */
const planned = (build: Build) => planBuild(build, { latestStarts: false });
const searched = (build: Build) => planBuild(build, { latestStarts: false, search: { iterations: 10 } });

/** Silver, a resist over it, red over that, chipped while it is fresh; sealed with a can on a porch. */
function chipped(porchC: number): Build {
  const build = randomFresh(1, 2);
  return {
    ...build,
    places: build.places.map((place) =>
      place.id === 'porch'
        ? { ...place, climate: { kind: 'constant', temperatureC: porchC, humidityPct: 60 } }
        : place,
    ),
    pieces: build.pieces.map((piece) => ({
      ...piece,
      steps: [
        {
          id: 'seal',
          kind: 'seal',
          material: 'rubber-dip-spray',
          method: 'aerosol',
          place: 'porch',
          film: 'light',
        },
        { id: 'silver', kind: 'base', material: 'acrylic-metallic', method: 'sponge' },
        { id: 'resist', kind: 'weather', material: 'chip-resist', method: 'sponge' },
        { id: 'red', kind: 'base', material: 'craft-acrylic', method: 'brush', colour: '#a02020' },
        { id: 'chip', kind: 'weather', method: 'wipe' },
      ],
    })),
  };
}

describe('passes that follow while something is fresh', () => {
  it('have no place where what they stand on has none: no colour goes on bare foam', () => {
    // The can wants 10 °C.
    const cold = planned(chipped(6));
    expect(cold.operations.map(({ status }) => status)).toEqual(cold.operations.map(() => 'unplaced'));
    const warm = planned(chipped(15));
    expect(warm.operations.filter(({ status }) => status === 'unplaced')).toEqual([]);
    expect(checkPlan(chipped(15), warm)).toEqual([]);
  });

  it('are planned soundly, whatever else is on the way, and every plan ends', () => {
    for (const seed of seeds(0, BUILDS)) {
      const build = randomFresh(seed, 1 + (seed % 4));
      expect([seed, checkPlan(build, planned(build))]).toEqual([seed, []]);
    }
  });

  it('stay sound while a better plan is looked for', () => {
    for (const seed of [3, ...seeds(5000, BUILDS / 10)]) {
      const build = randomFresh(seed, 1 + (seed % 4));
      expect([seed, checkPlan(build, searched(build))]).toEqual([seed, []]);
    }
  });

  it('stay sound when a batch was logged late and the plan is gone on from', () => {
    for (const seed of seeds(10_000, BUILDS / 6)) {
      const build = randomFresh(seed, 1 + (seed % 3));
      const before = planned(build);
      if (!before.operations.some(({ status }) => status === 'planned')) continue;
      for (const late of [0, 10, 180]) {
        const { build: then, goOn } = withFirstBatchLogged(build, before, late);
        expect([seed, late, checkPlan(then, goOn())]).toEqual([seed, late, []]);
      }
    }
  });

  it('stay sound in two builds that share hands and racks', () => {
    for (const seed of seeds(20_000, BUILDS / 10)) {
      const first = randomFresh(seed, 2);
      const second = inWorkshop(randomFresh(seed + 1, 2), sharedParts(first));
      const builds = [
        { id: 'first', build: first },
        { id: 'second', build: second },
      ];
      const plans = planTogether(builds, { now: epochMinute(first.start, first.timeZone) });
      const all = builds.map((one) => ({ ...one, plan: plans.get(one.id)! }));
      expect([seed, checkTogether(all)]).toEqual([seed, []]);
      for (const { build, plan } of all) expect([seed, checkPlan(build, plan)]).toEqual([seed, []]);
    }
  });
});
