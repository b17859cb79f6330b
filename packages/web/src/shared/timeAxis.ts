import { atZone } from '@fixatum/core';

/** One calendar day on a time axis. */
export interface AxisDay {
  from: number;
  to: number;
  /** "Sat 20" */
  label: string;
  /** "Feb" on the first day shown and on the first of a month. */
  month: string;
  weekend: boolean;
}

/** The days that a span of epoch minutes touches, in a time zone. */
export function daysBetween(from: number, until: number, timeZone: string): AxisDay[] {
  const days: AxisDay[] = [];
  let day = atZone(from, timeZone).setLocale('en-GB').startOf('day');
  while (day.toMillis() / 60_000 < until) {
    const next = day.plus({ days: 1 });
    days.push({
      from: day.toMillis() / 60_000,
      to: next.toMillis() / 60_000,
      label: day.toFormat('ccc d'),
      month: days.length === 0 || day.day === 1 ? day.toFormat('LLL') : '',
      weekend: day.weekday > 5,
    });
    day = next;
  }
  return days;
}

/** Where a moment lies on an axis, as a CSS percentage. */
export const percent = (minute: number, from: number, until: number): string =>
  `${(100 * (Math.min(until, Math.max(from, minute)) - from)) / (until - from)}%`;
