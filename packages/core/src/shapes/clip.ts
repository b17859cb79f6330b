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
import Flatbush from 'flatbush';
import { boundsOf, ringMm, type Bounds, type Line, type Point, type Ring } from './rings';

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

/**
 * An area grown by so much on every side, mm; shrunk below zero.
 * @param sharpest corners are kept up to so many times as far out as the side is, and cut off beyond
 */
export const grown = (area: Area, mm: number, sharpest = 2): Point[][] =>
  fromPaths(
    Clipper.inflatePaths(toPaths(area), mm * STEPS_PER_MM, JoinType.Miter, EndType.Polygon, sharpest),
  );

/** Lines as strips so wide, mm, with ends cut off straight. */
export const strips = (lines: readonly Line[], mm: number): Point[][] =>
  fromPaths(Clipper.inflatePaths(toPaths(lines), (mm * STEPS_PER_MM) / 2, JoinType.Miter, EndType.Square));

/** The area of an area, mm²: rings less holes. */
export const areaMm2 = (area: Area): number =>
  Math.abs(Clipper.areaPaths(toPaths(area))) / (STEPS_PER_MM * STEPS_PER_MM);

/** All its edges, mm, those of its holes too. */
export const edgeMm = (area: Area): number => area.reduce((sum, ring) => sum + ringMm(ring), 0);

/** Two edges this near to each other are the same edge, mm. */
const SAME_EDGE_MM = 0.02;

/**
 * How much of the edges of one area runs along edges of another, mm. Both come from one area that was parted, so that what they share differs
 * by rounding alone.
 */
export function sharedEdgeMm(one: Area, other: Area): number {
  const there = stretchesOf(other);
  if (one.length === 0 || there.length === 0) return 0;
  const index = new Flatbush(there.length);
  for (const [ax, ay, bx, by] of there)
    index.add(Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by));
  index.finish();
  let sum = 0;
  for (const own of stretchesOf(one)) {
    const [ax, ay, bx, by] = own;
    const near = index.search(
      Math.min(ax, bx) - SAME_EDGE_MM,
      Math.min(ay, by) - SAME_EDGE_MM,
      Math.max(ax, bx) + SAME_EDGE_MM,
      Math.max(ay, by) + SAME_EDGE_MM,
    );
    for (const at of near) sum += alongMm(own, there[at]!);
  }
  return sum;
}

type Stretch = readonly [ax: number, ay: number, bx: number, by: number];

const stretchesOf = (area: Area): Stretch[] =>
  area.flatMap((ring) =>
    ring.map(([x, y], at): Stretch => {
      const [nextX, nextY] = ring[(at + 1) % ring.length]!;
      return [x, y, nextX, nextY];
    }),
  );

/** How much of one stretch has another lying along it, mm. */
function alongMm([ax, ay, bx, by]: Stretch, [cx, cy, dx, dy]: Stretch): number {
  const long = Math.hypot(bx - ax, by - ay);
  if (long === 0) return 0;
  const [ux, uy] = [(bx - ax) / long, (by - ay) / long];
  const place = (x: number, y: number) => (x - ax) * ux + (y - ay) * uy;
  const off = (x: number, y: number) => (x - ax) * -uy + (y - ay) * ux;
  const [from, to, offFrom, offTo] = [place(cx, cy), place(dx, dy), off(cx, cy), off(dx, dy)];
  const [low, high] = [Math.max(0, Math.min(from, to)), Math.min(long, Math.max(from, to))];
  if (high <= low) return 0;
  // How far off it is at both ends of what they have in common.
  const offAt = (at: number) => offFrom + ((offTo - offFrom) * (at - from)) / (to - from);
  return Math.abs(offAt(low)) <= SAME_EDGE_MM && Math.abs(offAt(high)) <= SAME_EDGE_MM ? high - low : 0;
}

/** What of some lines lies in a box, in as many pieces as that makes. */
export const linesInBox = (lines: readonly Line[], { left, top, right, bottom }: Bounds): Point[][] => {
  const [low, high] = toPath([
    [left, top],
    [right, bottom],
  ]);
  return fromPaths(
    Clipper.rectClipLines({ left: low!.x, top: low!.y, right: high!.x, bottom: high!.y }, toPaths(lines)),
  );
};

/** What of some lines lies in an area, in as many pieces as that makes. */
export function linesInArea(lines: readonly Line[], area: Area): Point[][] {
  const clipper = new Clipper64();
  clipper.addOpenSubject(toPaths(lines));
  clipper.addClip(toPaths(area));
  const closed: Paths64 = [];
  const open: Paths64 = [];
  clipper.execute(ClipType.Intersection, FillRule.NonZero, closed, open);
  return fromPaths(open);
}

/** Fewer points on the same ring, none of them off by more than so much, mm. */
export const simplified = (ring: Ring, mm: number): Point[] =>
  fromPath(Clipper.simplifyPath(toPath(ring), mm * STEPS_PER_MM, true));

/**
 * A ring as the outlines of all that it goes round, holes left aside: itself, or for one that crosses itself each of its loops.
 * @returns whether it crosses itself, and its loops, the largest first
 */
export function uncrossed(ring: Ring): { crosses: boolean; loops: Point[][] } {
  if (isRound(ring)) return { crosses: false, loops: [[...ring]] };
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

/** Whether a ring turns the same way everywhere, and once round: such a one can't cross itself. */
function isRound(ring: Ring): boolean {
  let [turned, sign] = [0, 0];
  for (let at = 0; at < ring.length; at += 1) {
    const [ax, ay] = ring[at]!;
    const [bx, by] = ring[(at + 1) % ring.length]!;
    const [cx, cy] = ring[(at + 2) % ring.length]!;
    const [ux, uy, vx, vy] = [bx - ax, by - ay, cx - bx, cy - by];
    const turn = Math.atan2(ux * vy - uy * vx, ux * vx + uy * vy);
    if (turn !== 0 && sign !== 0 && turn > 0 !== sign > 0) return false;
    if (turn !== 0) sign = turn;
    turned += turn;
  }
  return Math.abs(Math.abs(turned) - 2 * Math.PI) < 0.01;
}
