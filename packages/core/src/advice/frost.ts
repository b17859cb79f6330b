import type { ClimateSeries } from '../drying/climateSeries';
import type { Build, Climate, Place } from '../model/schema';
import { seasonExtremesC } from '../drying/seasons';
import type { EpochMinute } from '../model/wallTime';

interface Extremes {
  coldest: number;
  warmest: number;
}
const spanOf = (temperatureC: readonly number[]): Extremes => ({
  coldest: Math.min(...temperatureC),
  warmest: Math.max(...temperatureC),
});
const widest = (all: readonly Extremes[]): Extremes => ({
  coldest: Math.min(...all.map(({ coldest }) => coldest)),
  warmest: Math.max(...all.map(({ warmest }) => warmest)),
});

/** The coldest and the warmest that the climate of a place gets, °C. */
export function extremesC(climate: Climate): Extremes {
  switch (climate.kind) {
    case 'constant':
      return { coldest: climate.temperatureC, warmest: climate.temperatureC };
    case 'daily':
      return { coldest: climate.meanC - climate.swingC, warmest: climate.meanC + climate.swingC };
    case 'season':
      return seasonExtremesC(climate.zone);
    case 'hourly':
      return climate.otherwise
        ? widest([spanOf(climate.temperatureC), extremesC(climate.otherwise)])
        : spanOf(climate.temperatureC);
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
