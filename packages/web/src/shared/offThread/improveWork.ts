import {
  hasBegun,
  isWorthTaking,
  PlanSearch,
  warmFrom,
  workloadOf,
  type Around,
  type Build,
  type Candidate,
  type Score,
  type WarmStart,
  type Weighed,
} from '@fixatum/core';

/** Asks for a better plan than the one at hand. */
export interface ImproveRequest {
  build: Build;
  now: number;
  around: Around;
  warm: WarmStart | undefined;
  /** For so many seconds at most. */
  seconds: number;
  seed: number;
  /**
   * Nobody waits for it: it works a third of the time, ends when nothing better turned up for this many seconds of that, and
   * tells only of plans that are worth changing to.
   */
  quietSeconds?: number;
}

const TELL_EVERY_MS = 200;
/** So long it works at a stretch, and then rests when nobody waits. */
const STRETCH_MS = 40;
const REST_MS = 80;

const weighed = ({ score, run }: Candidate): Weighed => ({ score, operations: run.operations });
const rest = (ms: number) => new Promise((go) => setTimeout(go, ms));

/**
 * Looks for better plans until the time is over, or until nothing better turns up where nobody waits.
 * @param better told of each better plan as it comes
 * @param share told how far it is, 0 to 1, and how many orders were tried
 * @returns how many orders were tried
 */
export async function improve(
  request: ImproveRequest,
  better: (plan: WarmStart, score: Score) => void,
  share: (share: number, tried: number) => void,
): Promise<number> {
  const { build, now, warm, seed, seconds, quietSeconds } = request;
  const from = performance.now();
  const until = from + seconds * 1000;
  let tried = 0;
  let worked = 0;
  let worthUntil = (quietSeconds ?? Infinity) * 1000;
  /** The plan that whoever asked has: first what the one at hand comes to now. */
  let current: Weighed | undefined;
  const search = new PlanSearch(workloadOf(build, request.around), {
    now,
    seed,
    ...(warm ? { warm } : {}),
    onProgress: (best, _done, isBetter) => {
      const isFirst = current === undefined;
      current ??= weighed(best);
      if (!isBetter || (isFirst && warm && quietSeconds !== undefined)) return true;
      const next = weighed(best);
      if (quietSeconds === undefined || isWorthTaking(current, next, { now, hasBegun: hasBegun(build) })) {
        if (quietSeconds !== undefined) worthUntil = worked + quietSeconds * 1000;
        current = next;
        better(warmFrom({ sequence: best.sequence, operations: best.run.operations }), best.score);
      }
      return performance.now() < until;
    },
  });
  let goesOn = search.begin();
  let told = from;
  while (goesOn && performance.now() < until && worked < worthUntil) {
    const stretch = performance.now();
    while (goesOn && performance.now() - stretch < STRETCH_MS) {
      goesOn = search.step();
      tried += 1;
    }
    const at = performance.now();
    worked += at - stretch;
    if (at - told > TELL_EVERY_MS) {
      told = at;
      share((at - from) / (until - from), tried);
    }
    await rest(quietSeconds === undefined ? 0 : REST_MS);
  }
  return tried;
}
