import { lineMm, ringMm, type Point, type Ring } from './rings';

/** A side of an outline: from one corner to the next. */
export interface Side {
  points: Point[];
  mm: number;
}

/** A turn by more than this is a corner, degrees. */
const CORNER_DEGREES = 28;
/** A turn is looked at over so much of the outline, so that a corner that is rounded a little is one still. */
const OVER_SHARE = 0.004;

/**
 * The sides of an outline, as its seams run: corner to corner, curves whole. An outline without corners is one side.
 * Invariant: the sides together are as long as the outline.
 */
export function sidesOfRing(ring: Ring): Side[] {
  const count = ring.length;
  const over = ringMm(ring) * OVER_SHARE;
  const away = (at: number, step: 1 | -1): Point => {
    let [n, left] = [at, over];
    for (let tries = 0; tries < count; tries += 1) {
      const [x, y] = ring[n]!;
      const next = (n + step + count) % count;
      const [nextX, nextY] = ring[next]!;
      left -= Math.hypot(nextX - x, nextY - y);
      n = next;
      if (left <= 0) break;
    }
    return ring[n]!;
  };
  const turns = ring.map(([x, y], at) => {
    const [bx, by] = away(at, -1);
    const [ax, ay] = away(at, 1);
    const [ux, uy, vx, vy] = [x - bx, y - by, ax - x, ay - y];
    return (Math.abs(Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy)) * 180) / Math.PI;
  });
  /** The sharpest turn of those so near that they are one corner, the first of equals. */
  const isSharpest = (at: number): boolean => {
    for (const step of [1, -1] as const) {
      let [n, left] = [at, over];
      for (let tries = 0; tries < count; tries += 1) {
        const [x, y] = ring[n]!;
        n = (n + step + count) % count;
        const [nextX, nextY] = ring[n]!;
        left -= Math.hypot(nextX - x, nextY - y);
        if (left < 0 || n === at) break;
        if (turns[n]! > turns[at]! || (turns[n] === turns[at] && step === -1)) return false;
      }
    }
    return true;
  };
  const corners = ring.flatMap((_, at) => (turns[at]! > CORNER_DEGREES && isSharpest(at) ? [at] : []));
  if (corners.length < 2) return [{ points: [...ring, ring[0]!], mm: ringMm(ring) }];
  return corners.map((from, n) => {
    const to = corners[(n + 1) % corners.length]!;
    const points: Point[] = [];
    for (let at = from; ; at = (at + 1) % count) {
      points.push(ring[at]!);
      if (at === to && points.length > 1) break;
    }
    return { points, mm: lineMm(points) };
  });
}
