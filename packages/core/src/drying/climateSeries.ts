import type { Climate } from '../model/schema';
import { atZone, epochMinute, type EpochMinute } from '../model/wallTime';
import { saturationPressureHpa, dewPointC, type Air } from './air';

/**
 * The air of a place over time, as steps of constant air: `airAt` answers for any minute, and the air does not
 * change before `nextChangeAfter`.
 */
export interface ClimateSeries {
  airAt(minute: EpochMinute): Air;
  /** The first minute after this one at which the air may differ; Infinity when it never does again. */
  nextChangeAfter(minute: EpochMinute): EpochMinute;
}

/** A daily swing is followed in steps this long, which keeps it within 0.1 °C of the smooth curve for ±6 °C. */
const SWING_STEP_MINUTES = 15;

/**
 * The series of a place's climate.
 * - `constant`: one air for ever.
 * - `hourly`: an hour a value from `start`; the first value holds before it, the last after it.
 * - `daily`: temperature `mean ± swing` as a sinusoid that is warmest at 15:00 local time; humidity is the value at
 *   the mean temperature and falls as the air warms, the dew point staying where it is.
 */
export function climateSeries(climate: Climate, timeZone: string): ClimateSeries {
  if (climate.kind === 'constant') {
    const air = { temperatureC: climate.temperatureC, humidityPct: climate.humidityPct };
    return { airAt: () => air, nextChangeAfter: () => Infinity };
  }
  if (climate.kind === 'hourly') {
    const start = epochMinute(climate.start, timeZone);
    const airs = climate.temperatureC.map((temperatureC, hour): Air => ({
      temperatureC,
      humidityPct: climate.humidityPct[hour]!,
    }));
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
  const dewPoint = dewPointC({ temperatureC: climate.meanC, humidityPct: climate.humidityPct });
  const vapour = saturationPressureHpa(dewPoint);
  const airOfDay = Array.from({ length: (24 * 60) / SWING_STEP_MINUTES }, (_, step): Air => {
    const hour = ((step + 0.5) * SWING_STEP_MINUTES) / 60;
    const temperatureC = climate.meanC + climate.swingC * Math.cos((2 * Math.PI * (hour - 15)) / 24);
    return { temperatureC, humidityPct: Math.min(100, (100 * vapour) / saturationPressureHpa(temperatureC)) };
  });
  const localMinuteOfDay = localClock(timeZone);
  return {
    airAt: (minute) => airOfDay[Math.floor(localMinuteOfDay(minute) / SWING_STEP_MINUTES)]!,
    nextChangeAfter: (minute) =>
      Math.floor(minute / SWING_STEP_MINUTES) * SWING_STEP_MINUTES + SWING_STEP_MINUTES,
  };
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
