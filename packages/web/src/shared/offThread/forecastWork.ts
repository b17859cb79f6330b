import {
  Forecast,
  futuresFor,
  planBuild,
  type Around,
  type Build,
  type PieceForecast,
  type WarmStart,
} from '@fixatum/core';

/** Asks what is likely to become of a build. */
export interface ForecastRequest {
  build: Build;
  now: number;
  around: Around;
  /** The plan on screen, which the forecast is about. */
  warm: WarmStart | undefined;
}

const SEED = 1;
const TELL_EVERY = 10;

/** Whoever waits has a first answer after so long, which is made surer from then on; but not from fewer futures than this. */
const FIRST_ANSWER_MS = 500;
const FEWEST_FUTURES = 20;

/**
 * @param told how many futures were tried, of how many
 * @param first a first answer, where the whole takes longer
 */
export async function forecast(
  { build, now, around, warm }: ForecastRequest,
  told: (done: number, of: number) => void,
  first: (forecast: PieceForecast[]) => void,
): Promise<PieceForecast[]> {
  const plan = planBuild(build, {
    now,
    ...around,
    latestStarts: false,
    ...(warm ? { search: { warm, keep: true, starts: 'none' } } : {}),
  });
  const samples = futuresFor(plan.operations.length);
  const futures = new Forecast(build, plan, SEED);
  const from = performance.now();
  let isFirst = true;
  while (futures.tried < samples) {
    futures.tryOne();
    if (futures.tried % TELL_EVERY === 0) told(futures.tried, samples);
    const isDue = futures.tried >= FEWEST_FUTURES && performance.now() - from > FIRST_ANSWER_MS;
    if (isFirst && isDue && futures.tried < samples) {
      isFirst = false;
      first(futures.result());
    }
    // What was told goes out.
    await new Promise((go) => setTimeout(go));
  }
  return futures.result();
}
