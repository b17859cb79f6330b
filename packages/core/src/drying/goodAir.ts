import { dewPointC, type Air } from './air';
import type { PlaceAir } from './placeAir';
import type { EpochMinute } from '../model/wallTime';
import type { Material } from '../model/materialSchema';

/** How far ahead good air is looked for before saying "never": forty days. */
const DAYS_AHEAD = 40;

/** What is wrong with the air for a material at one moment, if anything. */
export type AirFault = 'too-cold' | 'too-hot' | 'too-damp' | 'near-dew';

export const airFaultWords: Record<AirFault, string> = {
  'too-cold': 'too cold',
  'too-hot': 'too hot',
  'too-damp': 'too damp',
  'near-dew': 'so near its dew point that surfaces get wet',
};

/** A surface has to be this much warmer than the dew point, °C; it is taken to be as warm as the air. */
export const DEW_MARGIN_C = 3;

/**
 * Compares air with a material's limits: its coldest, hottest and dampest, and for films the dew point (R34). What has
 * nothing to dry out of it (powders, glues that melt) does not mind dew.
 */
export function faultOfAir(material: Material, air: Air): AirFault | undefined {
  if (air.temperatureC < material.minC) return 'too-cold';
  if (air.temperatureC > material.maxC) return 'too-hot';
  if (air.humidityPct > material.maxRhPct) return 'too-damp';
  if (material.carrier !== 'none' && air.temperatureC - dewPointC(air) < DEW_MARGIN_C) return 'near-dew';
  return undefined;
}

/** A stretch of time in which the air of a place is unfit for a material. */
export interface UnfitSpan {
  from: EpochMinute;
  to: EpochMinute;
  fault: AirFault;
}

/** When the air of a place is unfit for a material, between two moments. */
export function unfitSpans(
  material: Material,
  place: PlaceAir,
  from: EpochMinute,
  until: EpochMinute,
): UnfitSpan[] {
  const spans: UnfitSpan[] = [];
  for (let minute = from; minute < until;) {
    const next = Math.min(until, place.series.nextChangeAfter(minute));
    const fault = faultOfAir(material, place.series.airAt(minute));
    const last = spans[spans.length - 1];
    if (fault && last && last.fault === fault && last.to === minute) last.to = next;
    else if (fault) spans.push({ from: minute, to: next, fault });
    minute = next;
  }
  return spans;
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
      if (faultOfAir(material, place.series.airAt(minute))) faultyUntil = next;
      if (next === Infinity) break;
      minute = next;
    }
    if (faultyUntil === undefined) return end === Infinity ? Infinity : start;
    if (faultyUntil === Infinity) return Infinity;
    start = faultyUntil;
  }
  return Infinity;
}
