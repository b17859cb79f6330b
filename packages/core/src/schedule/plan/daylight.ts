import type { DateTime } from 'luxon';
import { getTimes } from 'suncalc';
import type { EpochMinute } from '../../model/wallTime';

/** A zone's clock is right where the sun is highest at noon: four minutes a degree of longitude. */
const MINUTES_PER_DEGREE = 4;
const MS_PER_MINUTE = 60_000;

/**
 * The light of a day, from sunrise to sunset; nothing where the sun stays below the horizon, the whole day where it stays above.
 * @param day its midnight, in a time zone; the longitude is taken to be that of its winter clock
 */
export function daylightOn(day: DateTime, latitudeDeg: number): { from: EpochMinute; to: EpochMinute }[] {
  const standard = Math.min(day.set({ month: 1, day: 1 }).offset, day.set({ month: 7, day: 1 }).offset);
  const noon = day.set({ hour: 12 });
  const { sunrise, sunset, alwaysUp } = getTimes(noon.toJSDate(), latitudeDeg, standard / MINUTES_PER_DEGREE);
  if (sunrise && sunset)
    return [
      {
        from: Math.ceil(sunrise.getTime() / MS_PER_MINUTE),
        to: Math.floor(sunset.getTime() / MS_PER_MINUTE),
      },
    ];
  const midnight = day.startOf('day');
  return alwaysUp === true
    ? [
        {
          from: midnight.toMillis() / MS_PER_MINUTE,
          to: midnight.plus({ days: 1 }).toMillis() / MS_PER_MINUTE,
        },
      ]
    : [];
}
