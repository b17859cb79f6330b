import { DateTime, IANAZone } from 'luxon';

/**
 * Inside the core a moment is a whole number of minutes since 1970-01-01T00:00Z ("epoch minutes"), so that
 * waits are plain differences, also across a clock change. The build file and people speak wall time.
 */
export type EpochMinute = number;

const wallFormat = "yyyy-MM-dd'T'HH:mm";

export const MINUTES_PER_DAY = 1440;

/**
 * Wall time in a zone to epoch minutes; `undefined` when that time does not exist there (30 February, or inside
 * the hour skipped in spring). A time that happens twice in autumn means the first of the two.
 * @example toEpochMinute('2027-03-05T19:00', 'Europe/Lisbon')
 */
export function toEpochMinute(wall: string, timeZone: string): EpochMinute | undefined {
  const key = `${wall} ${timeZone}`;
  if (known.has(key)) return known.get(key);
  if (known.size >= MOST_KNOWN) known.clear();
  const minute = workOut(wall, timeZone);
  known.set(key, minute);
  return minute;
}

// The same few dates are asked for at every plan, and a zone's rules are slow to look up.
const known = new Map<string, EpochMinute | undefined>();
const MOST_KNOWN = 5000;

function workOut(wall: string, timeZone: string): EpochMinute | undefined {
  const moment = DateTime.fromFormat(wall, wallFormat, { zone: timeZone });
  if (!moment.isValid || moment.toFormat(wallFormat) !== wall) return undefined;
  return Math.floor(moment.toMillis() / 60_000);
}

/** As `toEpochMinute`, for times already checked; throws a RangeError on one that does not exist. */
export function epochMinute(wall: string, timeZone: string): EpochMinute {
  const minute = toEpochMinute(wall, timeZone);
  if (minute === undefined) throw new RangeError(`${wall} does not exist in ${timeZone}`);
  return minute;
}

/** Epoch minutes to wall time in a zone, `yyyy-MM-ddTHH:mm`. */
export function toWallTime(minute: EpochMinute, timeZone: string): string {
  return DateTime.fromMillis(Math.round(minute) * 60_000, { zone: timeZone }).toFormat(wallFormat);
}

/** A Luxon moment for calendar arithmetic at the edges of the core. */
export function atZone(minute: EpochMinute, timeZone: string): DateTime {
  return DateTime.fromMillis(minute * 60_000, { zone: timeZone });
}

/** Until this long after midnight it still counts as the evening before. */
export const NIGHT_MINUTES = 5 * 60;

/** When the day that is being worked began, at its midnight: who works past the next one is still at it. */
export const workdayBegan = (minute: EpochMinute, timeZone: string): EpochMinute =>
  Math.floor(
    atZone(minute - NIGHT_MINUTES, timeZone)
      .startOf('day')
      .toMillis() / 60_000,
  );

/** Whether a name is a time zone this machine knows. */
export const isTimeZone = (name: string): boolean => IANAZone.isValidZone(name);

/**
 * A wait as people say it: `40 min`, `2 h 10`, `3 days`. Rounded up, never negative.
 */
export function sayWait(minutes: number): string {
  if (!Number.isFinite(minutes)) return 'no end in sight';
  const whole = Math.max(0, Math.ceil(minutes));
  if (whole < 60) return `${whole} min`;
  if (whole < 48 * 60) {
    const rest = whole % 60;
    return rest === 0
      ? `${Math.floor(whole / 60)} h`
      : `${Math.floor(whole / 60)} h ${String(rest).padStart(2, '0')}`;
  }
  const days = Math.floor(whole / MINUTES_PER_DAY);
  const hours = Math.round((whole % MINUTES_PER_DAY) / 60);
  if (hours === 24) return `${days + 1} days`;
  return hours === 0 ? `${days} days` : `${days} days ${hours} h`;
}
