import type { Material } from '../model/materialSchema';
import type { EpochMinute } from '../model/wallTime';
import { cutSeries } from './climateSeries';
import type { Clock, PlaceAir } from './placeAir';
import { rateTrack, type RateTrack } from './rateTrack';
import { nth } from '../model/sure';

/**
 * Air in which each clock runs at every moment as fast as in the quickest of some places. Nothing dries sooner than in it,
 * wherever and however often it is moved between them.
 * @param places at least one
 */
export function quickestAir(places: readonly PlaceAir[], origin: EpochMinute): PlaceAir {
  const [first] = places;
  if (!first) throw new RangeError('quickestAir needs a place');
  if (places.length === 1) return first;
  const tracks = new Map<string, RateTrack>();
  return {
    ...first,
    placeId: places.map(({ placeId }) => placeId).join('+'),
    track(material, clock) {
      const key = `${material.id} ${clock}`;
      let track = tracks.get(key);
      if (!track) {
        track = quickestTrack(places, material, clock, origin);
        tracks.set(key, track);
      }
      return track;
    },
  };
}

function quickestTrack(
  places: readonly PlaceAir[],
  material: Material,
  clock: Clock,
  origin: EpochMinute,
): RateTrack {
  const here = places.map(({ series, rate }) => ({
    series: cutSeries(series, material.minC),
    rate: rate(material, clock),
  }));
  const quickest = (minute: EpochMinute) =>
    here
      .map(({ series, rate }) => ({ air: series.airAt(minute), rate }))
      .reduce((best, one) => (one.rate(one.air) > best.rate(best.air) ? one : best)).air;
  return rateTrack(
    {
      airAt: quickest,
      nextChangeAfter: (minute) =>
        here.reduce((next, { series }) => Math.min(next, series.nextChangeAfter(minute)), Infinity),
    },
    nth(here, 0).rate,
    origin,
  );
}
