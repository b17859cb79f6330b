import {
  workloadOf,
  searchPlan,
  warmFrom,
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

/** Each better plan as it comes, how far it is, and the end. */
export type ImproveAnswer =
  | { better: WarmStart; score: Score }
  | { share: number; tried: number }
  | { end: true; tried: number }
  | { error: string };

const TELL_EVERY_MS = 200;

self.onmessage = ({ data }: MessageEvent<ImproveRequest>) => {
  try {
    const workload = workloadOf(data.build, data.readings);
    const from = performance.now();
    const until = from + data.seconds * 1000;
    let told = from;
    let tried = 0;
    searchPlan(workload, {
      now: data.now,
      seed: data.seed,
      iterations: Number.MAX_SAFE_INTEGER,
      ...(data.warm ? { warm: data.warm } : {}),
      onProgress: (best, done, better) => {
        tried = done;
        if (better)
          self.postMessage({
            better: warmFrom({ sequence: best.sequence, operations: best.run.operations }),
            score: best.score,
          } satisfies ImproveAnswer);
        const now = performance.now();
        if (now - told > TELL_EVERY_MS) {
          told = now;
          self.postMessage({ share: (now - from) / (until - from), tried } satisfies ImproveAnswer);
        }
        return now < until;
      },
    });
    self.postMessage({ end: true, tried } satisfies ImproveAnswer);
  } catch (error) {
    self.postMessage({ error: (error as Error).message } satisfies ImproveAnswer);
  }
};
