import { distanceMm, type Point } from './rings';
import type { Stroke } from './sheet';

interface End {
  stroke: number;
  isStart: boolean;
  point: Point;
}

/**
 * Strokes with those joined whose ends meet: a template often draws an outline in many pieces. Kinds are not mixed, closed strokes stay
 * as they are, and a chain that comes back to its beginning is closed. Of several ends that meet in one place the nearest go together.
 * Invariant: the length of all strokes together grows by no more than the gaps that are closed.
 * @param gap how far apart ends may be, in the units of the strokes
 */
export function chained(strokes: readonly Stroke[], gap: number): Stroke[] {
  const open = strokes.map((stroke) => !stroke.closed && stroke.points.length > 1);
  const cells = new Map<string, End[]>();
  const cell = (x: number, y: number, kind: string) =>
    `${kind} ${Math.floor(x / gap)} ${Math.floor(y / gap)}`;
  const endsOf = (at: number): [End, End] => {
    const { points } = strokes[at]!;
    return [
      { stroke: at, isStart: true, point: points[0]! },
      { stroke: at, isStart: false, point: points[points.length - 1]! },
    ];
  };
  strokes.forEach(({ kind }, at) => {
    if (!open[at]) return;
    for (const end of endsOf(at)) {
      const key = cell(...end.point, kind);
      const there = cells.get(key);
      if (there) there.push(end);
      else cells.set(key, [end]);
    }
  });
  const used = strokes.map((_, at) => !open[at]);
  const nearest = ([x, y]: Point, kind: string): End | undefined => {
    let best: End | undefined;
    let bestGap = gap;
    for (const dx of [-1, 0, 1])
      for (const dy of [-1, 0, 1])
        for (const end of cells.get(cell(x + dx * gap, y + dy * gap, kind)) ?? []) {
          if (used[end.stroke]) continue;
          const apart = distanceMm(end.point, [x, y]);
          if (apart <= bestGap) [best, bestGap] = [end, apart];
        }
    return best;
  };
  /** Goes on from the end of a chain as far as there is something to go on with. */
  const extended = (points: Point[], kind: string): void => {
    for (;;) {
      const last = points[points.length - 1]!;
      if (points.length > 2 && distanceMm(points[0]!, last) <= gap) return;
      const next = nearest(last, kind);
      if (!next) return;
      used[next.stroke] = true;
      const more = next.isStart ? strokes[next.stroke]!.points : [...strokes[next.stroke]!.points].reverse();
      const joins = distanceMm(more[0]!, last) === 0;
      for (let at = joins ? 1 : 0; at < more.length; at += 1) points.push(more[at]!);
    }
  };
  return strokes.flatMap((stroke, at): Stroke[] => {
    if (!open[at]) return stroke.closed && stroke.points.length > 2 ? [stroke] : [];
    if (used[at]) return [];
    used[at] = true;
    const points = [...stroke.points];
    extended(points, stroke.kind);
    points.reverse();
    extended(points, stroke.kind);
    const isClosed = points.length > 3 && distanceMm(points[0]!, points[points.length - 1]!) <= gap;
    return [{ kind: stroke.kind, points: isClosed ? points.slice(0, -1) : points, closed: isClosed }];
  });
}
