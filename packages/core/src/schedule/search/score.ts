import type { Piece } from '../../model/schema';
import type { PlannerRun } from '../place/decode';
import type { Workload } from '../plan/workload';
import { isPlaced, type PlannedOperation } from '../plan/plan';
import { hasOwnSetUp } from '../state/timeline';
import { pieceReadiness } from '../state/readiness';
import type { UnitState } from '../state/unitState';
import { nth } from '../../model/sure';

/**
 * How good a plan is, aim by aim, the first counting most: work that could not be placed, minutes late over all pieces and
 * dates, sessions and set-ups, minutes to spare of the riskiest piece that is in time (negated), and when the last piece is ready. Less is
 * better throughout.
 */
export type Score = readonly [
  unplaced: number,
  late: number,
  sessions: number,
  tightness: number,
  finish: number,
];

/** Negative when the first plan is better, positive when the second is, 0 when they are as good. */
export function compareScores(a: Score, b: Score): number {
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return nth(a, at) - nth(b, at);
  return 0;
}

/** What one piece adds to a score. */
export interface PieceStanding {
  unplaced: number;
  /** Minutes after its dates, both added. */
  late: number;
  /** Minutes before the nearer date; Infinity without one. */
  slack: number;
  /** Packable and wearable; minus infinity where that never comes. */
  ready: number;
}

/** How one piece stands in a plan. */
export function standingOf(
  workload: Workload,
  piece: Piece,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: number,
): PieceStanding {
  const { packableAt, wearableAt, packDueAt, wearDueAt, slackMinutes } = pieceReadiness(
    workload.build,
    piece,
    operations,
    units,
    now,
  );
  const over = (at: number | undefined, due: number | undefined) =>
    at === undefined || due === undefined || !Number.isFinite(at) ? 0 : Math.max(0, at - due);
  const ready = Math.max(packableAt ?? -Infinity, wearableAt ?? -Infinity);
  return {
    unplaced: operations.filter((operation) => operation.status === 'unplaced').length,
    late: over(packableAt, packDueAt) + over(wearableAt, wearDueAt),
    slack: slackMinutes ?? Infinity,
    ready: Number.isFinite(ready) ? ready : -Infinity,
  };
}

/** The score of a plan from how its pieces stand and how many sessions and set-ups it takes. */
export function sumUp(pieces: Iterable<PieceStanding>, sessionsAndSetUps: number): Score {
  let [unplaced, late, tightest, finish] = [0, 0, Infinity, -Infinity];
  for (const piece of pieces) {
    unplaced += piece.unplaced;
    late += piece.late;
    // What is late counts as late; it must not hide how close the others are.
    if (piece.slack >= 0) tightest = Math.min(tightest, piece.slack);
    finish = Math.max(finish, piece.ready);
  }
  return [unplaced, late, sessionsAndSetUps, Number.isFinite(tightest) ? -tightest : 0, finish];
}

/** Scores what one pass of the planner came to. */
export function scoreOf(workload: Workload, run: PlannerRun, now: number): Score {
  const byPiece = new Map<string, PlannedOperation[]>();
  const sessions = new Set<string>();
  const calendars = new Map(workload.people.map((person) => [person.id, person.calendar]));
  let setUps = 0;
  for (const operation of run.operations) {
    const list = byPiece.get(operation.pieceId);
    if (list) list.push(operation);
    else byPiece.set(operation.pieceId, [operation]);
    if (operation.status !== 'planned' || !isPlaced(operation)) continue;
    if (hasOwnSetUp(operation)) setUps += 1;
    const window = calendars.get(operation.personId)?.windowAt(operation.start);
    sessions.add(`${operation.personId} ${window?.from}`);
  }
  const standings = workload.build.pieces.flatMap((piece) => {
    const own = byPiece.get(piece.id);
    return own ? [standingOf(workload, piece, own, run.units, now)] : [];
  });
  return sumUp(standings, sessions.size + setUps);
}
