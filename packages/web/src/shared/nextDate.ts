import { epochMinute, type Build } from '@fixatum/core';

/** A date of a build: what it is called, and when. */
export interface NextDate {
  word: string;
  at: number;
}

/** The next date of a build that has not passed: when everything is to be packed, or is worn. */
export function nextDateOf({ events, timeZone }: Build, now: number): NextDate | undefined {
  return events
    .flatMap(({ name, packAt, wearAt }) => [
      ...(packAt === undefined ? [] : [{ word: `pack for ${name}`, at: epochMinute(packAt, timeZone) }]),
      { word: name, at: epochMinute(wearAt, timeZone) },
    ])
    .filter(({ at }) => at > now)
    .sort((a, b) => a.at - b.at)[0];
}
