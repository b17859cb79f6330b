import type { PlanView } from '@fixatum/core';
import { get, set } from 'idb-keyval';
import type { BuildAnswer } from './knownBuild';

const KEY = 'fixatum-seen';
const PLAN_KEY = 'fixatum-seen-plan';

// A browser without a database, or a full one, only forgets.
async function keep(key: string, value: unknown): Promise<void> {
  try {
    await set(key, value);
  } catch {
    // It is worked out again.
  }
}
async function kept<T>(key: string): Promise<T | undefined> {
  try {
    return await get<T>(key);
  } catch {
    return undefined;
  }
}

/**
 * The build that was seen last, kept in the browser, so that the app opens with it where nobody answers. One only: what is looked at without the
 * computer that has the data is what was at the bench.
 */
export async function keepSeen(answer: BuildAnswer): Promise<void> {
  const { id, version, finishedAt, pieceEtags, build } = answer;
  await keep(KEY, JSON.stringify({ id, version, finishedAt, pieceEtags, build }));
}

/** The build by that id as it was seen last; undefined where it was another one, or none. */
export async function seenLast(id: string): Promise<BuildAnswer | undefined> {
  const text = await kept<string>(KEY);
  const seen = text === undefined ? undefined : (JSON.parse(text) as BuildAnswer);
  return seen?.id === id ? seen : undefined;
}

/** A plan as it was on screen, with all it was made from as JSON. */
export interface SeenPlan {
  id: string;
  build: string;
  around: string;
  /** The plan that was put by on the server. */
  plan: string;
  view: PlanView;
}

/** Which planner made it: the address of this part of the app holds a hash of it and of all it is made of. */
const planner = import.meta.url;

/** Keeps the plan that is on screen, so that the app opens with it and need not make it again. One only, as with the build. */
export async function keepSeenPlan(seen: SeenPlan): Promise<void> {
  await keep(PLAN_KEY, { ...seen, planner });
}

/** The plan of a build as it was on screen last, by the planner there is now; undefined where it was of another, or none. */
export async function planSeenLast(id: string): Promise<SeenPlan | undefined> {
  const seen = await kept<SeenPlan & { planner: string }>(PLAN_KEY);
  return seen?.id === id && seen.planner === planner ? seen : undefined;
}
