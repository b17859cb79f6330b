/** A place on a flat sheet, mm; across to the right and down. */
export type Point = readonly [x: number, y: number];

/** A closed outline: its corners in order, the last joined to the first. */
export type Ring = readonly Point[];

/** An open line through its points in order. */
export type Line = readonly Point[];

/** The box round some points, mm. */
export interface Bounds {
  left: number;
  top: number;
  right: number;
  bottom: number;
}

const MM2_PER_CM2 = 100;

/**
 * The area inside a ring, mm², above zero when it runs from the right downwards (clockwise on a screen). Gauss's shoelace formula.
 * What a ring that crosses itself goes round twice counts twice; `clip.ts` tells such rings apart.
 */
export function signedAreaMm2(ring: Ring): number {
  let twice = 0;
  for (let at = 0; at < ring.length; at += 1) {
    const [x, y] = ring[at]!;
    const [nextX, nextY] = ring[(at + 1) % ring.length]!;
    twice += x * nextY - nextX * y;
  }
  return twice / 2;
}

/**
 * The area inside a ring, cm², whichever way round it runs.
 * @example ringAreaCm2([[0, 0], [300, 0], [300, 200], [0, 200]]) // 600
 */
export const ringAreaCm2 = (ring: Ring): number => Math.abs(signedAreaMm2(ring)) / MM2_PER_CM2;

/** The length of an open line, mm. */
export function lineMm(line: Line): number {
  let sum = 0;
  for (let at = 1; at < line.length; at += 1) sum += distanceMm(line[at - 1]!, line[at]!);
  return sum;
}

/** The length of a ring all the way round, mm. */
export const ringMm = (ring: Ring): number =>
  ring.length < 2 ? 0 : lineMm(ring) + distanceMm(ring[ring.length - 1]!, ring[0]!);

/** How far two places are apart, mm. */
export const distanceMm = ([ax, ay]: Point, [bx, by]: Point): number => Math.hypot(bx - ax, by - ay);

/** The box round some lines; without any points one of no size at nought. */
export function boundsOf(lines: readonly Line[]): Bounds {
  const bounds = { left: Infinity, top: Infinity, right: -Infinity, bottom: -Infinity };
  for (const line of lines)
    for (const [x, y] of line) {
      bounds.left = Math.min(bounds.left, x);
      bounds.top = Math.min(bounds.top, y);
      bounds.right = Math.max(bounds.right, x);
      bounds.bottom = Math.max(bounds.bottom, y);
    }
  return bounds.left === Infinity ? { left: 0, top: 0, right: 0, bottom: 0 } : bounds;
}

/** Whether a place lies inside a ring, by the even-odd rule; for one on the ring itself it may say either. */
export function isInside([x, y]: Point, ring: Ring): boolean {
  let inside = false;
  for (let at = 0, before = ring.length - 1; at < ring.length; before = at, at += 1) {
    const [ax, ay] = ring[at]!;
    const [bx, by] = ring[before]!;
    if (ay > y !== by > y && x < ((bx - ax) * (y - ay)) / (by - ay) + ax) inside = !inside;
  }
  return inside;
}

/** Whether one box has another inside it, with so much to spare on every side. */
export const holdsBox = (outer: Bounds, inner: Bounds): boolean =>
  inner.left >= outer.left &&
  inner.right <= outer.right &&
  inner.top >= outer.top &&
  inner.bottom <= outer.bottom;

/** Moves points: the six numbers of an affine map, x' = a·x + c·y + e and y' = b·x + d·y + f. */
export type Affine = readonly [a: number, b: number, c: number, d: number, e: number, f: number];

export const asItIs: Affine = [1, 0, 0, 1, 0, 0];
export const scaledBy = (factor: number): Affine => [factor, 0, 0, factor, 0, 0];
export const movedBy = (x: number, y: number): Affine => [1, 0, 0, 1, x, y];
/** Turned over, left for right. */
export const turnedOver: Affine = [-1, 0, 0, 1, 0, 0];
/** Turned about nought, degrees, from the right downwards. */
export function turnedBy(degrees: number): Affine {
  const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
  return [cos, sin, -sin, cos, 0, 0];
}

/** Both maps in one: first the second, then the first. */
export const after = ([a, b, c, d, e, f]: Affine, [ga, gb, gc, gd, ge, gf]: Affine): Affine => [
  a * ga + c * gb,
  b * ga + d * gb,
  a * gc + c * gd,
  b * gc + d * gd,
  a * ge + c * gf + e,
  b * ge + d * gf + f,
];

export const placed = ([x, y]: Point, [a, b, c, d, e, f]: Affine): Point => [
  a * x + c * y + e,
  b * x + d * y + f,
];

/** A line or ring under a map; a new one, with as many points. */
export const lineUnder = (line: Line, map: Affine): Point[] => line.map((point) => placed(point, map));
