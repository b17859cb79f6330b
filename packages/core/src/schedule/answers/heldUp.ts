import { isAtPacking } from '../../model/lookOvers';
import { sayWait, type EpochMinute } from '../../model/wallTime';
import { sayC } from '../../model/sayMeasure';
import { sayMoment } from '../../model/sayMoment';
import { groupBy } from '../../model/groupBy';
import type { PiecePlan, PlannedOperation, Reason } from '../plan/plan';
import type { Plan } from './plan';
import { unitKey } from '../plan/workload';

/** What a piece waits for longest from now until it is ready. */
export interface HeldUp {
  pieceId: string;
  why: Reason;
  /** What has to dry, by name. */
  material: string | undefined;
  minutes: number;
  /** Of so many from now until it is ready. */
  ofMinutes: number;
  /** "Waits longest for Thinned oil wash to dry: 9 days of 14." */
  sentence: string;
}

/** What a piece waits for, to follow "Waits longest"; drying names its material. */
const waitWords: Record<Exclude<Reason, 'drying' | 'through' | 'daylight' | 'elsewhere'>, string> = {
  start: 'to be begun',
  order: 'for its parts, or what goes before',
  window: 'for a recoat window',
  hands: 'for somebody to be free',
  tool: 'for a tool that is in other hands',
  place: 'for the place to open',
  quiet: 'for the quiet hours to end',
  rack: 'for room on the rack',
  air: 'for fit air',
  dust: 'until dust and wet paint do not meet',
  material: 'for a material to come',
  choice: 'to be done in fewer evenings and set-ups',
  busy: 'for hands that are at other work',
};

/** A wait shorter than this is nothing to speak of. */
const WORTH_SAYING_MINUTES = 60;

/**
 * What holds each piece of a plan up.
 * @param operations its passes with why each waits, proved (`withProofs`)
 */
export function heldUp(plan: Plan, operations: readonly PlannedOperation[]): HeldUp[] {
  const byPiece = groupBy(operations, ({ pieceId }) => pieceId);
  return plan.pieces.flatMap((piece) => heldUpOf(piece, byPiece.get(piece.pieceId) ?? [], plan) ?? []);
}

/**
 * What holds a piece up: every wait of its slowest unit from now on, for what lies below to dry and then for what kept the
 * next pass from beginning, and last for the coats to cure. Undefined for a piece that waits for nothing, or never is ready.
 */
function heldUpOf(
  piece: PiecePlan,
  operations: readonly PlannedOperation[],
  { now, timeZone }: Pick<Plan, 'now' | 'timeZone'>,
): HeldUp | undefined {
  const { packableAt, wearableAt } = piece;
  if (packableAt === undefined || wearableAt === undefined) return undefined;
  const readyAt = Math.max(packableAt, wearableAt);
  if (!Number.isFinite(readyAt) || readyAt <= now) return undefined;
  const last = operations
    .filter((one) => one.laidAt !== undefined && !isAtPacking(one))
    .reduce<PlannedOperation | undefined>(
      (latest, one) => ((latest?.laidAt ?? -Infinity) > (one.laidAt ?? -Infinity) ? latest : one),
      undefined,
    );
  if (!last) return undefined;
  const own = operations
    .filter((one) => unitKey(one) === unitKey(last) && one.laidAt !== undefined && !isAtPacking(one))
    .sort((a, b) => (a.laidAt ?? 0) - (b.laidAt ?? 0));
  const waits = new Map<
    string,
    { why: Reason; material: string | undefined; minutes: number; first: PlannedOperation }
  >();
  const wait = (
    why: Reason,
    material: string | undefined,
    from: EpochMinute,
    to: EpochMinute,
    of: PlannedOperation,
  ) => {
    if (to <= from) return;
    const isDrying = why === 'drying' || why === 'through';
    const key = isDrying ? `drying ${material}` : why;
    const before = waits.get(key);
    const known = before?.minutes ?? 0;
    const what = isDrying ? material : undefined;
    waits.set(key, {
      why: isDrying ? 'drying' : why,
      material: what,
      minutes: known + to - from,
      first: before?.first ?? of,
    });
  };
  let at = now;
  let coat: string | undefined;
  for (const one of own) {
    const { laidAt = now, start, opensAt, workMinutes, material } = one;
    const boundBy = one.waitsFor?.why ?? one.boundBy;
    // Setting up is work.
    const begins = Math.min(start ?? Infinity, laidAt - workMinutes);
    const opens = Math.min(begins, Math.max(at, opensAt ?? at));
    // Without a coat of its own it waits for others.
    wait(coat === undefined ? 'order' : 'drying', coat, at, opens, one);
    // What was only just let begin was kept by nothing else.
    const why = boundBy === undefined || boundBy === 'drying' || boundBy === 'through' ? 'hands' : boundBy;
    wait(why, undefined, Math.max(at, opens), begins, one);
    at = Math.max(at, laidAt);
    if (material) coat = material.name;
  }
  wait(coat === undefined ? 'order' : 'drying', coat, at, readyAt, last);
  const [most] = [...waits.values()].sort((a, b) => b.minutes - a.minutes);
  if (!most || most.minutes < WORTH_SAYING_MINUTES) return undefined;
  const ofMinutes = readyAt - now;
  const { first, ...told } = most;
  return {
    pieceId: piece.pieceId,
    ...told,
    ofMinutes,
    sentence: `Waits longest ${whatFor(told, first)}: ${sayWait(most.minutes)} of ${sayWait(ofMinutes)}.${
      told.why === 'daylight' ? ` ${daylightWords(first, timeZone)}` : ''
    }`,
  };
}

function whatFor({ why, material }: Pick<HeldUp, 'why' | 'material'>, first: PlannedOperation): string {
  switch (why) {
    case 'drying':
    case 'through':
      return `for ${material ?? 'a coat'} to dry`;
    case 'elsewhere':
      return `while ${first.waitsFor?.by ?? 'another build'} has the evenings`;
    case 'daylight':
      return 'for daylight that falls into free time';
    default:
      return waitWords[why];
  }
}

/** Why what wants daylight waits, and what would not. */
export function daylightWords({ material, start }: PlannedOperation, timeZone: string): string {
  const wants = material
    ? `${material.name} wants daylight and ${sayC(material.minC)} there`
    : 'It wants daylight there';
  const until = start === undefined ? '' : ` until ${sayMoment(start, timeZone)}`;
  return `${wants}; free time is after dark${until}. A free hour by day, a booth with extraction or a brush would not wait.`;
}
