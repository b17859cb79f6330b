// `npm run bench`: how long the core takes over builds of several sizes. Prints; asserts nothing.
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
