import isEqual from 'fast-deep-equal';
import { isRecord } from './unknowns';
import { sharedKeys, sharedParts, type SharedKey, type SharedParts } from './workshop';

/** One thing of a workshop that was changed: what it was before and is after, undefined where it was not there. */
export interface ThingChanged {
  key: SharedKey;
  /** Which of its list; undefined for what is no list. */
  id?: string;
  before?: unknown;
  after?: unknown;
  /** The names of the list as it was, where more than adding at its end was done to it. */
  order?: string[];
}

/** What names a thing among those of its list: its id, or what it is the price of. */
function idOf(thing: unknown): string {
  if (!isRecord(thing)) return JSON.stringify(thing);
  return typeof thing['id'] === 'string'
    ? thing['id']
    : JSON.stringify([thing['material'], thing['containerMl']]);
}

/** Things of a list by what names them; of two of one name the second counts as another. */
function byId(list: unknown): Map<string, unknown> {
  const things = new Map<string, unknown>();
  for (const thing of Array.isArray(list) ? (list as unknown[]) : []) {
    const id = idOf(thing);
    for (let n = 1; ; n += 1) {
      const key = n === 1 ? id : `${id} ${n}`;
      if (things.has(key)) continue;
      things.set(key, thing);
      break;
    }
  }
  return things;
}

/** Which things of a workshop differ, each by itself; last, for each list, in which order its things were. */
export function thingsChanged(before: SharedParts, after: SharedParts): ThingChanged[] {
  return sharedKeys.flatMap((key): ThingChanged[] => {
    const [old, now] = [before[key], after[key]];
    if (isEqual(old, now)) return [];
    const isList = (value: unknown) => value === undefined || Array.isArray(value);
    if (!isList(old) || !isList(now)) return [changed({ key }, old, now)];
    // A list that was not there, or is gone, is more than an empty one.
    if (old === undefined || now === undefined) return [changed({ key }, old, now)];
    const [olds, nows] = [byId(old), byId(now)];
    const things = [...new Set([...olds.keys(), ...nows.keys()])]
      .filter((id) => !isEqual(olds.get(id), nows.get(id)))
      .map((id) => changed({ key, id }, olds.get(id), nows.get(id)));
    const order = [...olds.keys()];
    const isGrownOnly = isEqual([...nows.keys()].slice(0, order.length), order);
    return isGrownOnly ? things : [...things, { key, order }];
  });
}

const changed = (of: Pick<ThingChanged, 'key' | 'id'>, before: unknown, after: unknown): ThingChanged => ({
  ...of,
  ...(before === undefined ? {} : { before }),
  ...(after === undefined ? {} : { after }),
});

/**
 * Takes changes of a workshop back that others may have gone on from: what is still as the change left it is as before again, and what
 * was changed since stays as it is now.
 * Invariant: `takenBack(after, thingsChanged(before, after))` is `before`, with nothing stayed.
 * @returns the workshop, and how many things stayed
 */
export function takenBack(
  now: SharedParts,
  changes: readonly ThingChanged[],
): { parts: SharedParts; stayed: number } {
  const parts: Record<string, unknown> = { ...sharedParts(now) };
  let stayed = 0;
  for (const { key, id, before, after, order } of changes) {
    if (order) {
      parts[key] = inOrder(byId(parts[key]), order);
      continue;
    }
    const things = byId(parts[key]);
    if (!isEqual(id === undefined ? parts[key] : things.get(id), after)) {
      stayed += 1;
      continue;
    }
    if (id === undefined) {
      if (before === undefined) delete parts[key];
      else parts[key] = before;
      continue;
    }
    if (before === undefined) things.delete(id);
    else things.set(id, before);
    parts[key] = [...things.values()];
  }
  return { parts: parts as unknown as SharedParts, stayed };
}

/** Things in the order of some names, and those without one after them. */
function inOrder(things: ReadonlyMap<string, unknown>, order: readonly string[]): unknown[] {
  const known = order.filter((id) => things.has(id));
  const others = [...things.keys()].filter((id) => !order.includes(id));
  return [...known, ...others].map((id) => things.get(id));
}
