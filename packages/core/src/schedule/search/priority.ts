import type { Operation } from '../plan/operations';
import type { Workload } from '../plan/workload';

const A_YEAR_MINUTES = 365 * 1440;

/**
 * An order to place work in: what has the least time to spare first, by the date of its piece less what is still to wait
 * and do. With a bucket, work whose slack is about the same is taken together by what it is laid with, which makes longer
 * batches at the price of haste.
 * @param bucketMinutes 0 for slack alone
 */
export function slackSequence(workload: Workload, bucketMinutes = 0): string[] {
  const never = workload.startAt + A_YEAR_MINUTES;
  return workload.operations
    .map((operation, at) => {
      const slack =
        (workload.dueAt.get(operation.pieceId) ?? never) - (workload.tails.get(operation.id) ?? 0);
      return {
        id: operation.id,
        bucket: bucketMinutes > 0 ? Math.floor(slack / bucketMinutes) : slack,
        slack,
        key: operation.batchKey,
        at,
      };
    })
    .sort(
      (a, b) =>
        a.bucket - b.bucket || (a.key < b.key ? -1 : a.key > b.key ? 1 : a.slack - b.slack || a.at - b.at),
    )
    .map((one) => one.id);
}

/**
 * An order to place work in: step by step over all pieces of one date, each step sorted by what it is laid with. Makes the
 * longest batches where pieces are finished alike.
 */
export function stepSequence(workload: Workload): string[] {
  const due = (operation: Operation) => workload.dueAt.get(operation.pieceId) ?? Infinity;
  return workload.operations
    .map((operation, at) => ({ operation, at }))
    .sort((a, b) => {
      const [one, other] = [a.operation, b.operation];
      if (due(one) !== due(other)) return due(one) - due(other);
      if (one.stepIndex !== other.stepIndex) return one.stepIndex - other.stepIndex;
      if (one.batchKey !== other.batchKey) return one.batchKey < other.batchKey ? -1 : 1;
      return one.coat - other.coat || a.at - b.at;
    })
    .map(({ operation }) => operation.id);
}
