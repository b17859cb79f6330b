import type { PlanningGround } from './ground';

const A_YEAR_MINUTES = 365 * 1440;

/**
 * The order in which work is placed when nothing better is known: what has the least time to spare first, by the date of
 * its piece less what is still to wait and do; of equals what is laid with the same things together, then as the build
 * lists them.
 */
export function slackSequence(ground: PlanningGround): string[] {
  const never = ground.startAt + A_YEAR_MINUTES;
  return ground.operations
    .map((operation, at) => ({
      id: operation.id,
      slack: (ground.dueAt.get(operation.pieceId) ?? never) - (ground.tails.get(operation.id) ?? 0),
      key: operation.batchKey,
      at,
    }))
    .sort((a, b) => a.slack - b.slack || (a.key < b.key ? -1 : a.key > b.key ? 1 : a.at - b.at))
    .map((one) => one.id);
}
