import type { Place } from '../model/schema';
import { MINUTES_PER_DAY, type EpochMinute } from '../model/wallTime';
import { climateSeries } from './climateSeries';

/** Steps in which the air of a place is looked through: a day's swing passes its warmest within one. */
const STEP_MINUTES = 180;

/** The warmest that the air of a place is said to get between two moments, °C. */
export function warmestC(
  { climate }: Pick<Place, 'climate'>,
  timeZone: string,
  from: EpochMinute,
  until: EpochMinute,
): number {
  const series = climateSeries(climate, timeZone);
  let warmest = series.airAt(from).temperatureC;
  for (let minute = from; minute <= until; minute += STEP_MINUTES)
    warmest = Math.max(warmest, series.airAt(minute).temperatureC);
  return warmest;
}

/** So far ahead is looked where there is no date. */
export const LOOK_AHEAD_DAYS = 30;
export const lookAhead = (from: EpochMinute): EpochMinute => from + LOOK_AHEAD_DAYS * MINUTES_PER_DAY;
