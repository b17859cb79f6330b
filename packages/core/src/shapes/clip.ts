import {
  Clipper,
  Clipper64,
  ClipType,
  EndType,
  FillRule,
  JoinType,
  type Path64,
  type Paths64,
} from 'clipper2-ts';
import { boundsOf, lineMm, ringMm, type Line, type Point, type Ring } from './rings';

// The library counts in whole numbers; a hundredth of a thousandth of a millimetre is finer than any knife.
const STEPS_PER_MM = 10_000;

const toPath = (line: Line): Path64 =>
  line.map(([x, y]) => ({ x: Math.round(x * STEPS_PER_MM), y: Math.round(y * STEPS_PER_MM) }));
const toPaths = (lines: readonly Line[]): Paths64 => lines.map(toPath);
const fromPath = (path: Path64): Point[] =>
  path.map(({ x, y }): Point => [x / STEPS_PER_MM, y / STEPS_PER_MM]);
const fromPaths = (paths: Paths64): Point[][] => paths.map(fromPath);

/** An area: outer rings and, running the other way, the holes in them. Rings of an area do not cross. */
export type Area = readonly Ring[];

/** Everything inside any of some rings, whichever way round each runs. */
export const union = (rings: readonly Ring[]): Point[][] =>
  fromPaths(Clipper.union(toPaths(rings), FillRule.NonZero));

/** What lies inside an odd number of rings: outlines with their holes as an area. */
export const evenOdd = (rings: readonly Ring[]): Point[][] =>
  fromPaths(Clipper.union(toPaths(rings), FillRule.EvenOdd));

/** What two areas have in common. */
export const common = (one: Area, other: Area): Point[][] =>
  fromPaths(Clipper.intersect(toPaths(one), toPaths(other), FillRule.NonZero));

/** What of the first area is not in the second. */
export const without = (one: Area, other: Area): Point[][] =>
  fromPaths(Clipper.difference(toPaths(one), toPaths(other), FillRule.NonZero));

/** An area grown by so much on every side, mm; shrunk below zero. */
export const grown = (area: Area, mm: number): Point[][] =>
  fromPaths(Clipper.inflatePaths(toPaths(area), mm * STEPS_PER_MM, JoinType.Miter, EndType.Polygon));

/** The area of an area, mm²: rings less holes. */
export const areaMm2 = (area: Area): number =>
  Math.abs(Clipper.areaPaths(toPaths(area))) / (STEPS_PER_MM * STEPS_PER_MM);

/** All its edges, mm, those of its holes too. */
export const edgeMm = (area: Area): number => area.reduce((sum, ring) => sum + ringMm(ring), 0);

/** Two edges this near to each other are the same edge, mm. */
const SAME_EDGE_MM = 0.02;

/** How much of the edge of one area runs along the edge or through the inside of another, mm. */
export function sharedEdgeMm(one: Area, other: Area): number {
  if (one.length === 0 || other.length === 0) return 0;
  const clipper = new Clipper64();
  clipper.addOpenSubject(toPaths(one.map((ring) => [...ring, ring[0]!])));
  clipper.addClip(toPaths(grown(other, SAME_EDGE_MM)));
  const closed: Paths64 = [];
  const open: Paths64 = [];
  clipper.execute(ClipType.Intersection, FillRule.NonZero, closed, open);
  // A corner that only touches leaves a crumb of twice the tolerance.
  return fromPaths(open).reduce((sum, line) => {
    const mm = lineMm(line);
    return sum + (mm > 8 * SAME_EDGE_MM ? mm : 0);
  }, 0);
}

/** Fewer points on the same ring, none of them off by more than so much, mm. */
export const simplified = (ring: Ring, mm: number): Point[] =>
  fromPath(Clipper.simplifyPath(toPath(ring), mm * STEPS_PER_MM, true));

/**
 * A ring as the outlines of all that it goes round, holes left aside: itself, or for one that crosses itself each of its loops.
 * @returns whether it crosses itself, and its loops, the largest first
 */
export function uncrossed(ring: Ring): { crosses: boolean; loops: Point[][] } {
  const around = fromPaths(Clipper.union([toPath(ring)], FillRule.NonZero));
  const own = Math.abs(Clipper.area(toPath(ring)));
  const loops = around
    .filter((loop) => around.length === 1 || Clipper.area(toPath(loop)) > 0)
    .sort((a, b) => Clipper.area(toPath(b)) - Clipper.area(toPath(a)));
  const all = Math.abs(Clipper.areaPaths(toPaths(around)));
  const { left, top, right, bottom } = boundsOf([ring]);
  const size = (right - left) * (bottom - top) * STEPS_PER_MM * STEPS_PER_MM;
  // Rounding moves points by less than this share.
  return { crosses: Math.abs(all - own) > size * 1e-5 || loops.length > 1, loops };
}
