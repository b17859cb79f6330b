import { rescueBuild, type Around, type Build, type RescueAnswer, type WarmStart } from '@fixatum/core';

/** Asks for ways to catch up. */
export interface RescueRequest {
  build: Build;
  now: number;
  around: Around;
  chances: Map<string, number | undefined>;
  /** The plan on screen. */
  warm: WarmStart | undefined;
}

/** @param told how many ways were tried, of how many */
export const rescue = (
  { build, now, around, chances, warm }: RescueRequest,
  told: (done: number, of: number) => void,
): RescueAnswer =>
  rescueBuild(build, { now, ...around, chances, ...(warm ? { warm } : {}), onProgress: told });
