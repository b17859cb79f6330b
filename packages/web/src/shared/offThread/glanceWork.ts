import { planView, type Build, type Readiness, type RibbonSpan, type WarmStart } from '@fixatum/core';
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
  /** What is under way, or else comes next, with when it begins. */
  /** Whether nothing is left for hands. */
  isDone: boolean;
  next: { words: string; piece: string; at: number; isUnderway: boolean } | undefined;
}

const MOST_ROWS = 6;

/** Looks at a build, with the plan that was kept of it if there is one. */
export function glance({
  build,
  now,
  warm,
}: {
  build: Build;
  now: number;
  warm?: WarmStart | undefined;
}): Glance {
  const view = planView(build, {
    now,
    latestStarts: false,
    search: warm ? { warm, keep: true, starts: 'none' } : { starts: 'first' },
  });
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
    rows: pieces.slice(0, MOST_ROWS).map(({ pieceId, ribbon, readiness }) => ({
      id: pieceId,
      name: pieceName(build, pieceId),
      ribbon,
      readiness,
    })),
    more: Math.max(0, pieces.length - MOST_ROWS),
    late: view.pieces.filter(isLate).length,
    isDone: next === undefined,
    next: next && {
      words: passWords(next),
      piece: pieceName(build, next.pieceId),
      at: next.start ?? now,
      isUnderway: next.status === 'underway',
    },
  };
}
