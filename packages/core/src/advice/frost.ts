import type { ClimateSeries } from '../drying/climateSeries';
import type { Build, Climate, Place } from '../model/schema';
import { seasonExtremesC } from '../drying/seasons';
import type { EpochMinute } from '../model/wallTime';

/** The coldest and the warmest that the climate of a place gets, °C. */
export function extremesC(climate: Climate): { coldest: number; warmest: number } {
  switch (climate.kind) {
    case 'constant':
      return { coldest: climate.temperatureC, warmest: climate.temperatureC };
    case 'daily':
      return { coldest: climate.meanC - climate.swingC, warmest: climate.meanC + climate.swingC };
    case 'season':
      return seasonExtremesC(climate.zone);
    case 'hourly':
      return { coldest: Math.min(...climate.temperatureC), warmest: Math.max(...climate.temperatureC) };
  }
}

/** The places that get below freezing. */
export const placesThatFreeze = ({ places }: Pick<Build, 'places'>): Map<string, Place> =>
  new Map(places.filter(({ climate }) => extremesC(climate).coldest < 0).map((place) => [place.id, place]));

/** The coldest of a stretch of air, °C. */
export function coldestC(series: ClimateSeries, from: EpochMinute, to: EpochMinute): number {
  let coldest = Infinity;
  for (let minute = from; minute < to; minute = series.nextChangeAfter(minute))
    coldest = Math.min(coldest, series.airAt(minute).temperatureC);
  return coldest;
}
