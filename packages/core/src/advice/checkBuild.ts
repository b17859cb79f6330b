import type { Build } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import type { Finding, RuleFinding } from './finding';
import { searchWaysOut } from './waysOut';
import { WaysKnown } from './waysKnown';
import type { Plan } from '../schedule/answers/plan';

/** A finding with its ways out, searched for, or the reason why there are none. */
export function withWaysOut(build: Build, finding: RuleFinding, plan: Plan, known?: WaysKnown): Finding {
  const { ideas: _tried, ...said } = finding;
  return { ...said, ...searchWaysOut(build, finding, plan, known) };
}

/**
 * Everything the rules have to say about a build, each with ways out that were tried by the same rules, worst first
 * within each piece. The search takes seconds where much is wrong; `judgeBuild` says the same without it.
 */
export function checkBuild(build: Build, plan: Plan = planBuild(build, { latestStarts: false })): Finding[] {
  const known = new WaysKnown(build, plan);
  return known.said.map((finding) => withWaysOut(build, finding, plan, known));
}
