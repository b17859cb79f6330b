import type { Batch, Build, PlannedOperation, PlanView, Session } from '@fixatum/core';

/** A batch with its operations. */
export interface BenchBatch {
  key: string;
  start: number;
  end: number;
  session: Session | undefined;
  operations: PlannedOperation[];
  /** The build it is of, where that is not the open one. */
  of?: { id: string; build: Build };
}

/** What batches are made of. */
type Planned = Pick<PlanView, 'operations' | 'sessions'>;

const isOpen = (operation: PlannedOperation) => operation.status === 'planned';

/** The passes that have been started and not logged. */
export const underwayOf = (view: Pick<PlanView, 'operations'>): PlannedOperation[] =>
  view.operations.filter((operation) => operation.status === 'underway');

/** All planned batches in order of time, over all people. */
export function batchesOf(view: Planned): BenchBatch[] {
  const operations = new Map(view.operations.map((operation) => [operation.id, operation]));
  const withOperations = (batch: Batch, session: Session): BenchBatch => ({
    key: `${session.id} ${batch.start}`,
    start: batch.start,
    end: batch.end,
    session,
    // Of another build only what is open is known.
    operations: batch.operationIds.flatMap((id) => operations.get(id) ?? []).filter(isOpen),
  });
  return view.sessions
    .flatMap((session) => session.batches.map((batch) => withOperations(batch, session)))
    .filter((batch) => batch.operations.length > 0)
    .sort((a, b) => a.start - b.start);
}

/** What begins until a moment in the other builds of the workshop, batch by batch. */
export const batchesBeside = (
  others: readonly { id: string; build: Build }[],
  plans: Readonly<Record<string, Planned>>,
  until: number,
): BenchBatch[] =>
  others.flatMap(({ id, build }) => {
    const planned = plans[id];
    const batches = planned ? batchesOf(planned).filter(({ start }) => start < until) : [];
    return batches.map((batch) => ({ ...batch, key: `${id} ${batch.key}`, of: { id, build } }));
  });

/** The batches of several builds as they follow each other. */
export const inTurn = (...all: readonly (readonly BenchBatch[])[]): BenchBatch[] =>
  all.flat().sort((a, b) => a.start - b.start);

/** Hands-on minutes of some passes in one batch. */
export const minutesOf = (list: readonly PlannedOperation[]) =>
  list.reduce((total, operation) => total + operation.workMinutes, 0) +
  (list[0] ? list[0].setUpMinutes + list[0].cleanUpMinutes : 0);
