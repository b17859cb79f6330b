import { passNeeds, withUsed, type Build, type LogEntry, type PlanView } from '@fixatum/core';

/** Entries about to be logged with what they take out of which tin. Loaded when it is wanted, as no screen draws it. */
export const withTins = (build: Build, view: PlanView | undefined, entries: LogEntry[]): LogEntry[] =>
  withUsed(build, entries, passNeeds(build, view?.operations ?? []));
