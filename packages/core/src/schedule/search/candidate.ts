import { decode, decodeDraft, type PlannerRun } from '../place/decode';
import type { Draft } from '../place/draft';
import type { Lesson } from '../place/replayLog';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { Reinserter } from './reinsert';
import { warmFrom } from './warmStart';
import { groundOf, scoreOf, type Score, type Standings } from './score';
import type { DecodeOptions } from '../place/decodeOptions';

/** A plan as the search sees it: the order work is placed in, what came of it, and how good that is. */
export interface Candidate {
  sequence: string[];
  run: PlannerRun;
  score: Score;
  standings: Standings;
  /** How the run comes about: the order as it was placed, and what held it. */
  made: { order: readonly string[]; options: DecodeOptions };
}

/** The candidate that an order comes to. */
export const candidateOf = (
  workload: Workload,
  sequence: readonly string[],
  options: DecodeOptions,
): Candidate => candidate(workload, sequence, { order: sequence, options });

export function candidate(
  workload: Workload,
  sequence: readonly string[],
  made: Candidate['made'],
): Candidate {
  const run = decode(workload, made.order, made.options);
  const scored = scoreOf(groundOf(workload, made.options.now, run.lessons), run);
  return { sequence: [...sequence], run, ...scored, made };
}

/** The plan that stands on a draft, as a candidate: it comes about again when all keeps its moments. */
export function candidateOfDraft(
  workload: Workload,
  draft: Draft,
  lessons: readonly Lesson[],
  now: number,
): Candidate {
  const run = { ...draft.copy(), lessons: [...lessons] };
  const sequence = inOrderOfTime(run.operations);
  const scored = scoreOf(groundOf(workload, now, lessons), run);
  return { sequence, run, ...scored, made: madeByKeeping(sequence, run.operations, now) };
}

const inOrderOfTime = (operations: readonly PlannedOperation[]): string[] => {
  const begins = ({ laidAt = Infinity, workMinutes }: PlannedOperation) => laidAt - workMinutes;
  return [...operations].sort((a, b) => begins(a) - begins(b) || 0).map(({ id }) => id);
};

/** How a plan comes about again in which every pass keeps its moment and its hands. */
function madeByKeeping(
  sequence: readonly string[],
  operations: readonly PlannedOperation[],
  now: number,
): Candidate['made'] {
  const kept = warmFrom({ sequence, operations });
  return { order: sequence, options: { now, kept, letDryThrough: kept.letDryThrough } };
}

/**
 * The plan that a candidate came to, to be improved piece by piece; what held it is let go.
 * @param how `keepsTenth`: what is placed again leaves a tenth of each session free; `seeksLess`: what is late counts alone
 * @param only the units, `piece/unit`, that may be taken out and placed again; all unless given
 */
export function reinserterOf(
  workload: Workload,
  { made, run: { lessons } }: Candidate,
  { keepsTenth = false, seeksLess = false }: { keepsTenth?: boolean; seeksLess?: boolean } = {},
  only?: ReadonlySet<string>,
): Reinserter {
  const { draft } = decodeDraft(workload, made.order, made.options);
  draft.letGo(keepsTenth);
  return new Reinserter(draft, groundOf(workload, made.options.now, lessons), seeksLess, only);
}

/** What a reinserter has come to so far, as a candidate that stays as it is. */
export function candidateFrom(reinserter: Reinserter, { run, made }: Candidate): Candidate {
  const { operations, units, tally, standings } = reinserter.copy();
  const sequence = inOrderOfTime(operations);
  return {
    sequence,
    run: { operations, units, tally, lessons: run.lessons },
    score: reinserter.best,
    standings,
    made: madeByKeeping(sequence, operations, made.options.now),
  };
}
