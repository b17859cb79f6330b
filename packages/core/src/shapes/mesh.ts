import { tightest } from './meshCurve';
import {
  cosBetween,
  edgeLength,
  edgesOf,
  Groups,
  MeshFault,
  SHARP_COS,
  welded,
  type Edges,
  type Mesh,
  type MeshPart,
} from './meshWeld';

/** What one part of a mesh comes to on the outside of the piece. */
export interface MeshZone {
  name: string;
  areaCm2: number;
  /** Of the outer face, 0 to 1. */
  share: number;
  edgeMm: number;
  /** Where it meets other parts, by their place in the list, mm. */
  borders: { part: number; mm: number }[];
}

/** What a mesh comes to as a piece. */
export interface MeshFigures {
  triangles: number;
  /** The outer face: of a shell with a thickness its larger side, of anything else all of it. */
  outerCm2: number;
  innerCm2: number | undefined;
  /** The cut edges between the two sides of a shell. */
  rimCm2: number;
  thicknessMm: number | undefined;
  /** `shell`: two sides with a rim; `solid`: closed and thick; `sheet`: open, without a thickness. */
  kind: 'shell' | 'solid' | 'sheet';
  /** Along x, y and z. */
  sizeMm: readonly [number, number, number];
  zones: MeshZone[];
  /** The tightest curve of the outer face but for its sharp corners; undefined where it is flat. */
  tightestMm: number | undefined;
  /** Triangles of the outer face, by their place among all. */
  isOuter: Uint8Array;
}

/** Two sides of a shell are together so much of it, and the smaller is so much of the larger. */
const SIDES_SHARE = 0.6;
const SMALLER_SIDE = 0.5;
/** A shell is thinner than this against the side of a square as large as its face. */
const THIN_SHARE = 0.25;

/**
 * Measures a mesh: its outer face, and of a shell its inner face, rim and thickness (docs/domain.md, "From drawings to areas").
 * @param mmPerUnit what one unit of the file is
 * @throws MeshFault where there is nothing to measure
 */
export function meshFigures(parts: readonly MeshPart[], mmPerUnit: number): MeshFigures {
  const mesh = welded(parts, mmPerUnit);
  if (mesh.count === 0)
    throw new MeshFault('There are no faces in this file: export the surface, not only its lines.');
  const edges = edgesOf(mesh);
  const sides = sidesOf(mesh, edges);
  const outer = sum(mesh.area, (at) => sides.isOuter[at] === 1);
  const outerMm2 = outer * sides.outerShare;
  return {
    triangles: mesh.count,
    outerCm2: outerMm2 / 100,
    innerCm2: sides.innerMm2 === undefined ? undefined : sides.innerMm2 / 100,
    rimCm2: sides.rimMm2 / 100,
    thicknessMm: sides.thicknessMm,
    kind: sides.kind,
    sizeMm: mesh.size,
    zones: zonesOf(parts, mesh, edges, sides, outer),
    tightestMm: tightest(mesh, edges, sides),
    isOuter: sides.isOuter,
  };
}

const sum = (values: Float64Array, counts: (at: number) => boolean): number => {
  let total = 0;
  for (let at = 0; at < values.length; at += 1) if (counts(at)) total += values[at]!;
  return total;
};

interface Sides {
  /** The smooth face that each triangle is of. */
  faces: Groups;
  kind: MeshFigures['kind'];
  isOuter: Uint8Array;
  /** Of what is marked as outer, how much is: half, where the two sides can't be told apart. */
  outerShare: number;
  innerMm2: number | undefined;
  rimMm2: number;
  thicknessMm: number | undefined;
}

/**
 * Which triangles are the outside. A closed body whose two largest smooth faces are much the same and lie close is a shell: the larger is
 * its outside, what is left its rim. A body turned inside out is the hollow of another.
 */
function sidesOf(mesh: Mesh, edges: Edges): Sides {
  const { count, area } = mesh;
  const bodies = new Groups(count);
  const faces = new Groups(count);
  const isOpen = new Uint8Array(count);
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    if (other < 0) {
      isOpen[one] = 1;
      continue;
    }
    bodies.join(one, other);
    if (cosBetween(mesh, one, other) > SHARP_COS) faces.join(one, other);
  }
  const own = new Map<number, { open: boolean; volume: number; area: number; faces: Map<number, number> }>();
  for (let at = 0; at < count; at += 1) {
    const key = bodies.of(at);
    const body = own.get(key) ?? { open: false, volume: 0, area: 0, faces: new Map<number, number>() };
    own.set(key, body);
    body.open ||= isOpen[at] === 1;
    body.volume += signedVolume(mesh, at);
    body.area += area[at]!;
    const face = faces.of(at);
    body.faces.set(face, (body.faces.get(face) ?? 0) + area[at]!);
  }
  const isOuter = new Uint8Array(count);
  let [innerMm2, rimMm2, sideMm2, shellMm3, halves] = [0, 0, 0, 0, 0];
  const roles = new Map<number, { outer: number | 'all'; half: boolean }>();
  let [shells, solids, sheets] = [0, 0, 0];
  for (const [key, body] of own) {
    if (body.open) {
      sheets += body.area;
      roles.set(key, { outer: 'all', half: false });
      continue;
    }
    const volume = body.volume;
    if (volume < 0 && own.size > 1) {
      // The hollow of a body.
      innerMm2 += body.area;
      shellMm3 += volume;
      sideMm2 += body.area;
      continue;
    }
    const [first = [0, 0], second = [0, 0]] = [...body.faces].sort((a, b) => b[1] - a[1]);
    const [large, small] = [first[1], second[1]];
    const size = Math.abs(volume);
    const thin = (2 * size) / (large + small) < THIN_SHARE * Math.sqrt(large);
    if (thin && large + small >= SIDES_SHARE * body.area && small >= SMALLER_SIDE * large) {
      shells += body.area;
      innerMm2 += small;
      rimMm2 += body.area - large - small;
      sideMm2 += large + small;
      shellMm3 += size;
      roles.set(key, { outer: first[0], half: false });
    } else if ((2 * size) / body.area < (THIN_SHARE / 2) * Math.sqrt(body.area / 2)) {
      // Thin all round, with a rim that is rounded: half of it is the outside.
      shells += body.area;
      innerMm2 += body.area / 2;
      sideMm2 += body.area;
      shellMm3 += size;
      halves += body.area;
      roles.set(key, { outer: 'all', half: true });
    } else {
      solids += body.area;
      sideMm2 += body.area;
      shellMm3 += size;
      roles.set(key, { outer: 'all', half: false });
    }
  }
  for (let at = 0; at < count; at += 1) {
    const role = roles.get(bodies.of(at));
    if (role && (role.outer === 'all' || faces.of(at) === role.outer)) isOuter[at] = 1;
  }
  const marked = sum(area, (at) => isOuter[at] === 1);
  const isShell = shells > 0 || innerMm2 > 0;
  const isMostlySheet = sheets > shells + solids;
  return {
    faces,
    kind: isMostlySheet ? 'sheet' : isShell ? 'shell' : 'solid',
    isOuter,
    outerShare: marked > 0 ? (marked - halves / 2) / marked : 1,
    innerMm2: isShell ? innerMm2 : undefined,
    rimMm2,
    thicknessMm: isShell && sideMm2 > 0 ? (2 * Math.abs(shellMm3)) / sideMm2 : undefined,
  };
}

/** The tetrahedron of a triangle and nought, mm³: over a closed body they add up to what is in it. */
function signedVolume({ corners, places }: Mesh, at: number): number {
  const [a, b, c] = [corners[at * 3]! * 3, corners[at * 3 + 1]! * 3, corners[at * 3 + 2]! * 3];
  const [ax, ay, az] = [places[a]!, places[a + 1]!, places[a + 2]!];
  const [bx, by, bz] = [places[b]!, places[b + 1]!, places[b + 2]!];
  const [cx, cy, cz] = [places[c]!, places[c + 1]!, places[c + 2]!];
  return (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
}

function zonesOf(
  parts: readonly MeshPart[],
  mesh: Mesh,
  edges: Edges,
  sides: Sides,
  outerMm2: number,
): MeshZone[] {
  const areas = parts.map(() => 0);
  for (let at = 0; at < mesh.count; at += 1) if (sides.isOuter[at]) areas[mesh.part[at]!]! += mesh.area[at]!;
  const edgesMm = parts.map(() => 0);
  const borders = parts.map(() => new Map<number, number>());
  const isOuter = (at: number) => at >= 0 && sides.isOuter[at] === 1;
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    const [a, b] = [isOuter(one) ? mesh.part[one]! : -1, isOuter(other) ? mesh.part[other]! : -1];
    if (a === b) continue;
    const mm = edgeLength(mesh, edges, edge) * sides.outerShare;
    for (const [own, next] of [
      [a, b],
      [b, a],
    ] as const) {
      if (own < 0) continue;
      edgesMm[own]! += mm;
      if (next >= 0) borders[own]!.set(next, (borders[own]!.get(next) ?? 0) + mm);
    }
  }
  return parts.map(({ name }, at) => ({
    name,
    areaCm2: (areas[at]! * sides.outerShare) / 100,
    share: outerMm2 > 0 ? areas[at]! / outerMm2 : 0,
    edgeMm: edgesMm[at]!,
    borders: [...borders[at]!].map(([part, mm]) => ({ part, mm })),
  }));
}

/** Units a mesh may be in, the likeliest first, with what one is in mm. */
export const meshUnits = [
  { id: 'mm', word: 'millimetres', mm: 1 },
  { id: 'cm', word: 'centimetres', mm: 10 },
  { id: 'inch', word: 'inches', mm: 25.4 },
  { id: 'm', word: 'metres', mm: 1000 },
] as const;
export type MeshUnit = (typeof meshUnits)[number]['id'];

/** Costume pieces are larger than a button and no larger than a tall person with a spear, mm. */
const LEAST_MM = 15;
const MOST_MM = 2_500;

/** The unit that makes a mesh as large as costume pieces are: millimetres, if they do. */
export function likelyMeshUnit(largest: number): MeshUnit | undefined {
  return meshUnits.find(({ mm }) => largest * mm >= LEAST_MM && largest * mm <= MOST_MM)?.id;
}
