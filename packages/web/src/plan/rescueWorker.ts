import {
  rescueBuild,
  type Build,
  type ReadingsByPlace,
  type RescueAnswer,
  type WarmStart,
} from '@fixatum/core';

/** Asks for ways to catch up. */
export interface RescueRequest {
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  chances: Map<string, number | undefined>;
  /** The plan on screen. */
  warm: WarmStart | undefined;
}

export type RescueMessage = { done: number; of: number } | { answer: RescueAnswer } | { error: string };

self.onmessage = ({ data }: MessageEvent<RescueRequest>) => {
  try {
    const answer = rescueBuild(data.build, {
      now: data.now,
      readings: data.readings,
      chances: data.chances,
      ...(data.warm ? { warm: data.warm } : {}),
      onProgress: (done, of) => self.postMessage({ done, of } satisfies RescueMessage),
    });
    self.postMessage({ answer } satisfies RescueMessage);
  } catch (error) {
    self.postMessage({ error: (error as Error).message } satisfies RescueMessage);
  }
};
