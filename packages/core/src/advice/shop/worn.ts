import { hazardsOf } from '../../model/hazards';
import { passesMeant } from '../../model/logPasses';
import type { Build } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { expandBuild } from '../../schedule/plan/operations';

/** What one logged pass wore out besides paint. */
export interface Worn {
  /** When it was done, as wall time. */
  at: string;
  /** Minutes of work whose vapour a mask's cartridges took. */
  vapourMinutes: number;
  /** Gloves got wet. */
  isWet: boolean;
  /** A cloth got dirty. */
  wipes: boolean;
}

/** What is counted of a span of time; nothing is judged by it. */
export interface WornOut {
  vapourHours: number;
  /** A pair for each day with anything wet. */
  glovePairs: number;
  cloths: number;
}

/** A press that comes out shorter or longer by so much than it usually takes was made late, or forgotten. */
const PLAUSIBLE_TIMES = 4;

/**
 * The minutes between Start and Done, where they can be the work; undefined where Start was pressed late, or Done forgotten.
 * @example timedMinutes(1, 48) // undefined: one minute of 48 teaches nothing
 */
export const timedMinutes = (minutes: number | undefined, usual: number): number | undefined =>
  minutes !== undefined && minutes * PLAUSIBLE_TIMES >= usual && minutes <= usual * PLAUSIBLE_TIMES
    ? minutes
    : undefined;

/** What each logged pass of a build wore out; by the minutes that were timed, and else by those it usually takes. */
export function wornIn(build: Build): Worn[] {
  const log = build.log ?? [];
  if (log.length === 0) return [];
  const passes = new Map(expandBuild(build).map((pass) => [pass.id, pass]));
  const steps = new Map(
    build.pieces.flatMap(({ id, steps: own }) => own.map((step) => [`${id}/${step.id}`, step] as const)),
  );
  return passesMeant(build.pieces, log).flatMap(({ entry, id }): Worn[] => {
    const pass = passes.get(id);
    if (!pass) return [];
    const { material, method, workMinutes } = pass;
    const timed =
      entry.startedAt === undefined
        ? undefined
        : epochMinute(entry.doneAt, build.timeZone) - epochMinute(entry.startedAt, build.timeZone);
    const hasVapour = hazardsOf(material, method).has('organic vapour');
    const cleans = steps.get(`${entry.piece}/${entry.step}`)?.cleans;
    return [
      {
        at: entry.doneAt,
        vapourMinutes: hasVapour ? (timedMinutes(timed, workMinutes) ?? workMinutes) : 0,
        isWet: material !== undefined,
        wipes: cleans !== undefined || method === 'wipe',
      },
    ];
  });
}

/** What was worn out since a day. @param since `yyyy-MM-dd`; from the beginning without it */
export function wornOut(worn: readonly Worn[], since?: string): WornOut {
  const meant = worn.filter(({ at }) => since === undefined || at.slice(0, 10) >= since);
  return {
    vapourHours: meant.reduce((sum, { vapourMinutes }) => sum + vapourMinutes, 0) / 60,
    glovePairs: new Set(meant.flatMap(({ isWet, at }) => (isWet ? [at.slice(0, 10)] : []))).size,
    cloths: meant.filter(({ wipes }) => wipes).length,
  };
}
