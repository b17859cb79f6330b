import {
  planTogether,
  planView,
  sure,
  warmOfStored,
  type Build,
  type Readiness,
  type ReadingsByPlace,
  type RibbonSpan,
  type StoredPlan,
} from '@fixatum/core';
import { passWords, pieceName } from '../words';

/** A build at a glance: how its pieces lie along time, and what is next. */
export interface Glance {
  from: number;
  until: number;
  now: number;
  timeZone: string;
  rows: { id: string; name: string; ribbon: RibbonSpan[]; readiness: Readiness }[];
  /** Pieces that are not shown for want of room. */
  more: number;
  late: number;
  /** What is under way, or else comes next, with when it begins; nothing where hands have no more to do. */
  next: { words: string; piece: string; at: number; isUnderway: boolean } | undefined;
}

/** Asks how the builds of one workshop stand. */
export interface GlanceRequest {
  /** All that are in hand, in their order. */
  builds: { id: string; build: Build; plan: StoredPlan | undefined }[];
  now: number;
  readings: ReadingsByPlace;
}

export const MOST_GLANCE_ROWS = 6;

/** Looks at the builds of a workshop: each planned in what those before it leave, and from the plan it has, as its own screens plan it. */
export function glances({ builds, now, readings }: GlanceRequest): Record<string, Glance> {
  const known = builds.map(({ plan, ...one }) => ({ ...one, plan: plan && warmOfStored(plan) }));
  const plans = planTogether(known, { now, readings });
  return Object.fromEntries(
    known.map(({ id, build, plan: warm }) => {
      const { taken } = sure(plans.get(id), 'the plan of a build').workload;
      const search = warm ? ({ warm, keep: true, starts: 'none' } as const) : ({ starts: 'first' } as const);
      return [
        id,
        glanceOf(build, planView(build, { now, readings, taken, latestStarts: false, search }), now),
      ];
    }),
  );
}

function glanceOf(build: Build, view: ReturnType<typeof planView>, now: number): Glance {
  const open = view.operations
    .filter(({ status, start }) => start !== undefined && (status === 'planned' || status === 'underway'))
    .sort((a, b) => (a.start ?? 0) - (b.start ?? 0));
  const next = open.find(({ status }) => status === 'underway') ?? open[0];
  const isLate = ({ readiness }: { readiness: Readiness }) => readiness === 'late' || readiness === 'stuck';
  // What is late is seen first.
  const pieces = [...view.pieces].sort((a, b) => Number(isLate(b)) - Number(isLate(a)));
  return {
    from: view.from,
    until: view.until,
    now,
    timeZone: view.timeZone,
    rows: pieces.slice(0, MOST_GLANCE_ROWS).map(({ pieceId, ribbon, readiness }) => ({
      id: pieceId,
      name: pieceName(build, pieceId),
      ribbon,
      readiness,
    })),
    more: Math.max(0, pieces.length - MOST_GLANCE_ROWS),
    late: view.pieces.filter(isLate).length,
    next: next && {
      words: passWords(next),
      piece: pieceName(build, next.pieceId),
      at: next.start ?? now,
      isUnderway: next.status === 'underway',
    },
  };
}
