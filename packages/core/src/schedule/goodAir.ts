import type { PlaceAir } from '../drying/placeAir';
import type { Material } from '../materials/material';
import type { EpochMinute } from '../time/wallTime';

/** How far ahead good air is looked for before saying "never": forty days. */
const DAYS_AHEAD = 40;

/** What is wrong with the air for a material at one moment, if anything. */
export type AirFault = 'too-cold' | 'too-hot' | 'too-damp';

/** Compares the air of a place with a material's limits at one moment. */
export function airFault(material: Material, place: PlaceAir, minute: EpochMinute): AirFault | undefined {
  const air = place.series.airAt(minute);
  if (air.temperatureC < material.minC) return 'too-cold';
  if (air.temperatureC > material.maxC) return 'too-hot';
  if (air.humidityPct > material.maxRhPct) return 'too-damp';
  return undefined;
}

/**
 * The first moment at or after `from` at which a coat can be laid so that the air stays inside the material's limits
 * while it is laid and until it is touch-dry; Infinity when there is none in the next forty days.
 * @param workMinutes how long the laying takes
 * @param touchLabelMinutes label minutes to touch-dry, film factor included
 */
export function firstGoodAir(
  material: Material,
  place: PlaceAir,
  from: EpochMinute,
  workMinutes: number,
  touchLabelMinutes: number,
): EpochMinute {
  const track = place.track(material, 'early');
  const limit = from + DAYS_AHEAD * 1440;
  let start = from;
  while (start <= limit) {
    const end = track.minuteAt(track.progressAt(start + workMinutes) + touchLabelMinutes);
    let faultyUntil: EpochMinute | undefined;
    for (let minute = start; minute < Math.min(end, limit + 1440);) {
      const next = place.series.nextChangeAfter(minute);
      if (airFault(material, place, minute)) faultyUntil = next;
      if (next === Infinity) break;
      minute = next;
    }
    if (faultyUntil === undefined) return end === Infinity ? Infinity : start;
    if (faultyUntil === Infinity) return Infinity;
    start = faultyUntil;
  }
  return Infinity;
}
