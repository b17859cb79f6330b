import type { Build } from './schema';

/**
 * When a build is first needed: packed, or worn where nothing is packed; of its dates the first that is yet to come, or the last where all
 * have passed. Undefined without a date.
 * @param now wall time in the same time zone
 */
export function firstDue({ events }: Pick<Build, 'events'>, now: string): string | undefined {
  const dates = events.map(({ packAt, wearAt }) => ({ due: packAt ?? wearAt, wearAt }));
  const byDue = (a: { due: string }, b: { due: string }) => (a.due < b.due ? -1 : a.due > b.due ? 1 : 0);
  const toCome = dates.filter(({ wearAt }) => wearAt >= now).sort(byDue)[0];
  return (toCome ?? dates.sort(byDue).at(-1))?.due;
}
