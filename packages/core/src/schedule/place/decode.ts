import { Draft } from './draft';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import type { Lesson } from './replayLog';
import type { Tally } from '../state/timeline';
import type { UnitState } from '../state/unitState';
import type { DecodeOptions } from './decodeOptions';

/** What one pass of the planner came to. */
export interface PlannerRun {
  operations: PlannedOperation[];
  units: Map<string, UnitState>;
  lessons: Lesson[];
  /** What the sessions come to. */
  tally: Tally;
}

/**
 * Places all open work in time. The log is replayed first; then the operations are taken in the order of `sequence`, those
 * they wait for before them, and each is put at the first moment that every constraint agrees to, in a gap between what
 * is placed already if there is one: order, drying and recoat windows, hands, hours and quiet, the rack, and the air.
 * The order of the sequence is all that tells one plan from another.
 */
export function decode(workload: Workload, sequence: readonly string[], options: DecodeOptions): PlannerRun {
  const { draft, lessons } = decodeDraft(workload, sequence, options);
  return { operations: [...draft.planned.values()], units: draft.units, lessons, tally: draft.tally() };
}

/** As `decode`, but gives the draft, from which units can be taken out again. */
export function decodeDraft(
  workload: Workload,
  sequence: readonly string[],
  options: DecodeOptions,
): { draft: Draft; lessons: Lesson[] } {
  const now = Math.max(options.now, workload.startAt);
  const draft = new Draft(workload, { ...options, now });
  const lessons = draft.replay();
  draft.placePins();
  draft.placeAll(sequence);
  draft.placeAll(draft.planned.keys());
  return { draft, lessons };
}
