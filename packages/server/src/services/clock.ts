import { epochMinute, toEpochMinute, toLoggedTime, type EpochMinute } from '@fixatum/core';

/** The present, for a time zone. A fixed clock reads the same wall time everywhere and never moves. */
export interface Clock {
  fixedAt: string | undefined;
  minuteIn(timeZone: string): EpochMinute;
  wallTimeIn(timeZone: string): string;
  iso(): string;
}

/**
 * The clock of the server: the machine's, or one fixed at a wall time such as `2027-02-20T19:30`.
 * Throws a RangeError when that is not a moment.
 */
export function makeClock(fixedAt: string | undefined, nowMs: () => number = Date.now): Clock {
  if (fixedAt !== undefined && toEpochMinute(fixedAt, 'UTC') === undefined) {
    throw new RangeError(`FIXATUM_NOW is "${fixedAt}"; write a moment as 2027-02-20T19:30.`);
  }
  const minuteIn = (timeZone: string) =>
    fixedAt === undefined ? Math.floor(nowMs() / 60_000) : epochMinute(fixedAt, timeZone);
  return {
    fixedAt,
    minuteIn,
    wallTimeIn: (timeZone) => toLoggedTime(minuteIn(timeZone), timeZone),
    iso: () => new Date(nowMs()).toISOString(),
  };
}
