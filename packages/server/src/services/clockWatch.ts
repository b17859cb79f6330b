import type { Models } from '../storage/models';

/** A clock that was only set right, or a computer moved by a little, is no matter. */
const A_MATTER_MS = 10 * 60_000;

/** How far the machine's clock is behind what was written down already. */
export interface ClockBehind {
  /** When the newest change was saved, by the clock as it was then. */
  savedAt: string;
  now: string;
}

/**
 * Looks whether the machine's clock was set back, or has lost its battery: then it says less than what stands with a change that
 * is stored. Undefined while it goes well.
 */
export async function clockBehind(
  models: Pick<Models, 'changes'>,
  nowIso: string,
): Promise<ClockBehind | undefined> {
  const newest = await models.changes.findOne({ attributes: ['at'], order: [['at', 'DESC']] });
  return newest && Date.parse(newest.at) - Date.parse(nowIso) >= A_MATTER_MS
    ? { savedAt: newest.at, now: nowIso }
    : undefined;
}
