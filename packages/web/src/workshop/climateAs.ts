import { climateSeries, halfOf, toWallTime, type Climate } from '@fixatum/core';

const HOURS_AHEAD = 24 * 7;
const USUAL_SWING_C = 4;
const tenth = (value: number) => Math.round(value * 10) / 10;

/**
 * A climate told in another way, from what it is now, to be changed from there: the same air for ever, the same mean with a
 * swing, or a week of hours as they were assumed.
 * @param now the present, epoch minutes
 */
export function climateAs(kind: Climate['kind'], climate: Climate, timeZone: string, now: number): Climate {
  if (climate.kind === kind) return climate;
  const series = climateSeries(climate, timeZone);
  const { temperatureC, humidityPct } = series.airAt(Math.floor(now));
  const [t, h] = [tenth(temperatureC), Math.round(humidityPct)];
  if (kind === 'constant') return { kind, temperatureC: t, humidityPct: h };
  if (kind === 'daily') return { kind, meanC: t, swingC: USUAL_SWING_C, humidityPct: h };
  if (kind === 'season') return { kind, zone: 'mild', half: halfOf(timeZone, Math.floor(now)) };
  const from = Math.floor(now / 60) * 60;
  const airs = Array.from({ length: HOURS_AHEAD }, (_, hour) => series.airAt(from + hour * 60));
  return {
    kind,
    start: toWallTime(from, timeZone),
    temperatureC: airs.map((air) => tenth(air.temperatureC)),
    humidityPct: airs.map((air) => Math.round(air.humidityPct)),
    ...(climate.kind === 'hourly' ? {} : { otherwise: climate }),
  };
}
