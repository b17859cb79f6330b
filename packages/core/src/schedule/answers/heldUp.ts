import { isAtPacking } from '../../model/lookOvers';
import { sayWait, type EpochMinute } from '../../model/wallTime';
import type { Binding, PiecePlan, PlannedOperation } from '../plan/plan';
import { unitKey } from '../plan/workload';

/** What a piece waits for longest from now until it is ready. */
export interface HeldUp {
  pieceId: string;
  why: Binding | 'choice';
  /** What has to dry, by name. */
  material: string | undefined;
  minutes: number;
  /** Of so many from now until it is ready. */
  ofMinutes: number;
  /** "Waits longest for Thinned oil wash to dry: 9 days of 14." */
  sentence: string;
}

/** What a piece waits for, to follow "Waits longest"; drying names its material. */
const waitWords: Record<Exclude<Binding, 'drying' | 'through'> | 'choice', string> = {
  start: 'to be begun',
  order: 'for its parts, or what goes before',
  window: 'for a recoat window',
  hands: 'for somebody to be free',
  place: 'for the place to open',
  quiet: 'for the quiet hours to end',
  rack: 'for room on the rack',
  air: 'for fit air',
  dust: 'until dust and wet paint do not meet',
  material: 'for a material to come',
  choice: 'to go on together with other pieces',
};

/** A wait shorter than this is nothing to speak of. */
const WORTH_SAYING_MINUTES = 60;

/**
 * What holds each piece up: every wait of its slowest unit from now on, for what lies below to dry and then for what kept the
 * next pass from beginning, and last for the coats to cure. Undefined for a piece that waits for nothing, or never is ready.
 */
export function heldUp(
  piece: PiecePlan,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
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
  const waits = new Map<string, { why: HeldUp['why']; material: string | undefined; minutes: number }>();
  const wait = (why: HeldUp['why'], material: string | undefined, from: EpochMinute, to: EpochMinute) => {
    if (to <= from) return;
    const isDrying = why === 'drying' || why === 'through';
    const key = isDrying ? `drying ${material}` : why;
    const known = waits.get(key)?.minutes ?? 0;
    const what = isDrying ? material : undefined;
    waits.set(key, { why: isDrying ? 'drying' : why, material: what, minutes: known + to - from });
  };
  let at = now;
  let coat: string | undefined;
  for (const { laidAt = now, start, opensAt, workMinutes, boundBy, material } of own) {
    // Setting up is work.
    const begins = Math.min(start ?? Infinity, laidAt - workMinutes);
    const opens = Math.min(begins, Math.max(at, opensAt ?? at));
    // Without a coat of its own it waits for others.
    wait(coat === undefined ? 'order' : 'drying', coat, at, opens);
    // What was only just let begin was kept by nothing else.
    const why = boundBy === undefined || boundBy === 'drying' || boundBy === 'through' ? 'hands' : boundBy;
    wait(why, undefined, Math.max(at, opens), begins);
    at = Math.max(at, laidAt);
    if (material) coat = material.name;
  }
  wait(coat === undefined ? 'order' : 'drying', coat, at, readyAt);
  const [most] = [...waits.values()].sort((a, b) => b.minutes - a.minutes);
  if (!most || most.minutes < WORTH_SAYING_MINUTES) return undefined;
  const ofMinutes = readyAt - now;
  const what =
    most.why === 'drying' || most.why === 'through'
      ? `for ${most.material ?? 'a coat'} to dry`
      : waitWords[most.why];
  return {
    pieceId: piece.pieceId,
    ...most,
    ofMinutes,
    sentence: `Waits longest ${what}: ${sayWait(most.minutes)} of ${sayWait(ofMinutes)}.`,
  };
}
