/** Things by a key of theirs, each list in the order they came. */
export function groupBy<T>(list: readonly T[], keyOf: (one: T) => string): Map<string, T[]> {
  const groups = new Map<string, T[]>();
  for (const one of list) {
    const key = keyOf(one);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return groups;
}
