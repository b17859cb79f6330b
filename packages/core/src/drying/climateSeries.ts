import type { Climate } from '../model/schema';
import { atZone, epochMinute, type EpochMinute } from '../model/wallTime';
import { nth } from '../model/sure';
import { saturationPressureHpa, dewPointC, type Air } from './air';
import { seasonAir } from './seasons';

/**
 * The air of a place over time, as steps of constant air: `airAt` answers for any minute, and the air does not
 * change before `nextChangeAfter`.
 */
export interface ClimateSeries {
  airAt(minute: EpochMinute): Air;
  /** The first minute after this one at which the air may differ; Infinity when it never does again. */
  nextChangeAfter(minute: EpochMinute): EpochMinute;
  /**
   * The same air in steps that are cut at the very moments it passes a temperature, so that what stands still below that does so
   * for as long as it is colder. Left out where the steps are the air itself.
   */
  cutAt?(temperatureC: number): ClimateSeries;
}

/** The series cut at a temperature, as far as it can be. */
export const cutSeries = (series: ClimateSeries, temperatureC: number): ClimateSeries =>
  series.cutAt?.(temperatureC) ?? series;

/** A daily swing is followed in steps this long, which keeps it within 0.1 °C of the smooth curve for ±6 °C. */
const SWING_STEP_MINUTES = 15;
const DAY_MINUTES = 1440;
/** Moments nearer than this are one. */
const FINEST_MINUTES = 1e-6;
/** A daily swing is warmest at this hour, local time. */
const WARMEST_HOUR = 15;

/**
 * The series of a place's climate.
 * - `constant`: one air for ever.
 * - `hourly`: an hour a value from `start`; before and after it hours that were known earlier, and else what the air is otherwise. Where
 *   nothing is said of that the first value holds before it and the last after it.
 * - `daily`: temperature `mean ± swing` as a sinusoid that is warmest at 15:00 local time; humidity is the value at
 *   the mean temperature and falls as the air warms, the dew point staying where it is.
 * - `season`: the same, with what is usual outside for the day of the year.
 */
export function climateSeries(climate: Climate, timeZone: string): ClimateSeries {
  if (climate.kind === 'constant') {
    const air = { temperatureC: climate.temperatureC, humidityPct: climate.humidityPct };
    return { airAt: () => air, nextChangeAfter: () => Infinity };
  }
  if (climate.kind === 'hourly') {
    const own = hoursOf(climate, timeZone);
    const { otherwise, earlier = [] } = climate;
    if (!otherwise) return heldOn(own);
    const spans = [own, ...earlier.map((one) => hoursOf(one, timeZone)).reverse()];
    return within(spans, climateSeries(otherwise, timeZone));
  }
  const clock = localClock(timeZone);
  return climate.kind === 'season' ? seasonSeries(climate, timeZone, clock) : dailySeries(climate, clock);
}

/** Air hour by hour from a moment on. */
interface Hours {
  start: EpochMinute;
  end: EpochMinute;
  airs: readonly Air[];
}

function hoursOf(
  {
    start: wall,
    temperatureC,
    humidityPct,
  }: { start: string; temperatureC: number[]; humidityPct: number[] },
  timeZone: string,
): Hours {
  const start = epochMinute(wall, timeZone);
  // Of a list that is shorter than the other the last value holds on as well.
  const at = (list: readonly number[], hour: number) => nth(list, Math.min(hour, list.length - 1));
  const count = Math.max(temperatureC.length, humidityPct.length);
  const airs = Array.from({ length: count }, (_, hour): Air => ({
    temperatureC: at(temperatureC, hour),
    humidityPct: at(humidityPct, hour),
  }));
  return { start, end: start + count * 60, airs };
}

/** Hours whose first value holds before them, and the last after them. */
function heldOn({ start, airs }: Hours): ClimateSeries {
  const hourOf = (minute: EpochMinute) => Math.floor((minute - start) / 60);
  return {
    airAt: (minute) => airs[Math.min(airs.length - 1, Math.max(0, hourOf(minute)))]!,
    nextChangeAfter: (minute) => {
      const hour = hourOf(minute);
      if (hour < 0) return start + 60;
      return hour >= airs.length - 1 ? Infinity : start + (hour + 1) * 60;
    },
  };
}

/** Hours within what the air is otherwise; of two that are of the same time the first one given. */
function within(spans: readonly Hours[], otherwise: ClimateSeries): ClimateSeries {
  const spanAt = (minute: EpochMinute) => spans.find(({ start, end }) => start <= minute && minute < end);
  const { cutAt } = otherwise;
  return {
    airAt: (minute) => {
      const span = spanAt(minute);
      return span ? nth(span.airs, Math.floor((minute - span.start) / 60)) : otherwise.airAt(minute);
    },
    nextChangeAfter: (minute) => {
      const span = spanAt(minute);
      const next = span
        ? span.start + (Math.floor((minute - span.start) / 60) + 1) * 60
        : otherwise.nextChangeAfter(minute);
      return spans.reduce(
        (soonest, { start }) => (start > minute ? Math.min(soonest, start) : soonest),
        next,
      );
    },
    ...(cutAt ? { cutAt: (temperatureC: number) => within(spans, cutAt(temperatureC)) } : {}),
  };
}

/** Outside air that swings every day, each day by what is usual for the time of the year. */
function seasonSeries(
  { zone, half }: Extract<Climate, { kind: 'season' }>,
  timeZone: string,
  localMinuteOfDay: (minute: EpochMinute) => number,
  cutAtC?: number,
): ClimateSeries {
  const days = new Map<number, ClimateSeries>();
  const dayOf = (minute: EpochMinute): ClimateSeries => {
    const midnight = Math.round(minute - localMinuteOfDay(minute));
    let day = days.get(midnight);
    if (!day) {
      const date = atZone(midnight + DAY_MINUTES / 2, timeZone);
      const air = seasonAir(zone, half, date.month, date.day);
      day = dailySeries({ kind: 'daily', ...air }, localMinuteOfDay, cutAtC);
      days.set(midnight, day);
    }
    return day;
  };
  const known = new Map<number, ClimateSeries>();
  return {
    airAt: (minute) => dayOf(minute).airAt(minute),
    nextChangeAfter: (minute) => dayOf(minute).nextChangeAfter(minute),
    cutAt: (temperatureC) => {
      let series = known.get(temperatureC);
      if (!series) {
        series = seasonSeries({ kind: 'season', zone, half }, timeZone, localMinuteOfDay, temperatureC);
        known.set(temperatureC, series);
      }
      return series;
    },
  };
}

/** A temperature that swings once a day, in steps that are cut besides wherever it passes some temperature. */
function dailySeries(
  climate: Extract<Climate, { kind: 'daily' }>,
  localMinuteOfDay: (minute: EpochMinute) => number,
  cutAtC?: number,
): ClimateSeries {
  const { meanC, swingC, humidityPct } = climate;
  const vapour = saturationPressureHpa(dewPointC({ temperatureC: meanC, humidityPct }));
  const airAtHour = (hour: number): Air => {
    const temperatureC = meanC + swingC * Math.cos((2 * Math.PI * (hour - WARMEST_HOUR)) / 24);
    return { temperatureC, humidityPct: Math.min(100, (100 * vapour) / saturationPressureHpa(temperatureC)) };
  };
  const steps = Array.from(
    { length: DAY_MINUTES / SWING_STEP_MINUTES },
    (_, step) => step * SWING_STEP_MINUTES,
  );
  const cuts = cutAtC === undefined ? [] : crossings(climate, cutAtC);
  /** Where the steps of a day begin, minutes after midnight. */
  const starts = [...new Set([...steps, ...cuts])].sort((a, b) => a - b);
  const airs = starts.map((start, at) => airAtHour((start + (starts[at + 1] ?? DAY_MINUTES)) / 2 / 60));
  /** The step a minute of the day lies in: at or right behind the quarter it lies in, as there are but two cuts. */
  const stepAt = (minuteOfDay: number): number => {
    let at = Math.min(starts.length - 1, Math.floor(minuteOfDay / SWING_STEP_MINUTES) + cuts.length);
    // Minutes since 1970 hold no finer parts: what is so near the next step has come to it.
    while (at > 0 && nth(starts, at) > minuteOfDay + FINEST_MINUTES) at -= 1;
    return at;
  };
  const known = new Map<number, ClimateSeries>();
  return {
    airAt: (minute) => nth(airs, stepAt(localMinuteOfDay(minute))),
    nextChangeAfter: (minute) => {
      const here = localMinuteOfDay(minute);
      return minute + (starts[stepAt(here) + 1] ?? DAY_MINUTES) - here;
    },
    cutAt: (temperatureC) => {
      let series = known.get(temperatureC);
      if (!series) {
        series = dailySeries(climate, localMinuteOfDay, temperatureC);
        known.set(temperatureC, series);
      }
      return series;
    },
  };
}

/** When a daily swing passes a temperature, minutes after midnight; none where it stays on one side. */
function crossings({ meanC, swingC }: { meanC: number; swingC: number }, temperatureC: number): number[] {
  const share = swingC === 0 ? Infinity : (temperatureC - meanC) / swingC;
  if (Math.abs(share) >= 1) return [];
  const hours = (Math.acos(share) * 24) / (2 * Math.PI);
  return [WARMEST_HOUR - hours, WARMEST_HOUR + hours].map((hour) => ((hour + 24) % 24) * 60);
}

/** Minutes since local midnight; the zone's offset is looked up once a quarter of a day, as look-ups are slow. */
function localClock(timeZone: string): (minute: EpochMinute) => number {
  const offsets = new Map<number, number>();
  return (minute) => {
    const quarter = Math.floor(minute / 360);
    let offset = offsets.get(quarter);
    if (offset === undefined) {
      offset = atZone(quarter * 360, timeZone).offset;
      offsets.set(quarter, offset);
    }
    return (((minute + offset) % 1440) + 1440) % 1440;
  };
}
