/**
 * What of a row is drawn: what touches the time in sight, and so that arrow keys lead on from there the next on either side of it, and
 * the first and the last of all. What is drawn stays in the order it came in: moved about, it would lose the focus.
 */
export function inSight<T>(
  row: readonly T[],
  spanOf: (one: T) => { from: number; to: number },
  sight: { from: number; until: number },
): T[] {
  const spans = row.map(spanOf);
  const best = (fits: (at: number) => boolean, isBetter: (a: number, b: number) => boolean) =>
    spans.reduce<number>((found, _, at) => (fits(at) && (found < 0 || isBetter(at, found)) ? at : found), -1);
  const earlier = (a: number, b: number) => spans[a]!.from < spans[b]!.from;
  const later = (a: number, b: number) => spans[a]!.from > spans[b]!.from;
  const kept = new Set([
    best(() => true, earlier),
    best(() => true, later),
    best((at) => spans[at]!.to < sight.from, later),
    best((at) => spans[at]!.from > sight.until, earlier),
  ]);
  return row.filter(
    (_, at) => kept.has(at) || (spans[at]!.to >= sight.from && spans[at]!.from <= sight.until),
  );
}
