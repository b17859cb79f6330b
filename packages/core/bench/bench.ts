// `npm run bench`: how long the core takes over builds of several sizes. Prints; asserts nothing.
import { dryStack, plainMilestones, type LaidCoat } from '../src/drying/dryStack';
import { placeAir } from '../src/drying/placeAir';
import { catalogueById } from '../src/materials/catalogue';
import { epochMinute } from '../src/time/wallTime';
import { judgeBuild } from '../src/compat/judgeBuild';
import { planBuild } from '../src/schedule/planBuild';
import { largeBuild } from '../src/testing/largeBuild';

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
row(
  'plan 60 pieces of 12 steps once',
  median(3, () => planBuild(sixty, { latestStarts: false })),
);
