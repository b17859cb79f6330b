import { get, set } from 'idb-keyval';
import type { BuildAnswer } from './knownBuild';

const KEY = 'fixatum-seen';

/**
 * The build that was seen last, kept in the browser, so that the app opens with it where nobody answers. One only: what is looked at without the
 * computer that has the data is what was at the bench.
 */
export async function keepSeen(answer: BuildAnswer): Promise<void> {
  const { id, version, pieceEtags, build } = answer;
  // A browser without a database, or a full one, only forgets.
  await set(KEY, JSON.stringify({ id, version, pieceEtags, build })).catch(() => undefined);
}

/** The build by that id as it was seen last; undefined where it was another one, or none. */
export async function seenLast(id: string): Promise<BuildAnswer | undefined> {
  const text = await get<string>(KEY).catch(() => undefined);
  const seen = text === undefined ? undefined : (JSON.parse(text) as BuildAnswer);
  return seen?.id === id ? seen : undefined;
}
