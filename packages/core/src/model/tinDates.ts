import type { Tin } from './schema';

/**
 * What is wrong with the days said of a tin, as a sentence without its subject; undefined where nothing is.
 * @param today `yyyy-MM-dd`
 */
export function tinDatesFault(
  { openedOn, arrivesOn }: Pick<Tin, 'openedOn' | 'arrivesOn'>,
  today: string,
): string | undefined {
  if (openedOn === undefined) return undefined;
  if (openedOn > today) return 'was opened on a day that has not come yet';
  if (arrivesOn !== undefined && openedOn < arrivesOn) return 'was opened before the day it came';
  return undefined;
}
