import type { Climate } from '../model/schema';
import { epochMinute } from '../model/wallTime';

type Hourly = Extract<Climate, { kind: 'hourly' }>;
/** More sets of hours than these are not kept: the oldest are of coats that dried long ago. */
const MOST_EARLIER = 40;

/**
 * The climate of a place once a forecast, or hours that were measured, are taken in. What the air was before stays: hours that were taken in earlier
 * hold where the new ones say nothing, and before and after all of them the air is what it was otherwise. So nothing that is taken in today moves
 * a coat of another day, and the last hour of a forecast is not the air for ever.
 * @param usual the air of the place where it had nothing but hours, as in files of before
 */
export function takenIn(
  before: Climate,
  taken: Hourly,
  usual: Exclude<Climate, Hourly>,
  timeZone: string,
): Hourly {
  if (before.kind !== 'hourly') return { ...taken, otherwise: before };
  const { otherwise = usual, earlier = [], start, temperatureC, humidityPct } = before;
  const span = (one: Pick<Hourly, 'start' | 'temperatureC'>) => {
    const from = epochMinute(one.start, timeZone);
    return { from, to: from + one.temperatureC.length * 60 };
  };
  const own = span(taken);
  // What the new hours cover whole says nothing any more.
  const kept = [...earlier, { start, temperatureC, humidityPct }].filter((one) => {
    const { from, to } = span(one);
    return from < own.from || to > own.to;
  });
  return { ...taken, otherwise, ...(kept.length > 0 ? { earlier: kept.slice(-MOST_EARLIER) } : {}) };
}
