import {
  forecastBuild,
  planBuild,
  type Build,
  type PieceForecast,
  type ReadingsByPlace,
  type WarmStart,
} from '@fixatum/core';

/** Asks what is likely to become of a build. */
export interface ForecastRequest {
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  samples: number;
  /** The plan on screen, which the forecast is about. */
  warm: WarmStart | undefined;
}

const SEED = 1;
const TELL_EVERY = 10;

/** @param told how many futures were tried, of how many */
export function forecast(
  { build, now, readings, samples, warm }: ForecastRequest,
  told: (done: number, of: number) => void,
): PieceForecast[] {
  const plan = planBuild(build, {
    now,
    readings,
    latestStarts: false,
    ...(warm ? { search: { warm, keep: true, starts: 'none' } } : {}),
  });
  return forecastBuild(build, plan, SEED, {
    samples,
    readings,
    onProgress: (done, of) => {
      if (done % TELL_EVERY === 0) told(done, of);
    },
  });
}
