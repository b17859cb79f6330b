import { checkPlan } from '../../testing/checkPlan';
import { checkTogether } from '../../testing/checkTogether';
import { randomBuild } from '../../testing/randomBuild';
import { withHistory } from '../../testing/randomHistory';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build } from '../../model/schema';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { sharedParts, inWorkshop } from '../../model/workshop';
import { planTogether, type BuildBeside } from './beside';
import { planBuild } from './planBuild';
import { warmFrom } from '../search/warmStart';

const wood = (id: string) =>
  samplePiece({ id, name: id, substrate: { kind: 'wood', thicknessMm: 6 } }, [
    { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush', minutes: 30 },
  ]);
const start = epochMinute('2027-02-15T08:00', 'UTC');
const beside = (id: string, build: Build): BuildBeside => ({ id, build });
const takenBeside = (builds: readonly BuildBeside[], id: string, at: { now: number }) =>
  planTogether(builds, at).get(id)!.workload.taken;

describe('two builds of one workshop', () => {
  const [first, second] = [sampleBuild({ pieces: [wood('a')] }), sampleBuild({ pieces: [wood('a')] })];
  const at = { now: start };
  const begins = (build: Build, taken = planBuild(build, at).workload.taken) =>
    planBuild(build, { ...at, taken }).operations.map((pass) => toWallTime(pass.start!, 'UTC').slice(11));

  it('have the hands one after the other, in their order', () => {
    const builds = [beside('first', first), beside('second', second)];
    const plans = planTogether(builds, at);
    const [one, other] = [...plans.values()].map(({ operations: [pass] }) => pass!);
    expect(toWallTime(one!.start!, 'UTC').slice(11)).toBe('08:00');
    // With setting up and cleaning up, the first has Me for a while; the second begins when they are done.
    expect(other!.start).toBe(one!.end);
    expect(begins(first, takenBeside(builds, 'first', at))).toEqual(['08:00']);
    expect(begins(second, takenBeside(builds, 'second', at))).toEqual([
      toWallTime(one!.end!, 'UTC').slice(11),
    ]);
    expect(takenBeside([beside('first', first)], 'first', at)).toEqual({
      hands: [],
      racks: [],
      wet: [],
      dusty: [],
    });
  });

  it('find what was begun in a later one, but not what is only planned there', () => {
    const begun: Build = {
      ...second,
      underway: [
        { id: 'u', piece: 'a', unit: 1, step: 'base', coat: 1, face: 'outer', startedAt: '2027-02-15T07:50' },
      ],
    };
    const planned = takenBeside([beside('first', first), beside('second', second)], 'first', at);
    expect(planned.hands).toEqual([]);
    const taken = takenBeside([beside('first', first), beside('second', begun)], 'first', at);
    expect(taken.hands).toHaveLength(1);
    expect(begins(first, taken)[0]! > '08:00').toBe(true);
  });

  it('never book one pair of hands or one rack place twice, whatever is done or begun', () => {
    for (let seed = 1; seed <= 25; seed += 1) {
      const shape = { pieces: 2 + (seed % 2), steps: 4, people: 1 + (seed % 2), quiet: seed % 5 === 0 };
      const home = randomBuild(seed, shape);
      const others = [seed + 100, seed + 200].map((own) =>
        inWorkshop(randomBuild(own, shape), sharedParts(home)),
      );
      const [begun, fresh] = [withHistory(others[0]!, seed), others[1]!];
      const now = Math.max(epochMinute(home.start, home.timeZone), begun.now);
      const builds = [beside('home', home), beside('begun', begun.build), beside('fresh', fresh)];
      const plans = planTogether(builds, { now });
      const all = builds.map(({ id, build }) => ({ id, build, plan: plans.get(id)! }));
      expect([seed, checkTogether(all)]).toEqual([seed, []]);
      for (const { id, build, plan } of all)
        if (id !== 'begun') expect([seed, checkPlan(build, plan)]).toEqual([seed, []]);
      // Planned again from the plans they have, each on a screen of its own, they keep to them.
      const again = builds.map((one) => ({ ...one, plan: warmFrom(plans.get(one.id)!) }));
      const own = again.map(({ id, build, plan: warm }) => ({
        id,
        build,
        plan: planBuild(build, {
          now,
          latestStarts: false,
          taken: takenBeside(again, id, { now }),
          search: { warm, keep: true, starts: 'none' },
        }),
      }));
      expect([seed, checkTogether(own)]).toEqual([seed, []]);
    }
  });
});
