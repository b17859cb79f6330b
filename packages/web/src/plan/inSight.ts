/**
 * What of a row is drawn: what touches the time in sight, and so that arrow keys lead on from there the next on either side of it, and
 * the first and the last of all.
 * @param row in order of their beginning
 */
export function inSight<T>(
  row: readonly T[],
  spanOf: (one: T) => { from: number; to: number },
  sight: { from: number; until: number },
): T[] {
  const before = row.findLastIndex((one) => spanOf(one).to < sight.from);
  const after = row.findIndex((one) => spanOf(one).from > sight.until);
  return row.filter((one, at) => {
    if (at === 0 || at === row.length - 1 || at === before || at === after) return true;
    const { from, to } = spanOf(one);
    return to >= sight.from && from <= sight.until;
  });
}
