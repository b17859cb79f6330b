import { filmFactor } from '../drying/film';
import { epochMinute, type EpochMinute } from '../time/wallTime';
import type { BoardState } from './boardState';
import type { PlannedOperation } from './plan';
import type { TouchLesson } from './unitState';

/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** What a touch test showed, and when. */
export type Lesson = TouchLesson & { at: EpochMinute };

/** Puts on a board what the log, touch tests and passes under way say has happened, in the order it happened. */
export function replayLog(board: BoardState): Lesson[] {
  const { ground, now } = board;
  for (const { entry, doneAt, startedAt } of ground.log) {
    const operation = board.find(entry);
    if (!operation || operation.status === 'done') continue;
    const { workMinutes } = ground.byId.get(operation.id)!;
    const own = entry.material === undefined ? undefined : ground.materials.get(entry.material);
    const laid = {
      ...operation,
      material: own ?? operation.material,
      placeId: entry.place ?? operation.placeId,
    };
    board.lay(laid, doneAt, entry.film ? filmFactor[entry.film] : undefined);
    if (entry.outcome === 'failed') {
      // What was laid is there; the pass is to do again, after sanding back.
      operation.failures += 1;
      operation.workMinutes = workMinutes + SAND_BACK_MINUTES;
      continue;
    }
    Object.assign(operation, { material: laid.material, placeId: laid.placeId, workMinutes });
    board.settle(operation, 'done', startedAt ?? doneAt - workMinutes, doneAt, doneAt);
  }
  const lessons = ground.touchTests.flatMap(({ test, at }) =>
    (board.units.get(`${test.piece}/${test.unit}`)?.correct(test, at, test.state) ?? []).map((lesson) => ({
      ...lesson,
      at,
    })),
  );
  skipPassedOver(board);
  for (const started of ground.build.underway ?? []) {
    const operation = board.find(started);
    if (!operation || operation.status !== 'planned') continue;
    const start = epochMinute(started.startedAt, ground.build.timeZone);
    const paused = started.pausedMinutes ?? 0;
    const laidAt = Math.max(now, start + paused + operation.setUpMinutes + operation.workMinutes);
    board.settle(operation, 'underway', start, laidAt, laidAt + operation.cleanUpMinutes);
    board.lay(operation, laidAt);
    // Passes of one batch run side by side in the log; the first free pair of hands has them.
    const line =
      board.lines.find((candidate) => candidate.firstFree(start, operation.end! - start) === start) ??
      board.lines[0];
    if (line) {
      operation.personId = line.id;
      line.add({ start, end: operation.end!, operation });
    }
  }
  return lessons;
}

/** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more. */
function skipPassedOver(board: BoardState): void {
  const visit = (operation: PlannedOperation, from: PlannedOperation, seen: Set<string>) => {
    for (const id of operation.after) {
      const before = board.planned.get(id);
      if (!before || seen.has(id) || before.pieceId !== from.pieceId || before.unit !== from.unit) continue;
      seen.add(id);
      if (before.status === 'planned' && before.stepId !== from.stepId) {
        before.status = 'skipped';
        board.placed.add(id);
      }
      visit(before, from, seen);
    }
  };
  for (const operation of board.planned.values())
    if (operation.status === 'done') visit(operation, operation, new Set());
}
