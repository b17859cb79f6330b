import { dewPointC, saturationPressureHpa, type Air } from './air';
import { cutSeries } from './climateSeries';
import type { PlaceAir } from './placeAir';
import type { EpochMinute } from '../model/wallTime';
import { dryingFamily, parseRecoat, touchLabelMinutes } from '../materials/material';
import { recoatFactor, touchFactor } from './filmTimes';
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
 * Compares air with a material's limits: its coldest, hottest and dampest, and for films the dew point (R34), two-part ones too.
 * What neither dries nor reacts (powders, glues that melt) does not mind dew.
 */
export function faultOfAir(material: Material, air: Air): AirFault | undefined {
  if (air.temperatureC < material.minC) return 'too-cold';
  if (air.temperatureC > material.maxC) return 'too-hot';
  if (air.humidityPct > material.maxRhPct) return 'too-damp';
  if (dryingFamily(material) !== 'inert' && air.temperatureC - dewPointC(air) < DEW_MARGIN_C)
    return 'near-dew';
  return undefined;
}

/** Warmer than this nobody heats a room to paint in, °C. */
const WARMEST_ROOM_C = 24;

/** Air brought to another temperature with the water that is in it: `RH·es(T)/es(T′)`. */
const broughtTo = ({ temperatureC, humidityPct }: Air, toC: number): Air => ({
  temperatureC: toC,
  humidityPct: (humidityPct * saturationPressureHpa(temperatureC)) / saturationPressureHpa(toC),
});

/**
 * The air as it would be in a room that is heated until a material can be laid in it, in whole degrees and with one to spare; undefined
 * where heating does not help.
 * @example 11 °C and 78 % against at most 75 %: at 12 °C it has 73 %, so 13 °C, at 68 %
 */
export function warmedAir(material: Material, air: Air): Air | undefined {
  for (let toC = Math.floor(air.temperatureC) + 1; toC < Math.min(material.maxC, WARMEST_ROOM_C); toC += 1)
    if (!faultOfAir(material, broughtTo(air, toC))) return broughtTo(air, toC + 1);
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
  const series = cutSeries(place.series, material.minC);
  for (let minute = from; minute < until;) {
    const next = Math.min(until, series.nextChangeAfter(minute));
    const fault = faultOfAir(material, series.airAt(minute));
    const last = spans[spans.length - 1];
    if (fault && last && last.fault === fault && last.to === minute) last.to = next;
    else if (fault) spans.push({ from: minute, to: next, fault });
    minute = next;
  }
  return spans;
}

/**
 * Label minutes that a coat needs air within its limits, and that it must not get colder than its coldest: to touch-dry; and for
 * water-borne films, which come apart where they get cold before they have formed, to recoat.
 */
export function airNeeds(
  material: Material,
  filmFactor: number,
): { fitMinutes: number; warmMinutes: number } {
  const fitMinutes = touchLabelMinutes(material) * touchFactor(material, filmFactor);
  const forms = material.carrier === 'water' ? (parseRecoat(material.recoat)[0]?.from ?? 0) : 0;
  return { fitMinutes, warmMinutes: Math.max(fitMinutes, forms * recoatFactor(material, filmFactor)) };
}

/**
 * The first moment at or after `from` at which a coat can be laid so that the air stays inside the material's limits
 * while it is laid and until it is touch-dry, and warm enough until its film has formed; Infinity when there is none in the next
 * forty days.
 * @param workMinutes how long the laying takes
 * @param filmFactor its film over a normal one
 */
export function firstGoodAir(
  material: Material,
  place: PlaceAir,
  from: EpochMinute,
  workMinutes: number,
  filmFactor: number,
): EpochMinute {
  const track = place.track(material, 'early');
  const { fitMinutes, warmMinutes } = airNeeds(material, filmFactor);
  const series = cutSeries(place.series, material.minC);
  const limit = from + DAYS_AHEAD * 1440;
  let start = from;
  while (start <= limit) {
    const laid = track.progressAt(start + workMinutes);
    const end = track.minuteAt(laid + fitMinutes);
    // Carried indoors once it is touch-dry, it forms there.
    const formed = place.indoors ? end : track.minuteAt(laid + warmMinutes);
    let faultyUntil: EpochMinute | undefined;
    for (let minute = start; minute < Math.min(formed, limit + 1440);) {
      const next = series.nextChangeAfter(minute);
      const fault = faultOfAir(material, series.airAt(minute));
      if (fault && (minute < end || fault === 'too-cold')) faultyUntil = next;
      if (next === Infinity) break;
      minute = next;
    }
    if (faultyUntil === undefined) return formed === Infinity ? Infinity : start;
    if (faultyUntil === Infinity) return Infinity;
    // Work begins on whole minutes, air turns when it does.
    start = Math.ceil(faultyUntil);
  }
  return Infinity;
}
