import { passedOver, stepAsLogged } from '../../facts/laid';
import { filmFactorOf, wetFilmUm } from '../../materials/film';
import type { LogEntry } from '../../model/schema';
import { type EpochMinute } from '../../model/wallTime';
import type { DraftState } from '../state/draftState';
import type { PlannedOperation } from '../plan/plan';
import type { TouchLesson } from '../state/unitState';
import { entryOf, nth } from '../../model/sure';

/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** What a touch test showed, and when. */
export type Lesson = TouchLesson & { at: EpochMinute };

/** Puts on a draft what the log, touch tests and passes under way say has happened, in the order it happened. */
export function replayLog(draft: DraftState): Lesson[] {
  const { workload, now } = draft;
  for (const { entry, id, doneAt, startedAt } of workload.log) {
    const operation = draft.planned.get(id);
    if (!operation || operation.status === 'done') continue;
    const { workMinutes } = entryOf(workload.byId, id);
    const laid = asLogged(draft, operation, entry);
    draft.lay({ ...operation, ...laid }, doneAt);
    if (entry.outcome === 'failed') {
      // What was laid is there; the pass is to do again, after sanding back.
      operation.failures += 1;
      operation.workMinutes = workMinutes + SAND_BACK_MINUTES;
      continue;
    }
    Object.assign(operation, laid, { workMinutes });
    draft.settle(operation, 'done', startedAt ?? doneAt - workMinutes, doneAt, doneAt);
  }
  const lessons = workload.touchTests.flatMap(({ test, at }) =>
    (draft.units.get(`${test.piece}/${test.unit}`)?.correct(test, at, test.state) ?? []).map((lesson) => ({
      ...lesson,
      at,
    })),
  );
  skipPassedOver(draft);
  for (const { entry: started, id, startedAt: start } of workload.underway) {
    const operation = draft.planned.get(id);
    if (!operation || operation.status !== 'planned') continue;
    const paused = started.pausedMinutes ?? 0;
    const laidAt = Math.max(now, start + paused + operation.setUpMinutes + operation.workMinutes);
    const end = laidAt + operation.cleanUpMinutes;
    draft.settle(operation, 'underway', start, laidAt, end);
    draft.lay(operation, laidAt);
    // Passes of one batch run side by side in the log; the first free pair of hands has them.
    const line =
      draft.hands.find((candidate) => candidate.firstFree(start, end - start) === start) ?? draft.hands[0];
    if (line) {
      operation.personId = line.id;
      line.add({ start, end, operation });
    }
  }
  return lessons;
}

/** What of a pass differs from the plan, as the log has it: the tin, how thick, and where. */
function asLogged(
  { workload }: DraftState,
  operation: PlannedOperation,
  entry: LogEntry,
): Pick<PlannedOperation, 'material' | 'method' | 'film' | 'filmFactor' | 'wetUm' | 'placeId'> {
  const step = nth(entryOf(workload.pieces, operation.pieceId).steps, operation.stepIndex);
  const done = stepAsLogged(step, entry, workload.materials);
  const { material, method, film, filmFactor: factor, wetUm, placeId } = operation;
  if (done === step) return { material, method, film, filmFactor: factor, wetUm, placeId };
  const tin = done.material === undefined ? undefined : workload.materials.get(done.material);
  const grade = done.film ?? 'normal';
  return {
    material: tin,
    method: done.method ?? method,
    film: grade,
    filmFactor: filmFactorOf(tin, grade, done.pourMm),
    wetUm: tin ? wetFilmUm(tin, grade, done.pourMm) : 0,
    placeId: done.place ?? placeId,
  };
}

/** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more. */
function skipPassedOver(draft: DraftState): void {
  const { workload } = draft;
  for (const own of workload.byUnit.values()) {
    const operations = own.flatMap(({ id }) => draft.planned.get(id) ?? []);
    const done = new Set(operations.flatMap(({ status, stepId }) => (status === 'done' ? [stepId] : [])));
    if (done.size === 0) continue;
    const piece = entryOf(workload.pieces, nth(operations, 0).pieceId);
    const over = passedOver(piece, done);
    for (const operation of operations) {
      if (operation.status !== 'planned' || !over.has(operation.stepId)) continue;
      operation.status = 'skipped';
      draft.placed.add(operation.id);
    }
  }
}
