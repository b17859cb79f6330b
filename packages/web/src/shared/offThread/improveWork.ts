import {
  searchPlan,
  warmFrom,
  workloadOf,
  type Build,
  type ReadingsByPlace,
  type Score,
  type WarmStart,
} from '@fixatum/core';

/** Asks for a better plan than the one at hand, for so many seconds. */
export interface ImproveRequest {
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  warm: WarmStart | undefined;
  seconds: number;
  seed: number;
}

const TELL_EVERY_MS = 200;

/**
 * Looks for better plans until the time is over.
 * @param better told of each better plan as it comes
 * @param share told how far it is, 0 to 1, and how many orders were tried
 * @returns how many orders were tried
 */
export function improve(
  request: ImproveRequest,
  better: (plan: WarmStart, score: Score) => void,
  share: (share: number, tried: number) => void,
): number {
  const from = performance.now();
  const until = from + request.seconds * 1000;
  let told = from;
  let tried = 0;
  searchPlan(workloadOf(request.build, request.readings), {
    now: request.now,
    seed: request.seed,
    iterations: Number.MAX_SAFE_INTEGER,
    ...(request.warm ? { warm: request.warm } : {}),
    onProgress: (best, done, isBetter) => {
      tried = done;
      if (isBetter)
        better(warmFrom({ sequence: best.sequence, operations: best.run.operations }), best.score);
      const now = performance.now();
      if (now - told > TELL_EVERY_MS) {
        told = now;
        share((now - from) / (until - from), tried);
      }
      return now < until;
    },
  });
  return tried;
}
