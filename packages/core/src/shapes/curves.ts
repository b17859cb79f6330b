import { Bezier } from 'bezier-js';
import bspline from 'b-spline';
import { distanceMm, type Point } from './rings';

/** How far a flattened curve may be from the true one, in units of the file. */
export type Tolerance = number;

/** A curve is never cut into more pieces than this, however fine the tolerance is. */
const MOST_PIECES = 500;

const pieces = (count: number): number => Math.min(MOST_PIECES, Math.max(1, Math.ceil(count)));

/**
 * Points along a quadratic or cubic Bézier curve, without the first. The number of pieces follows from how far its control points are
 * from even: a curve of degree n with second differences up to M is within n(n−1)·M/(8·k²) of k chords (Wang's bound).
 */
export function bezierPoints(controls: readonly Point[], tolerance: Tolerance): Point[] {
  const degree = controls.length - 1;
  let bend = 0;
  for (let at = 2; at <= degree; at += 1) {
    const [ax, ay] = controls[at - 2]!;
    const [bx, by] = controls[at - 1]!;
    const [cx, cy] = controls[at]!;
    bend = Math.max(bend, Math.hypot(ax - 2 * bx + cx, ay - 2 * by + cy));
  }
  const count = pieces(Math.sqrt((degree * (degree - 1) * bend) / (8 * tolerance)));
  return new Bezier(controls.map(([x, y]) => ({ x, y })))
    .getLUT(count)
    .slice(1)
    .map(({ x, y }): Point => [x, y]);
}

/**
 * Points along an arc of an ellipse, its first and last among them. A chord over the angle θ is r(1 − cos θ/2) from its arc.
 * @param major, minor half axes as vectors from the centre
 * @param from, to angles in the frame of the axes, radians; to may be less than from, for the other way round
 */
export function arcPoints(
  [x, y]: Point,
  major: Point,
  minor: Point,
  from: number,
  to: number,
  tolerance: Tolerance,
): Point[] {
  const radius = Math.max(Math.hypot(...major), Math.hypot(...minor));
  const widest = radius > tolerance ? 2 * Math.acos(1 - tolerance / radius) : Math.PI / 2;
  const count = pieces(Math.abs(to - from) / widest);
  return Array.from({ length: count + 1 }, (_, n): Point => {
    const angle = from + ((to - from) * n) / count;
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    return [x + cos * major[0] + sin * minor[0], y + cos * major[1] + sin * minor[1]];
  });
}

/** Points along a whole circle or ellipse that stands straight, each once. */
export const ellipseRing = (centre: Point, across: number, down: number, tolerance: Tolerance): Point[] =>
  arcPoints(centre, [across, 0], [0, down], 0, 2 * Math.PI, tolerance).slice(0, -1);

/**
 * Points along an arc that bulges out from a chord, without its first: the bulge is the tangent of a quarter of its angle, above zero
 * where it runs against the clock in a frame whose y goes up.
 */
export function bulgePoints(start: Point, end: Point, bulge: number, tolerance: Tolerance): Point[] {
  const chord = distanceMm(start, end);
  if (bulge === 0 || chord === 0) return [end];
  const angle = 4 * Math.atan(bulge);
  const radius = chord / (2 * Math.sin(angle / 2));
  const rise = radius * Math.cos(angle / 2);
  const [dx, dy] = [(end[0] - start[0]) / chord, (end[1] - start[1]) / chord];
  const centre: Point = [(start[0] + end[0]) / 2 - dy * rise, (start[1] + end[1]) / 2 + dx * rise];
  const from = Math.atan2(start[1] - centre[1], start[0] - centre[0]);
  const size = Math.abs(radius);
  return arcPoints(centre, [size, 0], [0, size], from, from + angle, tolerance).slice(1);
}

/** Pieces for each stretch between two knots of a spline. */
const PIECES_A_KNOT = 24;
/** Rounds after which the slopes of a curve through points are as exact as numbers are. */
const ROUNDS = 60;

/**
 * Points along a B-spline, with weights a rational one, its first and last among them. Even in its parameter, which for the curves of drawing programs is fine
 * enough; undefined where knots and points do not fit each other.
 */
export function splinePoints(
  controls: readonly Point[],
  degree: number,
  knots: readonly number[] | undefined,
  weights?: readonly number[],
): Point[] | undefined {
  if (degree < 1 || controls.length <= degree) return undefined;
  if (knots && knots.length !== controls.length + degree + 1) return undefined;
  if (weights && weights.length !== controls.length) return undefined;
  const own = controls.map(([x, y]) => [x, y]);
  const count = Math.min(4000, (controls.length - degree) * PIECES_A_KNOT);
  return Array.from({ length: count + 1 }, (_, n): Point => {
    const [x = 0, y = 0] = bspline(n / count, degree, own, knots, weights);
    return [x, y];
  });
}

/**
 * Points along the smoothest curve through some points: a cubic spline, C², over the length of its chords (natural at its ends, or closed). Its slopes
 * m solve hₖ·mₖ₋₁ + 2(hₖ₋₁ + hₖ)·mₖ + hₖ₋₁·mₖ₊₁ = 3(hₖ·dₖ₋₁ + hₖ₋₁·dₖ), with h the chords and d the slopes along them; each stretch is a Bézier
 * with its controls a third of the chord along those.
 */
export function throughPoints(points: readonly Point[], isClosed: boolean, tolerance: Tolerance): Point[] {
  const own = points.filter((point, at) => at === 0 || distanceMm(point, points[at - 1]!) > 0);
  if (isClosed && own.length > 1 && distanceMm(own[0]!, own[own.length - 1]!) === 0) own.pop();
  const count = own.length;
  if (count < 3) return [...own];
  const at = (n: number): Point => own[(n + count) % count]!;
  const chord = (n: number) => distanceMm(at(n), at(n + 1));
  const slopes = ([0, 1] as const).map((axis) => {
    const along = (n: number) => (at(n + 1)[axis] - at(n)[axis]) / chord(n);
    // Gauss and Seidel's rounds: the middle of each row is twice the rest of it, so that every round halves what is off.
    const found = own.map((_, n) => (n < count - 1 || isClosed ? along(n) : along(n - 1)));
    for (let round = 0; round < ROUNDS; round += 1)
      for (let n = 0; n < count; n += 1) {
        if (!isClosed && n === 0) found[0] = (3 * along(0) - found[1]!) / 2;
        else if (!isClosed && n === count - 1) found[n] = (3 * along(n - 1) - found[n - 1]!) / 2;
        else {
          const [before, next] = [chord(n - 1), chord(n)];
          const sides = next * found[(n - 1 + count) % count]! + before * found[(n + 1) % count]!;
          found[n] = (3 * (next * along(n - 1) + before * along(n)) - sides) / (2 * (before + next));
        }
      }
    return found;
  });
  const slope = (n: number): Point => [slopes[0]![n % count]!, slopes[1]![n % count]!];
  const stretches = isClosed ? count : count - 1;
  const line: Point[] = [at(0)];
  for (let n = 0; n < stretches; n += 1) {
    const third = chord(n) / 3;
    const [from, to, out, on] = [at(n), at(n + 1), slope(n), slope(n + 1)];
    const controls: Point[] = [
      from,
      [from[0] + out[0] * third, from[1] + out[1] * third],
      [to[0] - on[0] * third, to[1] - on[1] * third],
      to,
    ];
    line.push(...bezierPoints(controls, tolerance));
  }
  if (isClosed) line.pop();
  return line;
}

/** A point of an outline that is drawn by hand; the line goes round a curve point smoothly, and turns at a corner. */
export interface HandPoint {
  x: number;
  y: number;
  curve?: boolean | undefined;
}

/**
 * The ring through points set by hand. Between two corners it is straight; at a curve point it runs along the line between its two
 * neighbours (a Catmull-Rom spline, each stretch as a cubic with its controls a third of the way along the tangents).
 */
export function handRing(points: readonly HandPoint[], tolerance: Tolerance): Point[] {
  const count = points.length;
  return points.flatMap((from, at) => {
    const to = points[(at + 1) % count]!;
    if (!from.curve && !to.curve) return [[to.x, to.y] as Point];
    const tangent = (n: number): Point => {
      const here = points[(n + count) % count]!;
      const before = points[(n - 1 + count) % count]!;
      const next = points[(n + 1) % count]!;
      return here.curve ? [(next.x - before.x) / 2, (next.y - before.y) / 2] : [0, 0];
    };
    const [start, end] = [tangent(at), tangent(at + 1)];
    return bezierPoints(
      [
        [from.x, from.y],
        [from.x + start[0] / 3, from.y + start[1] / 3],
        [to.x - end[0] / 3, to.y - end[1] / 3],
        [to.x, to.y],
      ],
      tolerance,
    );
  });
}
