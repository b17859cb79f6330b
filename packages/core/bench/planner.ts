// `npm run bench -- planner`: what the planner takes on large builds, in CPU time of a program that has planned before. Prints; asserts nothing.
import { checkBuild, withWaysOut } from '../src/advice/checkBuild';
import { compareVariants } from '../src/advice/compareVariants';
import { judgeBuild } from '../src/advice/judgeBuild';
import { rescueBuild } from '../src/advice/rescue/rescue';
import type { Build } from '../src/model/schema';
import { epochMinute } from '../src/model/wallTime';
import { forecastBuild } from '../src/schedule/answers/forecast';
import type { Plan } from '../src/schedule/answers/plan';
import { planBuild } from '../src/schedule/answers/planBuild';
import { warmFrom } from '../src/schedule/search/warmStart';
import { largeBuild } from '../src/testing/largeBuild';
import { withFirstBatchLogged } from '../src/testing/loggedBatch';

/** What a work takes of one or several cores, s: the median of some runs. */
function cpu(runs: number, work: () => unknown): number {
  const times = Array.from({ length: runs }, () => {
    const from = process.cpuUsage();
    work();
    const { user, system } = process.cpuUsage(from);
    return (user + system) / 1e6;
  }).sort((a, b) => a - b);
  return times[Math.floor(times.length / 2)]!;
}
function row(what: string, seconds: number, aim: number, more = ''): void {
  const verdict = seconds <= aim ? 'reached' : `${(seconds / aim).toFixed(1)} times the aim`;
  console.log(
    `${what.padEnd(52)}${seconds.toFixed(2).padStart(8)} s   aim ${String(aim).padStart(4)} s   ${verdict}${more}`,
  );
}
const first = (build: Build): Plan => planBuild(build, { latestStarts: false });

const times = new Map<number, number>();
for (const [pieces, aim, runs] of [
  [10, 0.1, 9],
  [60, 0.4, 5],
  [250, 2.5, 3],
  [1000, 10, 1],
] as const) {
  const build = largeBuild(pieces);
  if (runs > 1) first(build);
  const seconds = cpu(runs, () => first(build));
  times.set(pieces, seconds);
  row(`first plan of ${pieces} pieces`, seconds, aim);
}
for (const [few, many] of [
  [60, 250],
  [250, 1000],
] as const)
  console.log(
    `  from ${few} to ${many} pieces it grows with the power ${(Math.log(times.get(many)! / times.get(few)!) / Math.log(many / few)).toFixed(2)}`,
  );

for (const [pieces, aim, runs] of [
  [60, 0.3, 7],
  [250, 1.5, 3],
] as const) {
  const build = largeBuild(pieces);
  const { goOn } = withFirstBatchLogged(build, first(build), 10);
  goOn();
  row(`from a log to the plan, ${pieces} pieces`, cpu(runs, goOn), aim);
}

const sixty = largeBuild(60);
const plan = first(sixty);
const findings = judgeBuild(sixty, plan);
row(
  'check of 60 pieces with all ways out',
  cpu(1, () => checkBuild(sixty, plan)),
  8,
  `, ${findings.length} findings`,
);
const offered = findings.filter((finding) => withWaysOut(sixty, finding, plan).waysOut.length > 0);
if (offered[0])
  row(
    '  the ways of its first finding',
    cpu(3, () => withWaysOut(sixty, offered[0]!, plan)),
    1,
  );
row(
  'latest starts of 60 pieces',
  cpu(3, () => planBuild(sixty, { search: { warm: warmFrom(plan), keep: true, starts: 'none' } })),
  1,
);
{
  const { build, goOn } = withFirstBatchLogged(sixty, plan, 10);
  const after = goOn();
  row(
    'forecast of 60 pieces, twenty futures',
    cpu(1, () => forecastBuild(build, after, 1, { samples: 20 })),
    0.5,
  );
  row(
    'forecast of 60 pieces, all futures',
    cpu(1, () => forecastBuild(build, after, 1)),
    8,
  );
}
{
  // So many days too few that most pieces come late.
  const build = largeBuild(48);
  const soon: Build = {
    ...build,
    events: build.events?.map((event) => ({
      ...event,
      ...(event.packAt ? { packAt: '2027-02-19T18:00' } : {}),
      wearAt: '2027-02-20T09:00',
    })),
  };
  const late = first(soon).pieces.filter(({ readiness }) => readiness === 'late').length;
  const now = epochMinute(soon.start, soon.timeZone);
  let offers = 0;
  const seconds = cpu(1, () => {
    offers = rescueBuild(soon, { now, warm: warmFrom(first(soon)) }).rescues.length;
  });
  row(`rescue of 48 pieces, ${late} of them late`, seconds, 8, `, ${offers} offers`);
}
{
  const [piece] = sixty.pieces;
  const variants = ['pva-flex-primer', 'neoprene-soft', 'rubber-dip-spray'].map((material) => ({
    ...piece!,
    steps: piece!.steps.map((step) => (step.id === 'seal' ? { ...step, material } : step)),
  }));
  const now = epochMinute(sixty.start, sixty.timeZone);
  row(
    'three ways of doing a piece of 60 compared',
    cpu(1, () => compareVariants(sixty, now, variants, { warm: warmFrom(plan) })),
    2,
  );
}
