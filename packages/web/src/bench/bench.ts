import { type Batch, type PlannedOperation, type PlanView, type Session, entryOf } from '@fixatum/core';

/** A batch with its operations. */
export interface BenchBatch {
  key: string;
  start: number;
  end: number;
  session: Session | undefined;
  operations: PlannedOperation[];
}

const isOpen = (operation: PlannedOperation) => operation.status === 'planned';

/** The passes that have been started and not logged. */
export const underwayOf = (view: PlanView): PlannedOperation[] =>
  view.operations.filter((operation) => operation.status === 'underway');

/** All planned batches in order of time, over all people. */
export function batchesOf(view: PlanView): BenchBatch[] {
  const operations = new Map(view.operations.map((operation) => [operation.id, operation]));
  const withOperations = (batch: Batch, session: Session): BenchBatch => ({
    key: `${session.id} ${batch.start}`,
    start: batch.start,
    end: batch.end,
    session,
    operations: batch.operationIds.map((id) => entryOf(operations, id)).filter(isOpen),
  });
  return view.sessions
    .flatMap((session) => session.batches.map((batch) => withOperations(batch, session)))
    .filter((batch) => batch.operations.length > 0)
    .sort((a, b) => a.start - b.start);
}

/** Hands-on minutes of some passes in one batch. */
export const minutesOf = (list: readonly PlannedOperation[]) =>
  list.reduce((total, operation) => total + operation.workMinutes, 0) +
  (list[0] ? list[0].setUpMinutes + list[0].cleanUpMinutes : 0);
