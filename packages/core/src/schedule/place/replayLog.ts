import { epochMinute, type EpochMinute } from '../../model/wallTime';
import type { DraftState } from '../state/draftState';
import type { PlannedOperation } from '../plan/plan';
import type { TouchLesson } from '../state/unitState';
import { filmFactor } from '../../model/filmGrades';

/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** What a touch test showed, and when. */
export type Lesson = TouchLesson & { at: EpochMinute };

/** Puts on a draft what the log, touch tests and passes under way say has happened, in the order it happened. */
export function replayLog(draft: DraftState): Lesson[] {
  const { workload, now } = draft;
  for (const { entry, doneAt, startedAt } of workload.log) {
    const operation = draft.find(entry);
    if (!operation || operation.status === 'done') continue;
    const { workMinutes } = workload.byId.get(operation.id)!;
    const own = entry.material === undefined ? undefined : workload.materials.get(entry.material);
    const laid = {
      ...operation,
      material: own ?? operation.material,
      placeId: entry.place ?? operation.placeId,
    };
    draft.lay(laid, doneAt, entry.film ? filmFactor[entry.film] : undefined);
    if (entry.outcome === 'failed') {
      // What was laid is there; the pass is to do again, after sanding back.
      operation.failures += 1;
      operation.workMinutes = workMinutes + SAND_BACK_MINUTES;
      continue;
    }
    Object.assign(operation, { material: laid.material, placeId: laid.placeId, workMinutes });
    draft.settle(operation, 'done', startedAt ?? doneAt - workMinutes, doneAt, doneAt);
  }
  const lessons = workload.touchTests.flatMap(({ test, at }) =>
    (draft.units.get(`${test.piece}/${test.unit}`)?.correct(test, at, test.state) ?? []).map((lesson) => ({
      ...lesson,
      at,
    })),
  );
  skipPassedOver(draft);
  for (const started of workload.build.underway ?? []) {
    const operation = draft.find(started);
    if (!operation || operation.status !== 'planned') continue;
    const start = epochMinute(started.startedAt, workload.build.timeZone);
    const paused = started.pausedMinutes ?? 0;
    const laidAt = Math.max(now, start + paused + operation.setUpMinutes + operation.workMinutes);
    draft.settle(operation, 'underway', start, laidAt, laidAt + operation.cleanUpMinutes);
    draft.lay(operation, laidAt);
    // Passes of one batch run side by side in the log; the first free pair of hands has them.
    const line =
      draft.hands.find((candidate) => candidate.firstFree(start, operation.end! - start) === start) ??
      draft.hands[0];
    if (line) {
      operation.personId = line.id;
      line.add({ start, end: operation.end!, operation });
    }
  }
  return lessons;
}

/** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more. */
function skipPassedOver(draft: DraftState): void {
  const visit = (operation: PlannedOperation, from: PlannedOperation, seen: Set<string>) => {
    for (const id of operation.after) {
      const before = draft.planned.get(id);
      if (!before || seen.has(id) || before.pieceId !== from.pieceId || before.unit !== from.unit) continue;
      seen.add(id);
      if (before.status === 'planned' && before.stepId !== from.stepId) {
        before.status = 'skipped';
        draft.placed.add(id);
      }
      visit(before, from, seen);
    }
  };
  for (const operation of draft.planned.values())
    if (operation.status === 'done') visit(operation, operation, new Set());
}
