import type { Place } from '../model/schema';
import { dryingFamily } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import { solventRate, twoPartRate, waterEarlyRate, waterLateRate, type Air } from './air';
import { cutSeries, type ClimateSeries } from './climateSeries';
import { placeSeries } from './placeSeries';
import { rateTrack, type RateTrack } from './rateTrack';
import { gapsIn, withReadings, type Reading } from './readings';
import type { Material } from '../model/materialSchema';

/** Touch and recoat run on the early clock; tape-safe and all later milestones on the late one. */
export type Clock = 'early' | 'late';

/** The air of one place, and the drying clocks that run in it. */
export interface PlaceAir {
  placeId: string;
  series: ClimateSeries;
  /** Where what is coated here is carried once it is touch-dry; undefined where it stays. */
  indoors?: PlaceAir;
  /** Whether the air at a moment was measured, as against assumed. */
  measuredAt(minute: EpochMinute): boolean;
  /** How fast the clock of a material runs in some air; 0 below its minimum temperature. */
  rate(material: Material, clock: Clock): (air: Air) => number;
  /** The clock of a material here; below its minimum temperature it stands still. */
  track(material: Material, clock: Clock): RateTrack;
}

function rateOf(material: Material, clock: Clock): (air: Air) => number {
  switch (dryingFamily(material)) {
    case 'water':
      return clock === 'early' ? waterEarlyRate : waterLateRate;
    case 'solvent':
      return solventRate;
    case 'two-part':
      return twoPartRate;
    case 'inert':
      return () => 1;
  }
}

/** As `rateOf`, standing still below the minimum temperature. */
function rateFrom(material: Material, clock: Clock): (air: Air) => number {
  const rate = rateOf(material, clock);
  return (air) => (air.temperatureC < material.minC ? 0 : rate(air));
}

/**
 * Builds the clocks of a place; tracks are shared by all materials with the same family and minimum temperature. What was
 * measured there counts before what its climate says.
 */
export function placeAir(
  place: Pick<Place, 'id' | 'climate' | 'airWas'>,
  timeZone: string,
  origin: EpochMinute,
  readings: readonly Reading[] = [],
): PlaceAir {
  const series = withReadings(placeSeries(place, timeZone), readings);
  return placeAirOf(place.id, series, origin, readings);
}

/** As `placeAir`, from a series of air. */
export function placeAirOf(
  placeId: string,
  series: ClimateSeries,
  origin: EpochMinute,
  readings: readonly Reading[] = [],
): PlaceAir {
  const tracks = new Map<string, RateTrack>();
  // Asked for at every coat of every plan, so the answer is kept by the material itself as well.
  const known: Record<Clock, WeakMap<Material, RateTrack>> = { early: new WeakMap(), late: new WeakMap() };
  return {
    placeId,
    series,
    rate: rateFrom,
    measuredAt: (minute) => gapsIn(readings, minute, minute + 1).length === 0,
    track(material, clock) {
      const shortcut = known[clock].get(material);
      if (shortcut) return shortcut;
      const key = `${dryingFamily(material)} ${clock} ${material.minC}`;
      let track = tracks.get(key);
      if (!track) {
        track = rateTrack(cutSeries(series, material.minC), rateFrom(material, clock), origin);
        tracks.set(key, track);
      }
      known[clock].set(material, track);
      return track;
    },
  };
}

/**
 * Airs of places with those that things are carried from told where to.
 * @param indoorsOf the place indoors for each that things are carried in from, by id
 */
export function withIndoors(
  airs: ReadonlyMap<string, PlaceAir>,
  indoorsOf: ReadonlyMap<string, string>,
): Map<string, PlaceAir> {
  return new Map(
    [...airs].map(([id, air]) => {
      const indoors = airs.get(indoorsOf.get(id) ?? '');
      return [id, indoors ? { ...air, indoors } : air];
    }),
  );
}
