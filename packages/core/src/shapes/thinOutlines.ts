import Flatbush from 'flatbush';
import { grown } from './clip';
import { boundsOf, lineMm, ringAreaCm2, ringMm, type Bounds, type Point, type Ring } from './rings';

/** A pen line that was turned into an outline is no wider than this, mm. */
const WIDEST_MM = 2.2;
/** The sides of its box are in from those of the outer line by the same width but for this share, and this much, mm. */
const EVEN_SHARE = 0.35;
const EVEN_MM = 0.12;
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
      .map((other) => ({ other, wide: widthBetween(own, bounds[other]!) }))
      .filter((one): one is { other: number; wide: number } => one.wide !== undefined)
      .sort((a, b) => a.wide - b.wide)
      .find(({ other, wide }) => isEven(ring, areas[at]!, areas[other]!, around[at]! + around[other]!, wide));
    if (inner) {
      const middle = middleOf(ring, areas[at]!, areas[inner.other]!, around[at]! + around[inner.other]!);
      if (middle) {
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

/** By how much one box lies inside another on every side, mm; undefined where that is not the same on all, or too much. */
function widthBetween(outer: Bounds, inner: Bounds): number | undefined {
  const sides = [
    inner.left - outer.left,
    inner.top - outer.top,
    outer.right - inner.right,
    outer.bottom - inner.bottom,
  ];
  const mean = sides.reduce((sum, side) => sum + side, 0) / 4;
  if (mean <= 0.01 || mean > WIDEST_MM * 1.5) return undefined;
  return sides.every((side) => Math.abs(side - mean) <= mean * EVEN_SHARE + EVEN_MM) ? mean : undefined;
}

/** Whether two rings are the sides of one line: what lies between them is as wide as their length asks, and shrinking the outer one gives the inner. */
function isEven(outer: Ring, outerMm2: number, innerMm2: number, bothMm: number, wide: number): boolean {
  const own = (2 * (outerMm2 - innerMm2)) / bothMm;
  if (own <= 0 || own > WIDEST_MM || Math.abs(own - wide) > wide * EVEN_SHARE + EVEN_MM) return false;
  const shrunk = grown([outer], -own);
  const [largest = []] = [...shrunk].sort((a, b) => ringAreaCm2(b) - ringAreaCm2(a));
  return Math.abs(ringAreaCm2(largest) * 100 - innerMm2) <= SAME_AREA_SHARE * outerMm2;
}

/** The line halfway between two sides. */
function middleOf(outer: Ring, outerMm2: number, innerMm2: number, bothMm: number): Point[] | undefined {
  const half = (outerMm2 - innerMm2) / bothMm;
  const [largest] = grown([outer], -half).sort((a, b) => ringAreaCm2(b) - ringAreaCm2(a));
  return largest && largest.length > 2 ? largest : undefined;
}

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
