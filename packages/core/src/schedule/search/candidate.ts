import { decode, decodeDraft, type PlannerRun } from '../place/decode';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { Reinserter } from './reinsert';
import { warmFrom } from './warmStart';
import { groundOf, scoreOf, type Score, type Standings } from './score';
import { plainHabits, type DecodeOptions, type PlacingHabits } from '../place/decodeOptions';

/** A plan as the search sees it: the order work is placed in, what came of it, and how good that is. */
export interface Candidate {
  sequence: string[];
  run: PlannerRun;
  score: Score;
  standings: Standings;
  /** How the run comes about: the order as it was placed, and what held it. */
  made: { order: readonly string[]; options: DecodeOptions };
}

/**
 * The candidate that an order comes to.
 * @param letDryThrough coats that are put off until what they land on is dry through
 */
export function candidateOf(
  workload: Workload,
  sequence: readonly string[],
  now: number,
  habits: PlacingHabits = plainHabits,
  letDryThrough: ReadonlySet<string> = new Set(),
): Candidate {
  return candidate(workload, sequence, { order: sequence, options: { now, habits, letDryThrough } });
}

export function candidate(
  workload: Workload,
  sequence: readonly string[],
  made: Candidate['made'],
): Candidate {
  const run = decode(workload, made.order, made.options);
  const scored = scoreOf(groundOf(workload, made.options.now, run.lessons), run);
  return { sequence: [...sequence], run, ...scored, made };
}

/**
 * The plan that a candidate came to, to be improved piece by piece; what held it is let go.
 * @param only the units, `piece/unit`, that may be taken out and placed again; all unless given
 */
export function reinserterOf(
  workload: Workload,
  { made, run: { lessons } }: Candidate,
  only?: ReadonlySet<string>,
): Reinserter {
  const { draft } = decodeDraft(workload, made.order, made.options);
  draft.letGo();
  return new Reinserter(draft, groundOf(workload, made.options.now, lessons), only);
}

/** What a reinserter has come to so far, as a candidate that stays as it is. */
export function candidateFrom(reinserter: Reinserter, { run, made }: Candidate): Candidate {
  const { operations, units, tally, standings } = reinserter.copy();
  const begins = ({ laidAt = Infinity, workMinutes }: PlannedOperation) => laidAt - workMinutes;
  const sequence = [...operations].sort((a, b) => begins(a) - begins(b) || 0).map(({ id }) => id);
  const kept = warmFrom({ sequence, operations });
  return {
    sequence,
    run: { operations, units, tally, lessons: run.lessons },
    score: reinserter.best,
    standings,
    made: { order: sequence, options: { now: made.options.now, kept, letDryThrough: kept.letDryThrough } },
  };
}
