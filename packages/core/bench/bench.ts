// `npm run bench`: how long the core takes over builds of several sizes. Prints; asserts nothing.
import { colourBench } from './colourBench';
import { shapesBench } from './shapesBench';
import { dryStack, plainMilestones } from '../src/drying/dryStack';
import { placeAir } from '../src/drying/placeAir';
import { catalogueById } from '../src/materials/catalogue';
import { epochMinute } from '../src/model/wallTime';
import { judgeBuild } from '../src/advice/judgeBuild';
import { pieceBounds } from '../src/schedule/place/bounds';
import { workloadOf } from '../src/schedule/plan/workload';
import { planBuild } from '../src/schedule/answers/planBuild';
import type { Plan } from '../src/schedule/answers/plan';
import { forecastBuild } from '../src/schedule/answers/forecast';
import { checkBuild } from '../src/advice/checkBuild';
import { withFirstBatchLogged } from '../src/testing/loggedBatch';
import type { Score } from '../src/schedule/search/score';
import { searchPlan } from '../src/schedule/search/search';
import optima from '../src/testing/optima.json';
import { provableBuild } from '../src/testing/provableBuild';
import { largeBuild } from '../src/testing/largeBuild';
import { handsDoneAt } from '../src/schedule/answers/handsBound';
import type { LaidCoat } from '../src/drying/laidCoat';

/** The median of some runs, ms, after one to warm up. */
function median(runs: number, work: () => unknown): number {
  work();
  const times = Array.from({ length: runs }, () => {
    const from = performance.now();
    work();
    return performance.now() - from;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)]!;
}
const row = (what: string, ms: number, aim?: number) =>
  console.log(
    `${what.padEnd(58)}${ms.toFixed(0).padStart(7)} ms${aim === undefined ? '' : `   aim ${aim} ms`}`,
  );

/** 60 stacks of 12 coats in a room with thirty days of hourly air, every milestone of every coat. */
function dryAll(): number {
  const build = largeBuild(1);
  const place = placeAir(build.places[0]!, build.timeZone, 0);
  const start = epochMinute(build.start, build.timeZone);
  const materials = ['pva-flex-primer', 'acrylic-pu-primer-black', 'craft-acrylic', 'rubber-dip-spray'];
  let sum = 0;
  for (let piece = 0; piece < 60; piece += 1) {
    const coats = Array.from({ length: 12 }, (_, n): LaidCoat => ({
      material: catalogueById.get(materials[(n + piece) % materials.length]!)!,
      filmFactor: 1,
      laidAt: start + piece * 7 + n * 180,
      air: 'still',
    }));
    const stack = dryStack(coats, [{ from: start, placeAir: place, fan: false }]);
    sum += stack.coats.map(plainMilestones).length + stack.packAt + stack.wearAt;
  }
  return sum;
}
row('dry 60 stacks of 12 coats over 30 days of hourly air', median(7, dryAll), 300);

const sixty = largeBuild(60);
const plan = planBuild(sixty, { latestStarts: false });
row(
  'check 60 pieces of 12 steps, plan at hand',
  median(7, () => judgeBuild(sixty, plan)),
  150,
);
colourBench(row);
shapesBench(row);
console.log();
for (const pieces of [10, 60, 250]) {
  const build = largeBuild(pieces);
  const workload = workloadOf(build);
  const now = workload.startAt;
  const size = `${pieces} pieces, ${workload.operations.length} passes`;
  // The first plan of a fresh program counts, as nobody warms up before planning; then what it settles at.
  const from = performance.now();
  planBuild(build, { latestStarts: false });
  row(`${size}: first plan, cold`, performance.now() - from);
  row(
    `${size}: first plan`,
    median(3, () => planBuild(build, { latestStarts: false })),
    { 60: 300, 250: 3000 }[pieces],
  );
  const finals = [1, 2, 3].map((seed) => {
    const until = performance.now() + 5000;
    let tries = 0;
    const best = searchPlan(workload, {
      now,
      seed,
      iterations: Number.MAX_SAFE_INTEGER,
      onProgress: (_best, done) => {
        tries = done;
        return performance.now() < until;
      },
    });
    return { tries, best };
  });
  const first = searchPlan(workload, { now, starts: 'first' }).score;
  const words = (score: Score) =>
    `${score.late} min late, lacking ${Math.round(score.lacking / 60)} h, ${score.sessions} sessions and set-ups, ${Math.round(-score.tightness / 60)} h to spare`;
  console.log(`  first plan: ${words(first)}`);
  for (const [n, { tries, best }] of finals.entries())
    console.log(`  5 s, seed ${n + 1}, ${tries} tries: ${words(best.score)}`);
  const { operations, units } = finals[0]!.best.run;
  const minutes = workload.operations.reduce((sum, operation) => sum + operation.workMinutes, 0);
  const bound = Math.max(
    handsDoneAt(workload, minutes, now),
    ...pieceBounds(workload, operations, units, now).map((one) => Math.max(one.packableAt, one.wearableAt)),
  );
  console.log(
    `  last piece ready ${((finals[0]!.best.score.finish - bound) / 1440).toFixed(1)} days after what no plan can beat: the slowest piece alone, and all hands`,
  );
}
// Small builds whose optimum an exact solver has proved (`npm run prove`).
for (const [of, own] of [
  ['small', optima.filter(({ pieces }) => pieces <= 3)],
  ['middling', optima.filter(({ pieces }) => pieces > 3)],
] as const) {
  const gaps = own.map((optimum) => {
    const workload = workloadOf(provableBuild(optimum));
    const until = performance.now() + 5000;
    const { score } = searchPlan(workload, {
      now: workload.startAt,
      iterations: Number.MAX_SAFE_INTEGER,
      onProgress: ({ score: best }) => best.sessions > optimum.sessions && performance.now() < until,
    });
    return score.sessions - optimum.sessions;
  });
  const reached = gaps.filter((gap) => gap === 0).length;
  console.log(
    `${own.length} ${of} builds with a proved optimum: reached in ${reached} within 5 s, at most ${Math.max(...gaps)} sessions and set-ups above it`,
  );
}
// How a plan of sixty pieces takes its first batch being logged ten minutes late, and what the chances are.
{
  const build = largeBuild(60);
  const before = planBuild(build, { latestStarts: false, search: { iterations: 0 } });
  const { build: logged, goOn } = withFirstBatchLogged(build, before, 10);
  row('60 pieces: plan after one log', median(5, goOn), 300);
  const after = goOn();
  const was = new Map(before.operations.map((one) => [one.id, one.laidAt]));
  const left = after.operations.filter(({ status }) => status === 'planned');
  const moved = left.filter((one) => one.laidAt !== was.get(one.id)).length;
  const slack = (one: Plan) =>
    one.pieces.reduce((sum, { slackMinutes }) => sum + (slackMinutes ?? 0), 0) / 60;
  console.log(
    `  first batch ten minutes late: ${moved} of ${left.length} passes move, ${Math.round(slack(before))} h to spare in all become ${Math.round(slack(after))}`,
  );
  const from = performance.now();
  const chances = forecastBuild(logged, after, 1, { samples: 20 }).flatMap(({ chance }) => chance ?? []);
  row('60 pieces: twenty futures', performance.now() - from, 2000);
  console.log(`  chance of the worst piece: ${Math.round(100 * Math.min(...chances))} %`);
  const checked = performance.now();
  const findings = checkBuild(build, before).length;
  row(`60 pieces: all ways out of ${findings} findings`, performance.now() - checked, 5000);
}
{
  const build = largeBuild(1000);
  const from = performance.now();
  planBuild(build, { latestStarts: false });
  row('1000 pieces, 17000 passes: first plan, cold', performance.now() - from, 5000);
}
globalThis.gc?.();
console.log(`\nmemory: ${Math.round(process.memoryUsage().rss / 1e6)} MB resident   aim 500 MB`);
