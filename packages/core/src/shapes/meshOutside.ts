import type { Bodies, Body } from './meshBodies';
import { cosBetween, edgeLength, type Edges } from './meshEdges';
import type { Mesh } from './meshWeld';

/** What of a body is finished: the outer side of a shell, the side that shows, or all round. */
export const meshCounts = ['outside', 'one-side', 'all-round'] as const;
export type MeshCount = (typeof meshCounts)[number];
/** `shell`: two sides with a rim; `solid`: closed, and finished all round or from one side; `sheet`: open, without a thickness. */
export type MeshKind = 'shell' | 'solid' | 'sheet';

/** One way of counting what is finished of a mesh. */
export interface Outside {
  count: MeshCount;
  kind: MeshKind;
  /** By the place of each triangle in the mesh. */
  isOuter: Uint8Array;
  /** Of what is marked, how much counts: half, where two sides can't be told apart. */
  outerShare: number;
  areaMm2: number;
  innerMm2: number | undefined;
  rimMm2: number;
  thicknessMm: number | undefined;
}

/** Two sides of a shell are together so much of it, and the smaller is so much of the larger. */
const SIDES_SHARE = 0.6;
const SMALLER_SIDE = 0.5;
/** A shell is thinner than this against the side of a square as large as its face. */
const THIN_SHARE = 0.25;
/** A rim that leans towards one side by more than this against the other (cosines at its two edges) is a bevel of that side. */
const LEANS = 0.3;
/** A face of the rim that looks the way the front does by more than this belongs to it. */
const FACES_FRONT = 0.25;
/** With less of a rim than this share of its thickness all the way round, a body has none: it runs out to an edge. */
const RIM_SHARE = 0.3;
/** A body without a rim whose mean thickness is within these shares of how far it reaches is lens-shaped: a blade. A plate with rounded edges fills more of that, a bent shell less. */
const LENS = { least: 0.3, most: 0.85 };
/** Longer than so many times its width it is something that is held, and seen all round. */
const LONG = 4;
/** A face that turns away from a side by more than this (a cosine) is an edge of it, and not the side. */
const LOOKS_AT = 0.01;

/** How one closed body lies between its two sides. */
interface Thin {
  front: number;
  back: number;
  /** Faces of its rim that belong to the front. */
  bevels: Set<number>;
  frontMm2: number;
  backMm2: number;
  hasRim: boolean;
}

/**
 * What of a mesh can be meant, and what is likeliest. Of a thin body that is the outer side, one side or all round: a sheet of foam and a blade
 * look the same to a file. What is thick counts all round or from one side. Hollows never count.
 */
export function outsideOf(
  mesh: Mesh,
  edges: Edges,
  bodies: Bodies,
): { ways: Outside[]; likeliest: MeshCount } {
  const closed = [...bodies.bodies].filter(([, body]) => !body.isOpen && body.depth % 2 === 0);
  const open = [...bodies.bodies].filter(([, body]) => body.isOpen);
  const hollows = [...bodies.bodies].filter(([, body]) => !body.isOpen && body.depth % 2 === 1);
  const sum = (list: readonly [number, Body][]) => list.reduce((all, [, { areaMm2 }]) => all + areaMm2, 0);
  const facing = principalNormal(mesh);
  const rims = rimsOf(mesh, edges, bodies);
  const thin = new Map<number, Thin | 'round'>();
  for (const [key, body] of closed) {
    const how = thinness(body, rims);
    if (how) thin.set(key, how);
  }
  const outside = countOutside(mesh, bodies, thin, hollows);
  const ways: Outside[] = [{ ...outside, kind: sum(open) > sum(closed) ? 'sheet' : outside.kind }];
  const isMostlySheet = ways[0]!.kind === 'sheet';
  if (hollows.length === 0 && (closed.length > 0 || open.length > 1)) {
    const kind = isMostlySheet ? 'sheet' : 'solid';
    const all = Uint8Array.from({ length: mesh.count }, () => 1);
    const one = oneSide(mesh, facing);
    for (const [count, isOuter] of [
      ['one-side', one],
      ['all-round', all],
    ] as const) {
      const areaMm2 = areaOf(mesh, isOuter);
      ways.push({
        count,
        kind,
        isOuter,
        outerShare: 1,
        areaMm2,
        innerMm2: undefined,
        rimMm2: 0,
        thicknessMm: undefined,
      });
    }
  }
  // What counts whole anyhow is all round, and asks for no third way.
  const isWhole = thin.size === 0 && hollows.length === 0 && closed.length > 0 && !isMostlySheet;
  const likeliest = isWhole || isHeld(mesh, closed, thin, facing) ? 'all-round' : 'outside';
  // Of a flat thing its outer side is one side: a sheet has a face, and a blade has a side.
  const same = isWhole || sameArea(ways, 'outside', 'one-side');
  const left = likeliest === 'all-round' ? 'outside' : 'one-side';
  return { ways: same ? ways.filter(({ count }) => count !== left) : ways, likeliest };
}

/** Two ways that differ by less than this share come to the same. */
const SAME_SHARE = 0.01;
function sameArea(ways: readonly Outside[], one: MeshCount, other: MeshCount): boolean {
  const [a, b] = [one, other].map((count) => ways.find((way) => way.count === count)?.areaMm2);
  return a !== undefined && b !== undefined && Math.abs(a - b) <= SAME_SHARE * Math.max(a, b);
}

const areaOf = ({ area }: Mesh, counts: Uint8Array): number => {
  let total = 0;
  for (let at = 0; at < area.length; at += 1) if (counts[at]) total += area[at]!;
  return total;
};

function countOutside(
  mesh: Mesh,
  { bodies, bodyOf, faceOf }: Bodies,
  thin: ReadonlyMap<number, Thin | 'round'>,
  hollows: readonly [number, Body][],
): Outside {
  let [innerMm2, rimMm2, sideMm2, shellMm3, halves] = [0, 0, 0, 0, 0];
  const isHollow = new Set(hollows.map(([key]) => key));
  for (const [, { areaMm2, volumeMm3 }] of hollows) {
    innerMm2 += areaMm2;
    sideMm2 += areaMm2;
    shellMm3 -= volumeMm3;
  }
  for (const [key, { isOpen, areaMm2, volumeMm3 }] of bodies) {
    if (isOpen || isHollow.has(key)) continue;
    const how = thin.get(key);
    shellMm3 += volumeMm3;
    if (how === undefined || how === 'round') {
      sideMm2 += areaMm2;
      if (how === undefined) continue;
      innerMm2 += areaMm2 / 2;
      halves += areaMm2;
      continue;
    }
    innerMm2 += how.backMm2;
    rimMm2 += areaMm2 - how.frontMm2 - how.backMm2;
    sideMm2 += how.frontMm2 + how.backMm2;
  }
  const isOuter = new Uint8Array(mesh.count);
  for (let at = 0; at < mesh.count; at += 1) {
    const key = bodyOf.of(at);
    const how = thin.get(key);
    if (!bodies.has(key) || isHollow.has(key)) continue;
    const face = faceOf.of(at);
    if (how === undefined || how === 'round' || face === how.front || how.bevels.has(face)) isOuter[at] = 1;
  }
  const marked = areaOf(mesh, isOuter);
  const outerShare = marked > 0 ? (marked - halves / 2) / marked : 1;
  const isShell = innerMm2 > 0;
  return {
    count: 'outside',
    kind: isShell ? 'shell' : 'solid',
    isOuter,
    outerShare,
    areaMm2: marked * outerShare,
    innerMm2: isShell ? innerMm2 : undefined,
    rimMm2,
    thicknessMm: isShell && sideMm2 > 0 ? (2 * Math.abs(shellMm3)) / sideMm2 : undefined,
  };
}

/** How the faces beside each smooth face lean: the cosine to it along the edge between them, and how long that edge is. */
type Rims = Map<number, { edgeMm: number; beside: Map<number, { cos: number; mm: number }> }>;

function rimsOf(mesh: Mesh, edges: Edges, { faceOf }: Bodies): Rims {
  const rims: Rims = new Map();
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    if (other < 0) continue;
    const [a, b] = [faceOf.of(one), faceOf.of(other)];
    if (a === b) continue;
    const mm = edgeLength(mesh, edges, edge);
    const cos = cosBetween(mesh, one, other);
    for (const [own, next] of [
      [a, b],
      [b, a],
    ] as const) {
      const rim = rims.get(own) ?? { edgeMm: 0, beside: new Map<number, { cos: number; mm: number }>() };
      rims.set(own, rim);
      rim.edgeMm += mm;
      const known = rim.beside.get(next) ?? { cos: 0, mm: 0 };
      rim.beside.set(next, { cos: known.cos + cos * mm, mm: known.mm + mm });
    }
  }
  return rims;
}

/** The two sides of a thin body; `round` where it is thin and they run into each other; undefined where it is thick. */
function thinness(body: Body, rims: Rims): Thin | 'round' | undefined {
  const [first = [-1, 0], second = [-1, 0]] = [...body.faces].sort((a, b) => b[1] - a[1]);
  const [large, small] = [first[1], second[1]];
  const isThin = (2 * body.volumeMm3) / (large + small) < THIN_SHARE * Math.sqrt(large);
  if (!isThin || large + small < SIDES_SHARE * body.areaMm2 || small < SMALLER_SIDE * large)
    return (2 * body.volumeMm3) / body.areaMm2 < (THIN_SHARE / 2) * Math.sqrt(body.areaMm2 / 2)
      ? 'round'
      : undefined;
  /** How the rim leans at one side, but for where the two sides meet. */
  const lean = (side: number, other: number) => {
    let [cos, mm] = [0, 0];
    for (const [face, rim] of rims.get(side)?.beside ?? []) {
      if (face === other) continue;
      cos += rim.cos;
      mm += rim.mm;
    }
    return mm > 0 ? cos / mm : 0;
  };
  const isBevelled = lean(second[0], first[0]) - lean(first[0], second[0]) > LEANS;
  const [front, back] = isBevelled ? [second, first] : [first, second];
  const bevels = new Set(
    [...(rims.get(front[0])?.beside ?? [])].flatMap(([face, { cos, mm }]) =>
      face !== back[0] && cos / mm > FACES_FRONT ? [face] : [],
    ),
  );
  const bevelMm2 = [...bevels].reduce((all, face) => all + (body.faces.get(face) ?? 0), 0);
  const frontMm2 = front[1] + bevelMm2;
  const thicknessMm = (2 * body.volumeMm3) / (large + small);
  const rimMm2 = body.areaMm2 - large - small;
  const roundMm = rims.get(front[0])?.edgeMm ?? 0;
  return {
    front: front[0],
    back: back[0],
    bevels,
    frontMm2,
    backMm2: back[1],
    hasRim: rimMm2 > RIM_SHARE * roundMm * thicknessMm,
  };
}

/** Whether a thin body without a rim is rather a blade than a sheet of foam. */
function isHeld(
  mesh: Mesh,
  closed: readonly [number, Body][],
  thin: ReadonlyMap<number, Thin | 'round'>,
  facing: readonly [number, number, number],
): boolean {
  const without = closed.filter(([key]) => {
    const how = thin.get(key);
    return how !== undefined && (how === 'round' || !how.hasRim);
  });
  const most = (list: readonly [number, Body][]) => list.reduce((all, [, { areaMm2 }]) => all + areaMm2, 0);
  if (most(without) * 2 <= most(closed)) return false;
  const [long, wide] = [...mesh.size].sort((a, b) => b - a) as [number, number, number];
  if (long >= LONG * wide) return true;
  const volume = without.reduce((all, [, { volumeMm3 }]) => all + volumeMm3, 0);
  const thicknessMm = (2 * volume) / most(without);
  let [least, furthest] = [Infinity, -Infinity];
  for (let at = 0; at < mesh.count * 3; at += 1) {
    const corner = mesh.corners[at]! * 3;
    const far =
      mesh.places[corner]! * facing[0] +
      mesh.places[corner + 1]! * facing[1] +
      mesh.places[corner + 2]! * facing[2];
    least = Math.min(least, far);
    furthest = Math.max(furthest, far);
  }
  const share = thicknessMm / (furthest - least);
  return share >= LENS.least && share <= LENS.most;
}

/** Rounds of multiplying are enough where one direction is looked along more than the others. */
const ROUNDS = 40;

/** The direction that most of the surface looks along: the first principal axis of the normals, each as heavy as its face. */
function principalNormal({ count, area, normal }: Mesh): [number, number, number] {
  let [xx, xy, xz, yy, yz, zz] = [0, 0, 0, 0, 0, 0];
  for (let at = 0; at < count; at += 1) {
    const [x, y, z, mm2] = [normal[at * 3]!, normal[at * 3 + 1]!, normal[at * 3 + 2]!, area[at]!];
    xx += x * x * mm2;
    xy += x * y * mm2;
    xz += x * z * mm2;
    yy += y * y * mm2;
    yz += y * z * mm2;
    zz += z * z * mm2;
  }
  let axis: [number, number, number] =
    xx >= yy && xx >= zz ? [1, 0.01, 0.02] : yy >= zz ? [0.01, 1, 0.02] : [0.01, 0.02, 1];
  for (let round = 0; round < ROUNDS; round += 1) {
    const [x, y, z] = axis;
    const next = [xx * x + xy * y + xz * z, xy * x + yy * y + yz * z, xz * x + yz * y + zz * z];
    const long = Math.hypot(...next) || 1;
    axis = next.map((value) => value / long) as [number, number, number];
  }
  return axis;
}

/** The faces that look along a direction, or the other way, whichever is more. */
function oneSide({ count, area, normal }: Mesh, [x, y, z]: readonly [number, number, number]): Uint8Array {
  const along = new Uint8Array(count);
  const against = new Uint8Array(count);
  let [mm2Along, mm2Against] = [0, 0];
  for (let at = 0; at < count; at += 1) {
    const cos = normal[at * 3]! * x + normal[at * 3 + 1]! * y + normal[at * 3 + 2]! * z;
    if (cos > LOOKS_AT) {
      along[at] = 1;
      mm2Along += area[at]!;
    } else if (cos < -LOOKS_AT) {
      against[at] = 1;
      mm2Against += area[at]!;
    }
  }
  return mm2Along >= mm2Against ? along : against;
}
