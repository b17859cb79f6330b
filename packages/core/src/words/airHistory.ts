import { degreeUnit, degreesOf, sayC } from '../model/sayMeasure';
import { sayMoment } from '../model/sayMoment';
import type { Place } from '../model/schema';
import { epochMinute, type EpochMinute } from '../model/wallTime';

type Climate = Place['climate'];
const HOUR_MINUTES = 60;

/** What the air of a place was taken for, over some time. */
export interface AirEra {
  /** Undefined for the first: from the beginning. */
  from: EpochMinute | undefined;
  /** Undefined for what holds now. */
  until: EpochMinute | undefined;
  /** "20 °C, 50 %", or what else it is. */
  text: string;
}

/** A climate in words. */
function climateWords(climate: Climate): string {
  switch (climate.kind) {
    case 'constant':
      return `${sayC(climate.temperatureC)}, ${climate.humidityPct} %`;
    case 'daily':
      return `${degreesOf(climate.meanC)} ${degreeUnit()} over the day, ${climate.humidityPct} %`;
    case 'season':
      return `the usual air of the month, a guess (${climate.zone})`;
    case 'hourly':
      return climate.otherwise === undefined
        ? 'hours that were taken in'
        : `hours that were taken in, and ${climateWords(climate.otherwise)} besides`;
  }
}

const endOf = (hours: { start: string; temperatureC: readonly number[] }, zone: string): EpochMinute =>
  epochMinute(hours.start, zone) + (hours.temperatureC.length - 1) * HOUR_MINUTES;

/**
 * What the air of a place was taken for and is, oldest first: what was said of it each until that was changed, and the hours that were taken in
 * each with its own time. Readings stand over all of it.
 */
export function airHistory(
  { climate, airWas = [] }: Pick<Place, 'climate' | 'airWas'>,
  zone: string,
): AirEra[] {
  const eras: AirEra[] = [];
  let from: EpochMinute | undefined;
  for (const one of airWas) {
    const until = epochMinute(one.until, zone);
    eras.push({ from, until, text: climateWords(one.climate) });
    from = until;
  }
  const taken =
    climate.kind === 'hourly' && climate.otherwise !== undefined
      ? [...(climate.earlier ?? []), climate].map((hours) => ({
          from: epochMinute(hours.start, zone),
          until: endOf(hours, zone),
          text: `hours that were taken in, ${degreesOf(Math.min(...hours.temperatureC))} to ${degreesOf(Math.max(...hours.temperatureC))} ${degreeUnit()}`,
        }))
      : [];
  const now = climate.kind === 'hourly' && climate.otherwise ? climate.otherwise : climate;
  return [...eras, ...taken, { from, until: undefined, text: climateWords(now) }];
}

/** An era in words: "until Tue 2 Mar, 18:00: 20 °C, 50 %". */
export function eraWords({ from, until, text }: AirEra, zone: string): string {
  const times = [
    ...(from === undefined ? [] : [`from ${sayMoment(from, zone)}`]),
    ...(until === undefined ? [] : [`until ${sayMoment(until, zone)}`]),
  ];
  const when = times.length > 0 ? times.join(' ') : 'all along';
  return `${when.charAt(0).toUpperCase()}${when.slice(1)}: ${text}`;
}
