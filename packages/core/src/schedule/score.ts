import type { PlannerRun } from './decode';
import type { PlanningGround } from './ground';
import { pieceReadiness } from './readiness';

/**
 * How good a plan is, aim by aim, the first counting most: work that could not be placed, minutes late over all pieces and
 * dates, sessions and set-ups, minutes to spare of the riskiest piece (negated), and when the last piece is ready. Less is
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
  for (let at = 0; at < a.length; at += 1) if (a[at] !== b[at]) return a[at]! - b[at]!;
  return 0;
}

/** Scores what one pass of the planner came to. */
export function scoreOf(ground: PlanningGround, run: PlannerRun, now: number): Score {
  const { build } = ground;
  const byPiece = new Map<string, PlannerRun['operations']>();
  let unplaced = 0;
  let setUps = 0;
  const sessions = new Set<string>();
  for (const operation of run.operations) {
    const list = byPiece.get(operation.pieceId);
    if (list) list.push(operation);
    else byPiece.set(operation.pieceId, [operation]);
    if (operation.status === 'unplaced') unplaced += 1;
    if (operation.status !== 'planned') continue;
    // A pass that shares the set-up of the one before begins with its work.
    if (operation.setUpMinutes > 0 && operation.laidAt! - operation.start! > operation.workMinutes)
      setUps += 1;
    const calendar = ground.people.find((person) => person.id === operation.personId)?.calendar;
    sessions.add(`${operation.personId} ${calendar?.windowAt(operation.start!)?.from}`);
  }
  let late = 0;
  let tightest = Infinity;
  let finish = -Infinity;
  for (const piece of build.pieces) {
    const own = byPiece.get(piece.id);
    if (!own) continue;
    const { packableAt, wearableAt, packDueAt, wearDueAt, slackMinutes } = pieceReadiness(
      build,
      piece,
      own,
      run.units,
      now,
    );
    const over = (at: number | undefined, due: number | undefined) =>
      at === undefined || due === undefined || !Number.isFinite(at) ? 0 : Math.max(0, at - due);
    late += over(packableAt, packDueAt) + over(wearableAt, wearDueAt);
    if (slackMinutes !== undefined) tightest = Math.min(tightest, slackMinutes);
    const ready = Math.max(packableAt ?? -Infinity, wearableAt ?? -Infinity);
    if (Number.isFinite(ready)) finish = Math.max(finish, ready);
  }
  return [unplaced, late, sessions.size + setUps, Number.isFinite(tightest) ? -tightest : 0, finish];
}
