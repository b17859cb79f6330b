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
 * the hour skipped in spring). A time that happens twice in autumn means the first of the two, unless its offset from UTC says the second.
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

/** Clocks are set back by an hour, and in one zone by half of one. */
const CLOCK_CHANGES_MINUTES = [60, 30] as const;

/** A moment of autumn's second hour carries its offset from UTC behind it; no other does. */
const WALL_LETTERS = 'yyyy-MM-ddTHH:mm'.length;

function workOut(wall: string, timeZone: string): EpochMinute | undefined {
  if (wall.length > WALL_LETTERS) {
    const second = DateTime.fromISO(wall, { zone: timeZone });
    const isSame = second.isValid && second.toFormat(wallFormat) === wall.slice(0, WALL_LETTERS);
    return isSame && second.toFormat('ZZ') === wall.slice(WALL_LETTERS)
      ? Math.floor(second.toMillis() / 60_000)
      : undefined;
  }
  const moment = DateTime.fromFormat(wall, wallFormat, { zone: timeZone });
  if (!moment.isValid || moment.toFormat(wallFormat) !== wall) return undefined;
  // Of two that are called the same, which one is had depends on today's offset.
  const first = CLOCK_CHANGES_MINUTES.map((minutes) => moment.minus({ minutes })).find(
    (before) => before.toFormat(wallFormat) === wall,
  );
  return Math.floor((first ?? moment).toMillis() / 60_000);
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

/**
 * When something happened, as wall time. Autumn has one hour twice: in the second of the two the offset from UTC stands behind it, so that what
 * was done in it comes after what was done in the first.
 * @example toLoggedTime(minute, 'Europe/Lisbon') // '2027-10-31T01:30', and an hour later '2027-10-31T01:30+00:00'
 */
export function toLoggedTime(minute: EpochMinute, timeZone: string): string {
  const wall = toWallTime(minute, timeZone);
  if (toEpochMinute(wall, timeZone) === Math.round(minute)) return wall;
  return `${wall}${DateTime.fromMillis(Math.round(minute) * 60_000, { zone: timeZone }).toFormat('ZZ')}`;
}

/** The second of the two moments that a wall time means in autumn; undefined for one that comes once. */
export function secondOfTwo(wall: string, timeZone: string): EpochMinute | undefined {
  const first = toEpochMinute(wall, timeZone);
  if (first === undefined) return undefined;
  return CLOCK_CHANGES_MINUTES.map((minutes) => first + minutes).find(
    (minute) => toWallTime(minute, timeZone) === wall,
  );
}

const HOUR_LETTERS = 'yyyy-MM-ddTHH'.length;

/** The order of two moments of one zone that something happened at: below zero where the first was before. */
export function compareLogged(a: string, b: string): number {
  const isSameHour = a.slice(0, HOUR_LETTERS) === b.slice(0, HOUR_LETTERS);
  const [later, earlier] = [a.length, b.length];
  if (isSameHour && later !== earlier) return later - earlier;
  return a < b ? -1 : a > b ? 1 : 0;
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
