import type { ClimateZone, Half } from '../model/fields';
import { nth } from '../model/sure';

/** Outside air of one month: the mean of day and night, how far it swings to both sides, and how damp it is at the mean. */
export interface MonthAir {
  meanC: number;
  swingC: number;
  humidityPct: number;
}

/** A climate as people say it: by how its winters and summers are. */
interface Zone {
  word: string;
  /** For the length of its days, degrees from the equator. */
  latitudeDeg: number;
  /** January to December, north of the equator. */
  meanC: readonly number[];
  swingC: readonly number[];
  humidityPct: readonly number[];
}

/** Typical air by climate and month, rounded; a guess that holds until somebody measures (docs/domain.md, "The first evening"). */
export const climateZoneTable: Readonly<Record<ClimateZone, Zone>> = {
  cold: {
    word: 'cold: snow for months',
    latitudeDeg: 57,
    meanC: [-6, -5, 0, 5, 12, 16, 18, 17, 12, 6, 0, -4],
    swingC: [3, 4, 5, 5, 6, 6, 6, 5, 5, 4, 3, 3],
    humidityPct: [86, 84, 78, 70, 65, 67, 70, 74, 80, 84, 87, 88],
  },
  mild: {
    word: 'mild: cool winters, warm summers',
    latitudeDeg: 49,
    meanC: [3, 4, 7, 10, 14, 17, 19, 19, 15, 11, 6, 4],
    swingC: [3, 3, 4, 5, 5, 5, 5, 5, 5, 4, 3, 3],
    humidityPct: [86, 82, 77, 71, 70, 71, 70, 72, 78, 83, 87, 88],
  },
  warm: {
    word: 'warm: hardly any frost, hot summers',
    latitudeDeg: 38,
    meanC: [9, 10, 13, 15, 19, 23, 26, 26, 23, 18, 13, 10],
    swingC: [4, 4, 5, 5, 6, 6, 6, 6, 5, 5, 4, 4],
    humidityPct: [78, 75, 71, 68, 64, 59, 55, 57, 64, 71, 76, 79],
  },
  hot: {
    word: 'hot: no winter',
    latitudeDeg: 20,
    meanC: [20, 21, 24, 27, 29, 30, 30, 30, 29, 27, 24, 21],
    swingC: [5, 5, 5, 5, 5, 4, 4, 4, 4, 5, 5, 5],
    humidityPct: [68, 65, 62, 62, 66, 72, 76, 77, 76, 73, 71, 70],
  },
};

/** Half a year: south of the equator a month has the air of the one opposite. */
const OPPOSITE_MONTHS = 6;
/** A month has its own air in the middle, and between two middles the one turns into the other. */
const MIDDLE_DAY = 15;
const DAYS_OF_A_MONTH = 30;

/**
 * The outside air of a day.
 * @param month 1 to 12
 * @param day of the month, from 1
 */
export function seasonAir(zone: ClimateZone, half: Half, month: number, day: number): MonthAir {
  const { meanC, swingC, humidityPct } = climateZoneTable[zone];
  const share = Math.max(-0.5, Math.min(0.5, (day - MIDDLE_DAY) / DAYS_OF_A_MONTH));
  const at = (n: number) => (((n + (half === 'south' ? OPPOSITE_MONTHS : 0)) % 12) + 12) % 12;
  const here = at(month - 1);
  const next = at(month - 1 + (share < 0 ? -1 : 1));
  const between = (list: readonly number[]) =>
    nth(list, here) + Math.abs(share) * (nth(list, next) - nth(list, here));
  return { meanC: between(meanC), swingC: between(swingC), humidityPct: between(humidityPct) };
}

/** The latitude that a climate is taken to lie at, for the light of its days; negative in the south. */
export const latitudeOf = (zone: ClimateZone, half: Half): number =>
  climateZoneTable[zone].latitudeDeg * (half === 'south' ? -1 : 1);

/** The coldest and the warmest of the year, °C. */
export function seasonExtremesC(zone: ClimateZone): { coldest: number; warmest: number } {
  const { meanC, swingC } = climateZoneTable[zone];
  return {
    coldest: Math.min(...meanC.map((mean, n) => mean - nth(swingC, n))),
    warmest: Math.max(...meanC.map((mean, n) => mean + nth(swingC, n))),
  };
}
