import type { Around, Build, Piece, VariantOutcome, WarmStart } from '@fixatum/core';
import { proxy } from 'comlink';
import type { TakeView } from './offThread/planWork';
import { keptWorker, plain } from './offThread/workerLink';

/** What a plan is made from: the build, the present in epoch minutes, what it is planned amid, and the plan before. */
export interface PlanGround {
  build: Build;
  now: number;
  around: Around;
  warm?: WarmStart | undefined;
}

/** The worker that plans. */
const inWorker = keptWorker('planner');

/** Starts the worker while its work is still on the way: that takes as long as fetching a build. */
export const startPlanner = (): void => void inWorker(() => Promise.resolve()).catch(() => undefined);

let newest = 0;

/** Plans a build in the worker, as of a moment in epoch minutes. Only the newest request is answered. */
export function planInWorker(
  { build, now, around, warm, urgent }: PlanGround & { urgent?: readonly string[] | undefined },
  take: TakeView,
  fail: (error: unknown) => void,
): void {
  newest += 1;
  const ticket = newest;
  // Through JSON, as what the screens hold is reactive and can't be sent as it is.
  const request = { now, warm, ...plain({ build, around, urgent }) };
  const takeNewest: TakeView = (view, stage) => {
    if (ticket === newest) take(view, stage);
  };
  inWorker<void>((remote) => remote.plan(request, proxy(takeNewest))).catch((error: unknown) => {
    if (ticket === newest) fail(error);
  });
}

/** What the build comes to with a piece done in each of several ways, worked out in the worker. */
export const compareInWorker = (
  { build, now, around, warm }: PlanGround,
  variants: Piece[],
): Promise<VariantOutcome[]> => {
  const request = { now, warm, ...plain({ build, around }) };
  return inWorker((remote) => remote.compare(request, plain(variants)));
};
