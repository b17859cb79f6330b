import { firstDue, type Build, type Workshop } from '@fixatum/core';
import type { BuildRow } from '../storage/models';
import type { Clock } from './clock';

/** What a workshop says of the order of its builds: `own` where somebody put them in one; by date where it says nothing. */
export const OWN_ORDER = 'own';
export const hasOwnOrder = (workshop: Workshop): boolean => workshop['buildOrder'] === OWN_ORDER;

type Ordered = Pick<BuildRow, 'position' | 'body'>;

/**
 * Builds of one workshop in the order in which they have its hands, racks and tins: by when they are first needed, those without a date
 * last, and of equals the older first; or as somebody put them.
 */
export function inOrder<T extends Ordered>(rows: readonly T[], workshop: Workshop, clock: Clock): T[] {
  const byPosition = [...rows].sort((a, b) => a.position - b.position);
  if (hasOwnOrder(workshop)) return byPosition;
  const now = clock.wallTimeIn(workshop.timeZone);
  const due = new Map(byPosition.map((row) => [row, dueOf(row, now)]));
  return byPosition.sort((a, b) => compare(due.get(a), due.get(b)));
}

/**
 * Where a new build goes among those that somebody put in an order: before the first that is needed later.
 * @returns its place in the list
 */
export function placeFor(
  build: Build,
  inOwnOrder: readonly Ordered[],
  workshop: Workshop,
  clock: Clock,
): number {
  const now = clock.wallTimeIn(workshop.timeZone);
  const due = firstDue(build, now);
  const at = inOwnOrder.findIndex((row) => compare(due, dueOf(row, now)) < 0);
  return at < 0 ? inOwnOrder.length : at;
}

const dueOf = ({ body }: Ordered, now: string): string | undefined =>
  firstDue({ events: (JSON.parse(body) as Partial<Build>).events ?? [] }, now);

/** What has no date comes after everything that has one. */
const compare = (a: string | undefined, b: string | undefined): number =>
  a === b ? 0 : a === undefined ? 1 : b === undefined || a < b ? -1 : 1;
