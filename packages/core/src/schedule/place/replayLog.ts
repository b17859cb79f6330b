import { passedOver, stepAsLogged } from '../../facts/laid';
import { filmFactorOf, wetFilmUm } from '../../materials/film';
import { failureTable } from '../../model/failures';
import type { LogEntry } from '../../model/schema';
import { toEpochMinute, type EpochMinute } from '../../model/wallTime';
import type { DraftState } from '../state/draftState';
import type { PlannedOperation } from '../plan/plan';
import { laidAtOf, linkBehind, longestWait, type Busy } from '../state/timeline';
import type { TouchLesson } from '../state/unitState';
import { entryOf, nth } from '../../model/sure';

/** What a touch test showed, and when. */
export type Lesson = TouchLesson & { at: EpochMinute };

/**
 * Puts on a draft what the log, touch tests and passes under way say has happened, in the order it happened.
 * @param personOf who was to do a pass, by its id, where that is known
 */
export function replayLog(draft: DraftState, personOf?: ReadonlyMap<string, string>): Lesson[] {
  const { workload } = draft;
  for (const { entry, id, doneAt, startedAt } of workload.log) {
    const operation = draft.planned.get(id);
    if (!operation || operation.status === 'done') continue;
    const { workMinutes } = entryOf(workload.byId, id);
    const laid = asLogged(draft, operation, entry);
    draft.lay({ ...operation, ...laid }, doneAt);
    if (entry.outcome === 'failed') {
      // What was laid is there; the pass is to do again, after what failed is taken care of. A look is only taken again.
      operation.failures += 1;
      if (operation.kind !== 'inspect')
        operation.workMinutes = workMinutes + failureTable[entry.cause ?? 'other'].minutes;
      continue;
    }
    Object.assign(operation, laid, { workMinutes });
    draft.settle(operation, 'done', startedAt ?? doneAt - workMinutes, doneAt, doneAt);
    leaveReady(draft, operation, personOf?.get(id));
  }
  const lessons = workload.touchTests.flatMap(({ test, at }) =>
    (draft.units.get(`${test.piece}/${test.unit}`)?.correct(test, at, test.state) ?? []).map((lesson) => ({
      ...lesson,
      at,
    })),
  );
  skipPassedOver(draft);
  placeUnderway(draft, personOf);
  return lessons;
}

/** What a logged pass was done with lies ready for the next of its batch, unless it was another tin or place than planned. */
function leaveReady(draft: DraftState, operation: PlannedOperation, knownPerson: string | undefined): void {
  const planned = entryOf(draft.workload.byId, operation.id);
  const { laidAt, material, method, placeId, batchKey, workMinutes } = operation;
  if (laidAt === undefined) return;
  if (material !== planned.material || method !== planned.method || placeId !== planned.placeId) return;
  const before = draft.ready.get(batchKey);
  const begins = laidAt - workMinutes;
  const goesOn = before !== undefined && begins - before.laidAt <= longestWait(operation);
  // The log does not say who: who was to do it, who did the one before, or who is free then.
  const personId =
    knownPerson ??
    (goesOn ? before.personId : undefined) ??
    (draft.hands.find(({ calendar }) => calendar.windowAt(laidAt)) ?? draft.hands[0])?.id;
  if (personId === undefined) return;
  // Whoever did something else since has put the things away.
  for (const [key, one] of draft.ready) if (one.personId === personId) draft.ready.delete(key);
  draft.ready.set(batchKey, { personId, laidAt, mixedAt: goesOn ? before.mixedAt : begins });
}

/**
 * Passes under way stay on the hands they are on, and those that were begun together are done one after the other: the first of
 * them when it was reckoned, or now where that has passed.
 */
function placeUnderway(draft: DraftState, personOf?: ReadonlyMap<string, string>): void {
  const { workload, now } = draft;
  const lastOf = new Map<string, Busy>();
  for (const { entry, id, startedAt } of workload.underway) {
    const operation = draft.planned.get(id);
    if (!operation || operation.status !== 'planned') continue;
    const { batchKey, setUpMinutes, workMinutes, cleanUpMinutes } = operation;
    const group = `${batchKey} ${startedAt}`;
    const before = lastOf.get(group);
    const ready = draft.ready.get(batchKey);
    const begins =
      (before && laidAtOf(before)) ??
      (ready && ready.laidAt > startedAt
        ? ready.laidAt
        : startedAt + (entry.pausedMinutes ?? 0) + setUpMinutes);
    const laidAt = Math.max(now, begins + workMinutes);
    const start = before ? laidAtOf(before) : startedAt;
    const end = laidAt + cleanUpMinutes;
    draft.settle(operation, 'underway', start, laidAt, end);
    draft.lay(operation, laidAt);
    const known =
      personOf?.get(id) ??
      before?.operation.personId ??
      (ready && begins === ready.laidAt ? ready.personId : undefined);
    const line =
      draft.hands.find((candidate) => candidate.id === known) ??
      draft.hands.find((candidate) => candidate.firstFree(start, end - start) === start) ??
      draft.hands[0];
    if (!line) continue;
    operation.personId = line.id;
    const stretch: Busy = {
      start,
      end,
      operation,
      mixedAt: before?.mixedAt ?? begins,
      joined: undefined,
      joinedBy: undefined,
    };
    if (before?.operation.personId === line.id) linkBehind(stretch, before);
    line.add(stretch);
    lastOf.set(group, stretch);
  }
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

/** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more; nor is what is left of ended steps and of packed pieces. */
function skipPassedOver(draft: DraftState): void {
  const { workload } = draft;
  for (const own of workload.byUnit.values()) {
    const operations = own.flatMap(({ id }) => draft.planned.get(id) ?? []);
    const done = new Set(operations.flatMap(({ status, stepId }) => (status === 'done' ? [stepId] : [])));
    const [first] = operations;
    if (!first) continue;
    const piece = entryOf(workload.pieces, first.pieceId);
    const ended = piece.steps.flatMap(({ id, ended }) => (ended ? [id] : []));
    const packedAt =
      piece.packedAt === undefined ? undefined : toEpochMinute(piece.packedAt, workload.build.timeZone);
    const isPacked = packedAt !== undefined && packedAt <= draft.now;
    if (done.size === 0 && ended.length === 0 && !isPacked) continue;
    const over = new Set([...ended, ...passedOver(piece, done)]);
    for (const operation of operations) {
      if (operation.status !== 'planned' || !(isPacked || over.has(operation.stepId))) continue;
      operation.status = 'skipped';
      draft.placed.add(operation.id);
    }
  }
}
