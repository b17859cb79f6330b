import type { DateTime } from 'luxon';
import { weekdays, type Person, type Place } from '../../model/schema';
import { atZone, MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { nth } from '../../model/sure';
import { daylightOn } from './daylight';

/** A stretch of time, `to` not included. */
export interface Window {
  from: EpochMinute;
  to: EpochMinute;
}

/** Windows of free or usable time, found as far ahead as anyone asks. */
export interface Calendar {
  /** The first start at or after `from` from which `minutes` fit into one window; Infinity if none within a year. */
  firstFit(from: EpochMinute, minutes: number): EpochMinute;
  /** The first window that ends after a moment; undefined if none within a year. */
  windowFrom(minute: EpochMinute): Window | undefined;
  /** The window a moment lies in. */
  windowAt(minute: EpochMinute): Window | undefined;
  /** All windows that end after `from` and start before `until`, cut to that span. */
  between(from: EpochMinute, until: EpochMinute): Window[];
}

/** So far after the moment asked about is looked for a window: nobody has planned later evenings. */
export const LOOK_AHEAD_MINUTES = 366 * MINUTES_PER_DAY;
const MS_PER_MINUTE = 60_000;

/** Windows of one day from times of day; one that ends at or before its start runs past midnight. */
function onDay(day: DateTime, from: string, to: string): Window {
  const at = (text: string) => {
    const [hour = 0, minute = 0] = text.split(':').map(Number);
    return hour === 24 ? day.plus({ days: 1 }) : day.set({ hour, minute });
  };
  const start = at(from);
  let end = at(to);
  if (end <= start) end = end.plus({ days: 1 });
  return { from: Math.floor(start.toMillis() / 60_000), to: Math.floor(end.toMillis() / 60_000) };
}

/** Sorts windows and joins those that touch or overlap. */
function join(windows: Window[]): Window[] {
  const joined: Window[] = [];
  for (const window of [...windows].sort((a, b) => a.from - b.from)) {
    const last = joined[joined.length - 1];
    if (last && window.from <= last.to) last.to = Math.max(last.to, window.to);
    else joined.push({ ...window });
  }
  return joined;
}

/** A calendar from a rule that gives the windows of a day; days are made when first needed. */
export function calendarOf(
  windowsOn: (day: DateTime) => Window[],
  timeZone: string,
  origin: EpochMinute,
): Calendar {
  // The day before the origin too: a window may run past midnight into it.
  let nextDay = atZone(origin, timeZone).startOf('day').minus({ days: 1 });
  const windows: Window[] = [];

  const nextDayAt = () => nextDay.toMillis() / MS_PER_MINUTE;
  const ensure = (until: EpochMinute) => {
    while (nextDayAt() <= until) {
      // Only the last windows can touch those of a new day.
      const tail = windows.splice(-2);
      windows.push(...join([...tail, ...windowsOn(nextDay)]));
      nextDay = nextDay.plus({ days: 1 });
    }
  };

  const indexEndingAfter = (minute: EpochMinute): number => {
    let low = 0;
    let high = windows.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if (nth(windows, middle).to > minute) high = middle;
      else low = middle + 1;
    }
    return low;
  };

  return {
    firstFit(from, minutes) {
      if (!Number.isFinite(from)) return Infinity;
      ensure(from + 2880);
      let at = indexEndingAfter(from);
      for (;;) {
        if (at >= windows.length) {
          if (nextDayAt() > from + LOOK_AHEAD_MINUTES) return Infinity;
          ensure(nextDayAt() + 7 * MINUTES_PER_DAY);
          at = Math.min(at, indexEndingAfter(from));
          if (at >= windows.length) continue;
        }
        const window = nth(windows, at);
        const start = Math.max(from, window.from);
        if (start + minutes <= window.to) return start;
        at += 1;
      }
    },
    windowFrom(minute) {
      ensure(minute + 2880);
      for (;;) {
        const window = windows[indexEndingAfter(minute)];
        if (window) return window;
        if (nextDayAt() > minute + LOOK_AHEAD_MINUTES) return undefined;
        ensure(nextDayAt() + 7 * MINUTES_PER_DAY);
      }
    },
    windowAt(minute) {
      ensure(minute + 1440);
      const window = windows[indexEndingAfter(minute)];
      return window && window.from <= minute ? window : undefined;
    },
    between(from, until) {
      ensure(until);
      return windows
        .filter((window) => window.to > from && window.from < until)
        .map((window) => ({ from: Math.max(window.from, from), to: Math.min(window.to, until) }));
    },
  };
}

/** When a person is free: their weekly windows, except on days that have windows of their own. */
export function personCalendar(person: Person, timeZone: string, origin: EpochMinute): Calendar {
  const exceptions = new Map(
    (person.exceptions ?? []).map((exception) => [exception.date, exception.windows]),
  );
  return calendarOf(
    (day) => {
      const exception = exceptions.get(day.toFormat('yyyy-MM-dd'));
      const rules =
        exception ?? person.availability.filter((rule) => rule.days.includes(nth(weekdays, day.weekday - 1)));
      return rules.map((rule) => onDay(day, rule.from, rule.to));
    },
    timeZone,
    origin,
  );
}

/** When noise may be made: all day but for the quiet hours. */
export function quietCalendar(
  quiet: { from: string; to: string },
  timeZone: string,
  origin: EpochMinute,
): Calendar {
  return calendarOf((day) => [onDay(day, quiet.to, quiet.from)], timeZone, origin);
}

/** When a place may be used: in its hours and, where it wants daylight, while there is some; always, if it says neither. */
export function placeCalendar(place: Place, timeZone: string, origin: EpochMinute): Calendar {
  const { hours, daylightAtDeg } = place;
  if (!hours && daylightAtDeg === undefined) {
    return {
      firstFit: (from) => from,
      windowFrom: () => ({ from: -Infinity, to: Infinity }),
      windowAt: () => ({ from: -Infinity, to: Infinity }),
      between: (from, until) => [{ from, to: until }],
    };
  }
  return calendarOf(
    (day) => {
      const open = hours ? [onDay(day, hours.from, hours.to)] : undefined;
      const light = daylightAtDeg === undefined ? undefined : daylightOn(day, daylightAtDeg);
      return open && light ? both(open, light) : (open ?? light ?? []);
    },
    timeZone,
    origin,
  );
}

/** The time that lies in windows of both lists. */
const both = (some: readonly Window[], others: readonly Window[]): Window[] =>
  some.flatMap((one) =>
    others.flatMap((other) => {
      const from = Math.max(one.from, other.from);
      const to = Math.min(one.to, other.to);
      return from < to ? [{ from, to }] : [];
    }),
  );
