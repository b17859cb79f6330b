import type { Piece } from '../../model/schema';
import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { decode } from '../place/decode';
import { worthPuttingOff } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import {
  workBegins,
  type PiecePlan,
  type PlannedOperation,
  type Session,
  type SessionDeadline,
} from '../plan/plan';
import { pieceReadiness } from '../state/readiness';
import type { DecodeOptions } from '../place/decodeOptions';
import { entryOf } from '../../model/sure';

const STEP_MINUTES = 15;

/** What a piece is planned alone against: the present, what else is planned, and the order of work. */
export interface PlanAround {
  now: EpochMinute;
  /** When passes of other pieces are done, by id, for what waits for them. */
  fixedEnds: ReadonlyMap<string, EpochMinute>;
  /** The order of each piece's own work. */
  orders: ReadonlyMap<string, readonly string[]>;
  /** Passes that wait until what they land on is dry through. */
  letDryThrough: ReadonlySet<string>;
}

/**
 * The last moment at which work on a piece can go on and still make its dates, with all hands and nothing else in the
 * way; to a quarter of an hour. Undefined when the piece has no date, or when even starting now is too late. What it waits
 * for in other pieces is taken from the plan at hand.
 *
 * Found by halving the time between now and the date, re-planning the piece alone from each moment tried, so it takes
 * drying, nights and recoat windows as they fall.
 */
export function latestStart(workload: Workload, piece: Piece, around: PlanAround): EpochMinute | undefined {
  return latest(workload, piece, around, around.now, undefined, (from) => ({ now: from }));
}

/**
 * For each of some sessions the last moment it can begin before one of its pieces misses its date: what comes before is
 * done as planned, what the session holds of the piece not sooner than that moment, and the rest as soon as can be, with
 * nothing else in the way. To a quarter of an hour; undefined for sessions that no piece in time hangs on.
 */
export function sessionDeadlines(
  workload: Workload,
  plan: {
    operations: readonly PlannedOperation[];
    pieces: readonly PiecePlan[];
    sessions: readonly Session[];
  },
  around: PlanAround,
): (SessionDeadline | undefined)[] {
  const byId = new Map(plan.operations.map((operation) => [operation.id, operation]));
  return plan.sessions.map((session) => {
    const held = new Map<string, PlannedOperation[]>();
    for (const id of session.batches.flatMap((batch) => batch.operationIds)) {
      const operation = entryOf(byId, id);
      if (operation.status === 'planned')
        held.set(operation.pieceId, [...(held.get(operation.pieceId) ?? []), operation]);
    }
    let soonest: SessionDeadline | undefined;
    const slackOf = (pieceId: string) =>
      plan.pieces.find((one) => one.pieceId === pieceId)?.slackMinutes ?? -Infinity;
    // Who has least to spare comes first, as the others then mostly need but one look.
    for (const [pieceId, own] of [...held].sort((a, b) => slackOf(a[0]) - slackOf(b[0]))) {
      if (slackOf(pieceId) < 0) continue;
      const piece = entryOf(workload.pieces, pieceId);
      const first = Math.min(...own.map(workBegins));
      const before = plan.operations.filter(
        (one) => one.pieceId === pieceId && one.status === 'planned' && workBegins(one) < first,
      );
      const asPlanned = new Map(before.map((one) => [one.id, workBegins(one)]));
      const at = latest(workload, piece, around, session.from, soonest?.at, (from) => ({
        now: around.now,
        // No sooner than planned where the plan has it later in the session.
        notBefore: new Map([
          ...asPlanned,
          ...own.map((one) => [one.id, workBegins(one) + from - session.from] as const),
        ]),
      }));
      if (at !== undefined && (!soonest || at < soonest.at)) soonest = { at, pieceId };
    }
    return soonest;
  });
}

/**
 * The last moment from `soonest` on that still lets a piece make its dates when it is planned alone from it. Looks no further
 * when that is not before `enough`.
 */
function latest(
  workload: Workload,
  piece: Piece,
  { fixedEnds, orders, letDryThrough }: PlanAround,
  soonest: EpochMinute,
  enough: EpochMinute | undefined,
  planFrom: (from: EpochMinute) => Pick<DecodeOptions, 'now' | 'notBefore'>,
): EpochMinute | undefined {
  const dueAt = workload.dueAt.get(piece.id);
  if (dueAt === undefined) return undefined;
  const onlyPieces = new Set([piece.id]);
  // As it is planned; then with coats dry through before the next, which takes longer to do and may be ready sooner.
  const ways = [letDryThrough];
  for (const coats of worthPuttingOff(workload, onlyPieces))
    if (coats.some((id) => !letDryThrough.has(id))) ways.push(new Set([...letDryThrough, ...coats]));
  const makesIt = (from: EpochMinute): boolean =>
    ways.some((through) => {
      const options = { ...planFrom(from), onlyPieces, fixedEnds, letDryThrough: through };
      const { operations, units } = decode(workload, orders.get(piece.id) ?? [], options);
      const { readiness } = pieceReadiness(workload.build, piece, operations, units, options.now);
      return readiness !== 'late' && readiness !== 'stuck';
    });
  if (enough !== undefined && makesIt(enough)) return enough;
  if (!makesIt(soonest)) return undefined;
  let good = 0;
  let bad = Math.max(1, Math.ceil((dueAt + MINUTES_PER_DAY - soonest) / STEP_MINUTES));
  while (bad - good > 1) {
    const middle = (good + bad) >> 1;
    if (makesIt(soonest + middle * STEP_MINUTES)) good = middle;
    else bad = middle;
  }
  return soonest + good * STEP_MINUTES;
}
