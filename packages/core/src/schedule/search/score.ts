import type { Piece } from '../../model/schema';
import { nth } from '../../model/sure';
import { groupBy } from '../../model/groupBy';
import type { EpochMinute } from '../../model/wallTime';
import type { PlannerRun } from '../place/decode';
import type { Lesson } from '../place/replayLog';
import type { Workload } from '../plan/workload';
import type { PiecePlan, PlannedOperation } from '../plan/plan';
import { passOfSet, type Sets } from '../plan/sets';
import { tapedMinutes } from '../plan/tapes';
import { confirmedBy } from '../state/measuredTimes';
import { putOffSessions } from '../state/putOff';
import { frailMinutes } from '../state/lostSession';
import { lackingMinutes, type SpreadGround } from '../state/nineInTen';
import { pieceReadiness } from '../state/readiness';
import type { Tally } from '../state/timeline';
import type { UnitState } from '../state/unitState';

/** How good a plan is, aim by aim, the first counting most. Less is better throughout. */
export interface Score {
  /** Passes without a place. */
  unplaced: number;
  /** Minutes late over all pieces and dates. */
  late: number;
  /** Minutes that tape stays on beyond its day, summed over units. */
  taped: number;
  /** Minutes that come late when one session falls through, each in turn, summed. */
  frail: number;
  /** Minutes that pieces lack to make their dates in nine futures of ten, summed. */
  lacking: number;
  /** Sessions that go by in which the next of a piece with little to spare could have been done. */
  putOff: number;
  /** How often units of one set, mirrors included, are not done together. */
  apart: number;
  /** Sessions and set-ups. */
  sessions: number;
  /** Minutes of waiting about between passes of one session. */
  idle: number;
  /** Minutes to spare of the riskiest piece that is in time, negated. */
  tightness: number;
  /** When the last piece is ready. */
  finish: number;
}

/** The aims in the order they count. */
export const aims = [
  'unplaced',
  'late',
  'taped',
  'frail',
  'lacking',
  'putOff',
  'apart',
  'sessions',
  'idle',
  'tightness',
  'finish',
] as const satisfies readonly (keyof Score)[];

/** Negative when the first plan is better, positive when the second is, 0 when they are as good. */
export function compareScores(a: Score, b: Score): number {
  for (const aim of aims) if (a[aim] !== b[aim]) return a[aim] - b[aim];
  return 0;
}

/** Whether one plan is as safe as another: what counts before sessions and set-ups is no worse. */
export const isAsSafe = (one: Score, other: Score): boolean =>
  one.unplaced !== other.unplaced
    ? one.unplaced < other.unplaced
    : one.late !== other.late
      ? one.late < other.late
      : one.taped !== other.taped
        ? one.taped < other.taped
        : one.frail !== other.frail
          ? one.frail < other.frail
          : one.lacking <= other.lacking;

/** What one piece adds to a score. */
export interface PieceStanding {
  unplaced: number;
  /** Minutes after its dates, both added. */
  late: number;
  /** Minutes before the nearer date; Infinity without one. */
  slack: number;
  /** Sessions that go by in which its next pass could have been done, while it has fewer than two to spare. */
  putOff: number;
  /** How often its units, and those of its mirrors, are not done together; said by the first of them. */
  apart: number;
  /** Minutes that its tape stays on beyond its day, summed over its units. */
  taped: number;
  /** Minutes it comes late when one session falls through, each in turn, summed. */
  frail: number;
  /** Minutes it lacks to make its dates in nine futures of ten, to the quarter of an hour; what it is late is not counted again. */
  lacking: number;
  /** Packable and wearable; minus infinity where that never comes. */
  ready: number;
}

/** How the pieces of a plan stand, by id. */
export type Standings = ReadonlyMap<string, PieceStanding>;

/** What a plan is scored against. */
export interface ScoreGround extends SpreadGround {
  workload: Workload;
  now: EpochMinute;
}

/** Units of a set that are begun further from the end of the one before than this are not done together, minutes. */
const TOGETHER_MINUTES = 5;

/** How often the same planned pass of two units of a set, one after the other, is not done in one go. */
export function timesApart(operations: readonly PlannedOperation[], sets: Pick<Sets, 'steps'>): number {
  const moments = new Map<string, { begins: number; laidAt: number }[]>();
  for (const operation of operations) {
    const { status, laidAt, workMinutes } = operation;
    if (status !== 'planned' || laidAt === undefined) continue;
    const pass = passOfSet(sets, operation);
    const known = moments.get(pass);
    const one = { begins: laidAt - workMinutes, laidAt };
    if (known) known.push(one);
    else moments.set(pass, [one]);
  }
  let apart = 0;
  for (const all of moments.values()) {
    all.sort((a, b) => a.begins - b.begins);
    for (let n = 1; n < all.length; n += 1)
      if (nth(all, n).begins - nth(all, n - 1).laidAt > TOGETHER_MINUTES) apart += 1;
  }
  return apart;
}

/** Minutes after its dates, both added. */
export function lateMinutes({
  packableAt,
  wearableAt,
  packDueAt,
  wearDueAt,
}: Pick<PiecePlan, 'packableAt' | 'wearableAt' | 'packDueAt' | 'wearDueAt'>): number {
  const over = (at: number | undefined, due: number | undefined) =>
    at === undefined || due === undefined || !Number.isFinite(at) ? 0 : Math.max(0, at - due);
  return over(packableAt, packDueAt) + over(wearableAt, wearDueAt);
}

/**
 * How one piece stands in a plan.
 * @param passesOf the passes of any piece of the plan
 */
export function standingOf(
  ground: ScoreGround,
  piece: Piece,
  passesOf: (pieceId: string) => readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
): PieceStanding {
  const operations = passesOf(piece.id);
  const state = pieceReadiness(ground.workload.build, piece, operations, units, ground.now);
  const { packableAt, wearableAt, slackMinutes } = state;
  const ready = Math.max(packableAt ?? -Infinity, wearableAt ?? -Infinity);
  return {
    unplaced: operations.filter((operation) => operation.status === 'unplaced').length,
    late: lateMinutes(state),
    taped: tapedMinutes(operations, ground.workload.tapeOf),
    frail: frailMinutes(state, operations, units, ground.workload),
    lacking: lackingMinutes(state, operations, units, ground),
    putOff: putOffSessions(state, operations, ground.workload),
    slack: slackMinutes ?? Infinity,
    apart: apartOf(ground.workload, piece, passesOf),
    ready: Number.isFinite(ready) ? ready : -Infinity,
  };
}

/** How often a set is parted, said by its first piece. */
function apartOf(
  { sets }: Workload,
  { id, quantity }: Piece,
  passesOf: (pieceId: string) => readonly PlannedOperation[],
): number {
  const mates = sets.of.get(id);
  if (!mates) return quantity > 1 ? timesApart(passesOf(id), sets) : 0;
  return mates[0] === id ? timesApart(mates.flatMap(passesOf), sets) : 0;
}

/** The score of a plan from how its pieces stand and what its sessions come to. */
export function sumUp(pieces: Iterable<PieceStanding>, { sessions, setUps, idle }: Tally): Score {
  let [unplaced, late, taped, frail, lacking, putOff, apart] = [0, 0, 0, 0, 0, 0, 0];
  let [tightest, finish] = [Infinity, -Infinity];
  for (const piece of pieces) {
    unplaced += piece.unplaced;
    late += piece.late;
    taped += piece.taped;
    frail += piece.frail;
    lacking += piece.lacking;
    putOff += piece.putOff;
    apart += piece.apart;
    // What is late counts as late; it must not hide how close the others are.
    if (piece.slack >= 0) tightest = Math.min(tightest, piece.slack);
    finish = Math.max(finish, piece.ready);
  }
  return {
    unplaced,
    late,
    taped,
    frail,
    lacking,
    putOff,
    apart,
    sessions: sessions + setUps,
    idle,
    tightness: Number.isFinite(tightest) ? -tightest : 0,
    finish,
  };
}

/** Scores what one pass of the planner came to, and says how each piece stands in it. */
export function scoreOf(ground: ScoreGround, run: PlannerRun): { score: Score; standings: Standings } {
  const byPiece = groupBy(run.operations, ({ pieceId }) => pieceId);
  const standings = new Map<string, PieceStanding>();
  for (const piece of ground.workload.build.pieces) {
    if (!byPiece.has(piece.id)) continue;
    const passesOf = (id: string) => byPiece.get(id) ?? [];
    standings.set(piece.id, standingOf(ground, piece, passesOf, run.units));
  }
  return { score: sumUp(standings.values(), run.tally), standings };
}

/** What the plan of a build is scored against. */
export const groundOf = (workload: Workload, now: EpochMinute, lessons: readonly Lesson[]): ScoreGround => ({
  workload,
  now: Math.max(now, workload.startAt),
  confirmed: confirmedBy(lessons),
});
