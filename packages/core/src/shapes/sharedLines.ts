import {
  boundsOf,
  distanceMm,
  isInside,
  lineMm,
  ringAreaCm2,
  type Line,
  type Point,
  type Ring,
} from './rings';

/** Where a place lies on a ring: how far round from its first point, mm, and how far off it, mm. */
interface OnRing {
  along: number;
  off: number;
}

function onRing([x, y]: Point, ring: Ring): OnRing {
  let best: OnRing = { along: 0, off: Infinity };
  let passed = 0;
  for (let at = 0; at < ring.length; at += 1) {
    const [ax, ay] = ring[at]!;
    const [bx, by] = ring[(at + 1) % ring.length]!;
    const [dx, dy] = [bx - ax, by - ay];
    const squared = dx * dx + dy * dy;
    const share = squared === 0 ? 0 : Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / squared));
    const off = Math.hypot(ax + share * dx - x, ay + share * dy - y);
    const long = Math.sqrt(squared);
    if (off < best.off) best = { along: passed + share * long, off };
    passed += long;
  }
  return best;
}

/** The stretch of a ring from one place on it to another, the way its points run, without those places themselves. */
function stretch(ring: Ring, from: number, to: number): Point[] {
  const places: { point: Point; along: number }[] = [];
  let passed = 0;
  for (let at = 0; at < ring.length; at += 1) {
    places.push({ point: ring[at]!, along: passed });
    passed += distanceMm(ring[at]!, ring[(at + 1) % ring.length]!);
  }
  const whole = passed;
  const ahead = (along: number) => (along - from + whole) % whole;
  return places
    .filter(({ along }) => ahead(along) > 1e-6 && ahead(along) < ahead(to) - 1e-6)
    .sort((a, b) => ahead(a.along) - ahead(b.along))
    .map(({ point }) => point);
}

/** Whether both ends of a line lie on a ring, no further off than so much, mm. */
const endsOn = (line: Line, ring: Ring, gapMm: number): [OnRing, OnRing] | undefined => {
  const { left, top, right, bottom } = boundsOf([ring]);
  const ends = [line[0]!, line[line.length - 1]!];
  if (ends.some(([x, y]) => x < left - gapMm || x > right + gapMm || y < top - gapMm || y > bottom + gapMm))
    return undefined;
  const [from, to] = ends.map((end) => onRing(end, ring)) as [OnRing, OnRing];
  return from.off <= gapMm && to.off <= gapMm ? [from, to] : undefined;
};

/** Whether a line goes right across what is in a ring: from its edge to its edge. */
export const goesAcross = (line: Line, ring: Ring, gapMm: number): boolean =>
  line.length > 1 && endsOn(line, ring, gapMm) !== undefined;

/** A line shorter than this is no outline that shares a side with another, mm. */
const LEAST_MM = 20;

/**
 * The outline that an open line makes with the side of a neighbour that both its ends stand on: two parts that were laid beside each other, so that
 * one cut makes both. Undefined where it makes none, or lies in what it stands on.
 */
export function closedAlong(line: Line, neighbour: Ring, gapMm: number): Point[] | undefined {
  if (line.length < 3 || lineMm(line) < LEAST_MM) return undefined;
  const ends = endsOn(line, neighbour, gapMm);
  if (!ends) return undefined;
  const [from, to] = ends;
  const ways = [
    [...line, ...stretch(neighbour, to.along, from.along)],
    [...line, ...stretch(neighbour, from.along, to.along).reverse()],
  ];
  // The other way round it goes round its neighbour, too.
  const [ring] = ways.sort((a, b) => ringAreaCm2(a) - ringAreaCm2(b));
  const middle = line[Math.floor(line.length / 2)]!;
  return ring && ring.length > 2 && !isInside(middle, neighbour) ? ring : undefined;
}
