import { mapMoments } from './moments';
import { DateTime } from 'luxon';
import { epochMinute, NIGHT_MINUTES, toEpochMinute, toWallTime, type EpochMinute } from './wallTime';
import { weekdays, type Build, type Weekday } from './schema';
import { nth } from './sure';

/**
 * Moves a sample build in time so that the moment it was written for (`authoredAt`, wall time) becomes `now`: dates, and
 * what was logged on earlier days, move by whole days; what was logged on that very day keeps its distance from now.
 * People's weekdays turn along, so the sample works out the same whatever day it is loaded on.
 */
export function shiftBuild(build: Build, authoredAt: string, now: EpochMinute): Build {
  const zone = build.timeZone;
  const from = DateTime.fromISO(authoredAt, { zone: 'utc' }).startOf('day');
  const to = DateTime.fromISO(toWallTime(now - NIGHT_MINUTES, zone), { zone: 'utc' }).startOf('day');
  const days = Math.round(to.diff(from, 'days').days);
  const exact = now - epochMinute(authoredAt, zone);

  const day = (date: string) => DateTime.fromISO(date, { zone: 'utc' }).plus({ days }).toFormat('yyyy-MM-dd');
  const wall = (moment: string): string => {
    const moved = `${day(moment.slice(0, 10))}${moment.slice(10)}`;
    // A moment that falls into the hour skipped in spring is put an hour later.
    return toEpochMinute(moved, zone) === undefined
      ? `${moved.slice(0, 11)}${String(Number(moved.slice(11, 13)) + 1).padStart(2, '0')}${moved.slice(13)}`
      : moved;
  };
  const happened = (moment: string): string =>
    moment.slice(0, 10) === authoredAt.slice(0, 10)
      ? toWallTime(epochMinute(moment, zone) + exact, zone)
      : wall(moment);
  const turn = (weekday: Weekday): Weekday =>
    nth(weekdays, (((weekdays.indexOf(weekday) + days) % 7) + 7) % 7);

  const moved = mapMoments(build, (written, kind) => {
    switch (kind) {
      case 'planned':
        return wall(written);
      case 'happened':
        return happened(written);
      case 'instant':
        return new Date(Date.parse(written) + exact * 60_000).toISOString();
      case 'day':
        return day(written);
    }
  });
  return {
    ...moved,
    people: moved.people.map((person) => ({
      ...person,
      availability: person.availability.map((rule) => ({ ...rule, days: rule.days.map(turn) })),
    })),
  };
}
