/** What the code's own rules promise is not there: a fault of the program, said where it happens and not three calls on. */
export class Missing extends Error {
  override name = 'Missing';
}

/**
 * A value that is there by the rules of the code.
 * @throws Missing naming it, where it is not
 * @example sure(operation.laidAt, 'when it is laid')
 */
export function sure<T>(value: T | null | undefined, what: string): T {
  if (value === undefined || value === null) throw new Missing(`Missing: ${what}.`);
  return value;
}

/**
 * The item at a place of a list that has one there; counted from the end where the place is negative.
 * @throws Missing where the list is shorter
 */
export function nth<T>(list: readonly T[], place: number): T {
  const item = list.at(place);
  if (item === undefined) throw new Missing(`Missing: item ${place} of ${list.length}.`);
  return item;
}

/**
 * What a map holds under a key that it has.
 * @throws Missing naming the key, where it does not
 */
export function entryOf<Key, Value>(map: ReadonlyMap<Key, Value>, key: Key): Value {
  const value = map.get(key);
  if (value === undefined) throw new Missing(`Missing: the entry of ${String(key)}.`);
  return value;
}
