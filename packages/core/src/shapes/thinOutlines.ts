import Flatbush from 'flatbush';
import { grown } from './clip';
import { boundsOf, lineMm, ringAreaCm2, ringMm, type Bounds, type Point, type Ring } from './rings';

/** A pen line that was turned into an outline is no wider than this, mm. */
const WIDEST_MM = 2.2;
/** The corners of such a line reach further out than its side by no more than so many times, as pens end in points. */
const SHARPEST = 20;
/** The outer line shrunk by that width is its inner line but for this share of their area. */
const SAME_AREA_SHARE = 0.01;
/** An open line that was turned into an outline is so many times as long as it is wide. */
const LONG = 12;

/** Closed rings as they were meant, and lines that were drawn as thin outlines. */
export interface Thinned {
  /** For each ring: itself, the middle of a line that was drawn as two, or undefined where it is part of such a line. */
  rings: (Point[] | undefined)[];
  /** Open lines, by the ring that each was drawn as. */
  lines: Map<number, Point[]>;
  /** How many lines were drawn as two. */
  merged: number;
}

/**
 * Finds lines that a drawing program turned into outlines of their own width: a ring within a ring at the same distance everywhere is one line,
 * and its middle counts; a long narrow outline is an open line.
 * @param rings the largest first
 */
export function thinned(rings: readonly Ring[]): Thinned {
  const bounds = rings.map((ring) => boundsOf([ring]));
  const areas = rings.map((ring) => ringAreaCm2(ring) * 100);
  const around = rings.map(ringMm);
  const result: Thinned = { rings: rings.map((ring) => [...ring]), lines: new Map(), merged: 0 };
  if (rings.length === 0) return result;
  const index = new Flatbush(rings.length);
  for (const { left, top, right, bottom } of bounds) index.add(left, top, right, bottom);
  index.finish();
  const used = new Set<number>();
  rings.forEach((ring, at) => {
    if (used.has(at)) return;
    const own = bounds[at]!;
    const inner = index
      .search(own.left, own.top, own.right, own.bottom, (other) => other > at && !used.has(other))
      .filter((other) => liesIn(own, bounds[other]!))
      .map((other) => ({ other, wide: (2 * (areas[at]! - areas[other]!)) / (around[at]! + around[other]!) }))
      .filter(({ wide }) => wide > 0 && wide <= WIDEST_MM)
      .sort((a, b) => a.wide - b.wide)
      .find(({ other, wide }) => isEven(ring, areas[at]!, areas[other]!, wide));
    if (inner) {
      const middle = shrunk(ring, inner.wide / 2);
      if (middle.length > 2) {
        used.add(at).add(inner.other);
        result.merged += 1;
        result.rings[at] = middle;
        result.rings[inner.other] = undefined;
        return;
      }
    }
    const wide = (2 * areas[at]!) / around[at]!;
    if (wide > 0 && wide <= WIDEST_MM && around[at]! / 2 > LONG * wide) {
      result.rings[at] = undefined;
      result.lines.set(at, middleLine(ring));
    }
  });
  return result;
}

/** Whether one box lies inside another, and no further in than the widest pen with its points. */
const liesIn = (outer: Bounds, inner: Bounds): boolean =>
  [
    inner.left - outer.left,
    inner.top - outer.top,
    outer.right - inner.right,
    outer.bottom - inner.bottom,
  ].every((side) => side > 0 && side <= WIDEST_MM * SHARPEST);

/** A ring shrunk by so much, mm: the largest of what that leaves. */
function shrunk(ring: Ring, mm: number): Point[] {
  const [largest = []] = grown([ring], -mm, SHARPEST).sort((a, b) => ringAreaCm2(b) - ringAreaCm2(a));
  return largest;
}

/** Whether two rings are the sides of one line as wide: shrinking the outer one by that gives the inner. */
const isEven = (outer: Ring, outerMm2: number, innerMm2: number, wide: number): boolean =>
  Math.abs(ringAreaCm2(shrunk(outer, wide)) * 100 - innerMm2) <= SAME_AREA_SHARE * outerMm2;

/** How many points the middle of a narrow outline is taken at. */
const POINTS = 60;

/** The middle of a long narrow ring, from its one end to the other: the ends are the two points that are furthest apart along it and across. */
function middleLine(ring: Ring): Point[] {
  const whole = ringMm(ring);
  const placeAt = (along: number): Point => {
    let left = ((along % whole) + whole) % whole;
    for (let at = 0; at < ring.length; at += 1) {
      const [ax, ay] = ring[at]!;
      const [bx, by] = ring[(at + 1) % ring.length]!;
      const long = Math.hypot(bx - ax, by - ay);
      if (long >= left && long > 0) return [ax + ((bx - ax) * left) / long, ay + ((by - ay) * left) / long];
      left -= long;
    }
    return ring[0]!;
  };
  // From its ends the two sides run beside each other: there they are nearest to one another all along.
  let [start, nearest] = [0, Infinity];
  for (let tried = 0; tried < POINTS * 2; tried += 1) {
    const from = (whole * tried) / (POINTS * 2);
    let apart = 0;
    for (let step = 1; step < 12; step += 1) {
      const [ax, ay] = placeAt(from + (whole * step) / 24);
      const [bx, by] = placeAt(from - (whole * step) / 24);
      apart += Math.hypot(ax - bx, ay - by);
    }
    if (apart < nearest) [start, nearest] = [from, apart];
  }
  const line = Array.from({ length: POINTS + 1 }, (_, step): Point => {
    const [ax, ay] = placeAt(start + (whole * step) / (2 * POINTS));
    const [bx, by] = placeAt(start - (whole * step) / (2 * POINTS));
    return [(ax + bx) / 2, (ay + by) / 2];
  });
  return lineMm(line) > 0 ? line : [...ring];
}
