import type { EpochMinute } from '../model/wallTime';
import type { Air } from './air';
import { cutSeries, type ClimateSeries } from './climateSeries';
import { nth } from '../model/sure';

/** The air of a place as it was measured at a moment. */
export interface Reading extends Air {
  at: EpochMinute;
}

/** A reading holds until the next one, but for no longer than this; after that the sensor is away. */
export const READING_HOLDS_MINUTES = 30;
/** No room warms or cools faster than this between two readings, °C a minute, with 2 °C to spare for the first. */
const FASTEST_C_A_MINUTE = 1;
const FASTEST_PCT_A_MINUTE = 6;
/** A sensor that says the very same for this long is stuck: real air moves in the second decimal. */
const STUCK_AFTER_MINUTES = 180;

/** Why a reading can't be true. */
export type ReadingFault = 'absurd' | 'jump' | 'stuck';

export const readingFaultWords: Record<ReadingFault, string> = {
  absurd: 'no room has such air',
  jump: 'it jumps further than air can',
  stuck: 'the sensor says the very same for hours',
};

/**
 * What is wrong with a new reading, after the good ones before it (oldest first); undefined when it can be true.
 * - `absurd`: not a number, outside −40…60 °C or 0…100 %, or 0 % itself, which a dead sensor says;
 * - `jump`: further from the last good one than air changes in that time;
 * - `stuck`: the same to the last digit as all good ones of the last three hours.
 */
export function readingFault(reading: Reading, before: readonly Reading[]): ReadingFault | undefined {
  const { at, temperatureC, humidityPct } = reading;
  const sane =
    Number.isFinite(temperatureC) &&
    Number.isFinite(humidityPct) &&
    temperatureC >= -40 &&
    temperatureC <= 60 &&
    humidityPct > 0 &&
    humidityPct <= 100;
  if (!sane) return 'absurd';
  const last = before[before.length - 1];
  if (!last) return undefined;
  const minutes = Math.max(0, at - last.at);
  if (
    Math.abs(temperatureC - last.temperatureC) > 2 + FASTEST_C_A_MINUTE * minutes ||
    Math.abs(humidityPct - last.humidityPct) > 10 + FASTEST_PCT_A_MINUTE * minutes
  )
    return 'jump';
  const same = (one: Reading) => one.temperatureC === temperatureC && one.humidityPct === humidityPct;
  const recent = before.filter((one) => one.at >= at - STUCK_AFTER_MINUTES);
  const spans = recent.length >= 6 && at - nth(recent, 0).at >= STUCK_AFTER_MINUTES * 0.9;
  return spans && recent.every(same) ? 'stuck' : undefined;
}

/** A stretch of time without readings. */
export interface ReadingGap {
  from: EpochMinute;
  to: EpochMinute;
}

/** The gaps of a series between two moments: wherever no reading holds. Readings are sorted by time. */
export function gapsIn(readings: readonly Reading[], from: EpochMinute, to: EpochMinute): ReadingGap[] {
  const gaps: ReadingGap[] = [];
  let heldUntil = from;
  for (const { at } of readings) {
    if (at >= to) break;
    if (at > heldUntil) gaps.push({ from: heldUntil, to: at });
    heldUntil = Math.max(heldUntil, at + READING_HOLDS_MINUTES);
  }
  if (heldUntil < to) gaps.push({ from: heldUntil, to });
  return gaps;
}

/**
 * A series with readings laid over it: where a reading holds it counts, elsewhere what was assumed does.
 * @param readings sorted by time
 */
export function withReadings(series: ClimateSeries, readings: readonly Reading[]): ClimateSeries {
  if (readings.length === 0) return series;
  /** The last reading at or before a minute, by its index; −1 for none. */
  const indexAt = (minute: EpochMinute): number => {
    let low = -1;
    let high = readings.length - 1;
    while (low < high) {
      const middle = (low + high + 1) >> 1;
      if (nth(readings, middle).at <= minute) low = middle;
      else high = middle - 1;
    }
    return low;
  };
  const holding = (minute: EpochMinute): Reading | undefined => {
    const reading = readings[indexAt(minute)];
    return reading && minute < reading.at + READING_HOLDS_MINUTES ? reading : undefined;
  };
  return {
    ...(series.cutAt
      ? { cutAt: (temperatureC) => withReadings(cutSeries(series, temperatureC), readings) }
      : {}),
    airAt: (minute) => holding(minute) ?? series.airAt(minute),
    nextChangeAfter: (minute) => {
      const at = indexAt(minute);
      const next = readings[at + 1]?.at ?? Infinity;
      const own = readings[at];
      const end = own && minute < own.at + READING_HOLDS_MINUTES ? own.at + READING_HOLDS_MINUTES : undefined;
      return Math.min(next, end ?? series.nextChangeAfter(minute));
    },
  };
}

/**
 * Readings thinned to one for each stretch of some minutes, the mean of what was measured in it, at its start. A day of
 * minutes becomes 96 quarters of an hour.
 */
export function thinned(readings: readonly Reading[], everyMinutes = 15): Reading[] {
  const result: Reading[] = [];
  let count = 0;
  for (const { at, temperatureC, humidityPct } of readings) {
    const slot = Math.floor(at / everyMinutes) * everyMinutes;
    const last = result[result.length - 1];
    if (last && last.at === slot) {
      last.temperatureC += (temperatureC - last.temperatureC) / (count + 1);
      last.humidityPct += (humidityPct - last.humidityPct) / (count + 1);
      count += 1;
    } else {
      result.push({ at: slot, temperatureC, humidityPct });
      count = 1;
    }
  }
  return result;
}
