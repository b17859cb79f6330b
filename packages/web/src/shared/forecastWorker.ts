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

/** Told as it goes on, and at the end. */
export type ForecastAnswer = { done: number; of: number } | { forecast: PieceForecast[] } | { error: string };

const SEED = 1;
const TELL_EVERY = 10;

self.onmessage = ({ data }: MessageEvent<ForecastRequest>) => {
  try {
    const plan = planBuild(data.build, {
      now: data.now,
      readings: data.readings,
      latestStarts: false,
      ...(data.warm ? { search: { warm: data.warm, keep: true, starts: 'none' } } : {}),
    });
    const forecast = forecastBuild(data.build, plan, SEED, {
      samples: data.samples,
      readings: data.readings,
      onProgress: (done, of) => {
        if (done % TELL_EVERY === 0) self.postMessage({ done, of } satisfies ForecastAnswer);
      },
    });
    self.postMessage({ forecast } satisfies ForecastAnswer);
  } catch (error) {
    self.postMessage({ error: (error as Error).message } satisfies ForecastAnswer);
  }
};
