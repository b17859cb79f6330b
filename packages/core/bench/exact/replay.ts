import { nth } from '../../src/model/sure';
import type { Workload } from '../../src/schedule/plan/workload';
import { candidateOfDraft } from '../../src/schedule/search/candidate';
import { Draft } from '../../src/schedule/place/draft';
import type { Score } from '../../src/schedule/search/score';
import type { ExactProblem } from './problem';
import type { Solution } from './solve';

/**
 * What the planner makes of a plan of the solver's: each pass is placed by its own rules, not before the moment the solver gave it.
 * Where that is as good as the solver says, the plan is a real one and nothing better is possible.
 */
export function replay(workload: Workload, { passes, windows }: ExactProblem, plan: Solution): Score {
  const now = workload.startAt;
  const inOrder = passes
    .map(({ id }, n) => ({ id, begins: nth(plan.begin, n), session: nth(plan.session, n) }))
    .sort((a, b) => a.begins - b.begins || a.session - b.session);
  const draft = new Draft(workload, {
    now,
    keepsTenth: true,
    notBefore: new Map(inOrder.map(({ id, begins }) => [id, now + begins])),
    personOf: new Map(inOrder.map(({ id, session }) => [id, nth(windows, session - 1).person])),
  });
  const lessons = draft.replay();
  draft.placeAll(inOrder.map(({ id }) => id));
  return candidateOfDraft(workload, draft, lessons, now).score;
}
