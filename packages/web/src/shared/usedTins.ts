import { passNeeds, withUsed, type Build, type Drawn, type LogEntry, type PlanView } from '@fixatum/core';

/**
 * Entries about to be logged with what they take out of which tin. Loaded when it is wanted, as no screen draws it.
 * @param elsewhere what other builds took from the same shelf
 */
export const withTins = (
  build: Build,
  view: PlanView | undefined,
  entries: LogEntry[],
  elsewhere: readonly Drawn[],
): LogEntry[] => withUsed(build, entries, passNeeds(build, view?.operations ?? []), elsewhere);
