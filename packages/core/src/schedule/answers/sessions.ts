import { unitKey, type Workload } from '../plan/workload';
import { isPlaced, type Batch, type PlannedOperation, type Session } from '../plan/plan';
import { entryOf } from '../../model/sure';

/** What can be done only once in one go: the next coat on it has to wait. */
const spotOf = (operation: PlannedOperation): string => `${unitKey(operation)}/${operation.face ?? '-'}`;

/**
 * Groups planned work into run sheets: one person's work in one free window, with its batches in order. A second coat that shares the
 * set-up of the first is a batch of its own, as it is begun later.
 */
export function sessionsOf(workload: Workload, operations: readonly PlannedOperation[]): Session[] {
  const sessions = new Map<string, Session>();
  const calendars = new Map(workload.people.map((person) => [person.id, person.calendar]));
  const spots = new Map<string, string>();
  const placed = operations.filter(isPlaced).sort((a, b) => a.start - b.start);
  for (const operation of placed) {
    const window = entryOf(calendars, operation.personId).windowAt(operation.start);
    const id = `${operation.personId}@${window?.from ?? operation.start}`;
    let session = sessions.get(id);
    if (!session) {
      session = {
        id,
        personId: operation.personId,
        from: operation.start,
        to: operation.end,
        batches: [],
      };
      sessions.set(id, session);
    }
    session.to = Math.max(session.to, operation.end);
    const last = session.batches[session.batches.length - 1];
    const isNextCoat = last?.operationIds.some((id) => spots.get(id) === spotOf(operation)) ?? false;
    spots.set(operation.id, spotOf(operation));
    if (last && !isNextCoat && last.key === operation.batchKey && operation.start - last.end < 1) {
      last.operationIds.push(operation.id);
      last.end = Math.max(last.end, operation.end);
    } else {
      const batch: Batch = {
        key: operation.batchKey,
        start: operation.start,
        end: operation.end,
        operationIds: [operation.id],
      };
      session.batches.push(batch);
    }
  }
  return [...sessions.values()].sort((a, b) => a.from - b.from);
}
