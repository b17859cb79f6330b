import isEqual from 'fast-deep-equal';
import type { Place } from '../model/schema';
import { epochMinute, type EpochMinute } from '../model/wallTime';
import { climateSeries, cutSeries, type ClimateSeries } from './climateSeries';

/** More than these are not kept: the oldest are of coats that dried long ago. */
const MOST_KEPT = 60;

/** What the air of a place was taken for and is, over time: as it was until each moment at which that was changed. */
export function placeSeries(
  { climate, airWas = [] }: Pick<Place, 'climate' | 'airWas'>,
  timeZone: string,
): ClimateSeries {
  return airWas.reduceRight<ClimateSeries>(
    (later, { until, climate: was }) =>
      changing(climateSeries(was, timeZone), epochMinute(until, timeZone), later),
    climateSeries(climate, timeZone),
  );
}

/** One air until a moment, and another from then on. */
function changing(before: ClimateSeries, at: EpochMinute, after: ClimateSeries): ClimateSeries {
  return {
    airAt: (minute) => (minute < at ? before : after).airAt(minute),
    nextChangeAfter: (minute) =>
      minute < at ? Math.min(at, before.nextChangeAfter(minute)) : after.nextChangeAfter(minute),
    ...(before.cutAt || after.cutAt
      ? {
          cutAt: (temperatureC: number) =>
            changing(cutSeries(before, temperatureC), at, cutSeries(after, temperatureC)),
        }
      : {}),
  };
}

/**
 * Places as they are changed at a moment, each with what its air was taken for until then, so that what is said of the air today moves no coat of
 * yesterday. Hours that are taken in keep the air of before by themselves.
 * @param now the moment, as wall time
 */
export function withAirKept(before: readonly Place[], after: readonly Place[], now: string): Place[] {
  return after.map((place) => {
    const was = before.find(({ id }) => id === place.id);
    if (!was || isEqual(was.climate, place.climate) || keepsByItself(was, place)) return place;
    const airWas = [...(place.airWas ?? []), { until: now, climate: was.climate }];
    return { ...place, airWas: airWas.slice(-MOST_KEPT) };
  });
}

const keepsByItself = ({ climate: was }: Place, { climate: now }: Place): boolean =>
  now.kind === 'hourly' &&
  now.otherwise !== undefined &&
  isEqual(now.otherwise, was.kind === 'hourly' ? was.otherwise : was);
