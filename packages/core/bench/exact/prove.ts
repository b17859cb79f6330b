// `npm run prove`: has an exact solver work out the best there is for small made-up builds, and writes it down for the bench and
// the tests. Takes half an hour; to be run when those builds, or what a plan has to keep, change.
import { readFileSync, writeFileSync } from 'node:fs';
import { sure } from '../../src/model/sure';
import { workloadOf } from '../../src/schedule/plan/workload';
import { fingerprintOf, provableShapes, type Optimum } from '../../src/testing/optima';
import { provableBuild, type ProvableShape } from '../../src/testing/provableBuild';
import { aims } from '../../src/schedule/search/score';
import { exactModel, type ExactAim } from './model';
import { exactProblem } from './problem';
import { replay } from './replay';
import { solve, type Solution } from './solve';

const [shim, script, out] = process.argv.slice(2);
const files = { shim: sure(shim, 'the shim'), script: sure(script, 'the script of the solver') };
/** No build is given longer than this, s. */
const LIMIT_S = 900;
/** The dates are a week away. */
const DAYS = 7;
/** Plans that end well before the last day are in time in nine futures of ten. */
const EARLY_MINUTES = 4 * 1440;

async function prove(shape: ProvableShape): Promise<Optimum | undefined> {
  const build = provableBuild(shape);
  const workload = workloadOf(build);
  const problem = exactProblem(build, DAYS);
  const solved = async (aim: ExactAim) => solve(exactModel(problem, aim), LIMIT_S, files);
  const { best, isProved, seconds } = await solved('fewest');
  if (!best || !isProved) return undefined;
  const { sessions } = best;
  // As no wait was longer than it really is, nothing is better than this; where the planner can do it too, it is the best there is.
  const isReal = (plan: Solution | undefined) => {
    const score = plan && replay(workload, problem, plan);
    // What counts before sessions is at its best, too, so that no plan is better in the order of aims.
    const before = aims.slice(0, aims.indexOf('sessions'));
    return score !== undefined && before.every((aim) => score[aim] === 0) && score.sessions === sessions;
  };
  const reached = isReal(best) || isReal((await solved({ sessions, within: EARLY_MINUTES })).best);
  const passes = problem.passes.length;
  console.log(
    `${shape.seed}: ${passes} passes, ${sessions}, ${reached ? 'real' : 'not reached'}, ${Math.round(seconds)} s`,
  );
  return reached ? { ...shape, passes, sessions, fingerprint: fingerprintOf(build) } : undefined;
}

/** What was proved before holds while its build takes the same minutes. */
const before = JSON.parse(readFileSync(sure(out, 'a file to write'), 'utf8')) as Optimum[];
const proved: Optimum[] = [];
for (const shape of provableShapes) {
  const fingerprint = fingerprintOf(provableBuild(shape));
  const one = before.find((known) => known.fingerprint === fingerprint) ?? (await prove(shape));
  if (one) proved.push(one);
}
writeFileSync(sure(out, 'a file to write'), `${JSON.stringify(proved, null, 2)}\n`);
console.log(`${proved.length} of ${provableShapes.length} proved`);
