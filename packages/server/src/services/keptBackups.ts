import { DateTime } from 'luxon';

/** How many of the newest days, weeks and months keep their newest backup, and how many of the newest are kept in any case. */
export const KEPT = { days: 7, weeks: 4, months: 12, newest: 5 } as const;

/**
 * Which backups are kept: the newest of each of the last days, weeks and months that have any, and the newest of all.
 * @param made the instants at which they were made, by id
 * @returns the ids of those that stay
 */
export function keptBackups(made: ReadonlyMap<string, string>): Set<string> {
  const newestFirst = [...made].sort(([, a], [, b]) => (a < b ? 1 : a > b ? -1 : 0));
  const kept = new Set(newestFirst.slice(0, KEPT.newest).map(([id]) => id));
  for (const [form, count] of [
    ['yyyy-MM-dd', KEPT.days],
    ["kkkk-'W'WW", KEPT.weeks],
    ['yyyy-MM', KEPT.months],
  ] as const) {
    const newest = new Map<string, string>();
    for (const [id, at] of newestFirst) {
      const stretch = DateTime.fromISO(at, { zone: 'utc' }).toFormat(form);
      if (!newest.has(stretch)) newest.set(stretch, id);
    }
    for (const id of [...newest.values()].slice(0, count)) kept.add(id);
  }
  return kept;
}
