/** A part of a mesh, by group or material: three corners of a triangle after the other, x, y, z. */
export interface MeshPart {
  name: string;
  positions: Float32Array;
}

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

/** A mesh that can't be measured, with what to do about it. */
export class MeshFault extends Error {}

export const MOST_TRIANGLES = 2_000_000;

/** Two faces that meet at more than this are two sides of an edge, not one bent face. */
const SHARP_COS = Math.cos((50 * Math.PI) / 180);
/** Two sides of a shell are together so much of it, and the smaller is so much of the larger. */
const SIDES_SHARE = 0.6;
const SMALLER_SIDE = 0.5;
/** A shell is thinner than this against the side of a square as large as its face. */
const THIN_SHARE = 0.25;
/** The curve that so much of all edges is wider than is called the tightest: a single kink is no curve. */
const TIGHT_SHARE = 0.95;
/** Wider curves than this are flat, against the size of the piece. */
const FLAT_SIZES = 8;

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

interface Mesh {
  count: number;
  /** Three corners a triangle. */
  corners: Uint32Array;
  /** Where each corner is, mm. */
  places: Float64Array;
  part: Uint16Array;
  area: Float64Array;
  /** Unit normals. */
  normal: Float64Array;
  size: readonly [number, number, number];
}

/** Corners that are one place, as one; triangles without an area stay, and weigh nothing. */
function welded(parts: readonly MeshPart[], mmPerUnit: number): Mesh {
  const count = parts.reduce((all, { positions }) => all + Math.floor(positions.length / 9), 0);
  if (count > MOST_TRIANGLES)
    throw new MeshFault(
      `This mesh has ${count.toLocaleString('en')} faces; make it simpler first, to 200,000 or so.`,
    );
  const least = [Infinity, Infinity, Infinity];
  const most = [-Infinity, -Infinity, -Infinity];
  for (const { positions } of parts)
    for (let at = 0; at < positions.length; at += 1) {
      const value = positions[at]!;
      if (!Number.isFinite(value))
        throw new MeshFault('This mesh is damaged: some of its corners have no place.');
      const axis = at % 3;
      if (value < least[axis]!) least[axis] = value;
      if (value > most[axis]!) most[axis] = value;
    }
  const span = count === 0 ? 1 : Math.max(...most.map((value, axis) => value - least[axis]!)) || 1;
  const corners = new Uint32Array(count * 3);
  const places = new Float64Array(count * 9);
  const part = new Uint16Array(count);
  const grid = span / 1_000_000;
  const known = new Corners(count * 3);
  let triangle = 0;
  parts.forEach(({ positions }, own) => {
    for (let at = 0; at + 9 <= positions.length; at += 9) {
      part[triangle] = own;
      for (let corner = 0; corner < 3; corner += 1) {
        const from = at + corner * 3;
        const x = positions[from]! - least[0]!;
        const y = positions[from + 1]! - least[1]!;
        const z = positions[from + 2]! - least[2]!;
        const id = known.idOf(Math.round(x / grid), Math.round(y / grid), Math.round(z / grid));
        corners[triangle * 3 + corner] = id;
        places[id * 3] = x * mmPerUnit;
        places[id * 3 + 1] = y * mmPerUnit;
        places[id * 3 + 2] = z * mmPerUnit;
      }
      triangle += 1;
    }
  });
  const area = new Float64Array(count);
  const normal = new Float64Array(count * 3);
  for (let at = 0; at < count; at += 1) {
    const [a, b, c] = [corners[at * 3]! * 3, corners[at * 3 + 1]! * 3, corners[at * 3 + 2]! * 3];
    const [ux, uy, uz] = [
      places[b]! - places[a]!,
      places[b + 1]! - places[a + 1]!,
      places[b + 2]! - places[a + 2]!,
    ];
    const [vx, vy, vz] = [
      places[c]! - places[a]!,
      places[c + 1]! - places[a + 1]!,
      places[c + 2]! - places[a + 2]!,
    ];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    const long = Math.sqrt(nx * nx + ny * ny + nz * nz);
    area[at] = long / 2;
    if (long > 0) {
      normal[at * 3] = nx / long;
      normal[at * 3 + 1] = ny / long;
      normal[at * 3 + 2] = nz / long;
    }
  }
  const size = [0, 1, 2].map((axis) => (count === 0 ? 0 : (most[axis]! - least[axis]!) * mmPerUnit));
  return { count, corners, places, part, area, normal, size: size as [number, number, number] };
}

/** Numbers for places on a grid, the same place always the same number. */
class Corners {
  private readonly table: Int32Array;
  private readonly mask: number;
  private readonly keys: Int32Array;
  private count = 0;

  constructor(most: number) {
    let size = 1024;
    while (size < most * 2) size *= 2;
    this.table = new Int32Array(size).fill(-1);
    this.mask = size - 1;
    this.keys = new Int32Array(most * 3);
  }

  idOf(x: number, y: number, z: number): number {
    let slot = (Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791)) & this.mask;
    for (;;) {
      const id = this.table[slot]!;
      if (id < 0) break;
      if (this.keys[id * 3] === x && this.keys[id * 3 + 1] === y && this.keys[id * 3 + 2] === z) return id;
      slot = (slot + 1) & this.mask;
    }
    const id = this.count;
    this.count += 1;
    this.table[slot] = id;
    this.keys[id * 3] = x;
    this.keys[id * 3 + 1] = y;
    this.keys[id * 3 + 2] = z;
    return id;
  }
}

/** Edges of a mesh: their two corners, and the triangles on either side; -1 where there is none. */
interface Edges {
  ends: Uint32Array;
  left: Int32Array;
  right: Int32Array;
  count: number;
}

function edgesOf({ count, corners }: Mesh): Edges {
  const most = count * 3;
  const ends = new Uint32Array(most * 2);
  const left = new Int32Array(most).fill(-1);
  const right = new Int32Array(most).fill(-1);
  let size = 1024;
  while (size < most * 2) size *= 2;
  const table = new Int32Array(size).fill(-1);
  let edges = 0;
  for (let triangle = 0; triangle < count; triangle += 1)
    for (let side = 0; side < 3; side += 1) {
      const one = corners[triangle * 3 + side]!;
      const other = corners[triangle * 3 + ((side + 1) % 3)]!;
      const [low, high] = one < other ? [one, other] : [other, one];
      if (low === high) continue;
      let slot = (Math.imul(low, 73856093) ^ Math.imul(high, 19349663)) & (size - 1);
      for (;;) {
        const edge = table[slot]!;
        if (edge < 0) {
          table[slot] = edges;
          ends[edges * 2] = low;
          ends[edges * 2 + 1] = high;
          left[edges] = triangle;
          edges += 1;
          break;
        }
        if (ends[edge * 2] === low && ends[edge * 2 + 1] === high) {
          // A third face at one edge is a flaw of the mesh; the first two count.
          if (right[edge] === -1) right[edge] = triangle;
          break;
        }
        slot = (slot + 1) & (size - 1);
      }
    }
  return { ends, left, right, count: edges };
}

/** Things that belong together, told pair by pair. */
class Groups {
  private readonly parent: Uint32Array;
  constructor(count: number) {
    this.parent = Uint32Array.from({ length: count }, (_, at) => at);
  }
  of(one: number): number {
    let top = one;
    while (this.parent[top] !== top) {
      this.parent[top] = this.parent[this.parent[top]!]!;
      top = this.parent[top]!;
    }
    return top;
  }
  join(one: number, other: number): void {
    const [a, b] = [this.of(one), this.of(other)];
    if (a !== b) this.parent[Math.max(a, b)] = Math.min(a, b);
  }
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

const cosBetween = ({ normal }: Mesh, one: number, other: number): number =>
  normal[one * 3]! * normal[other * 3]! +
  normal[one * 3 + 1]! * normal[other * 3 + 1]! +
  normal[one * 3 + 2]! * normal[other * 3 + 2]!;

/** The tetrahedron of a triangle and nought, mm³: over a closed body they add up to what is in it. */
function signedVolume({ corners, places }: Mesh, at: number): number {
  const [a, b, c] = [corners[at * 3]! * 3, corners[at * 3 + 1]! * 3, corners[at * 3 + 2]! * 3];
  const [ax, ay, az] = [places[a]!, places[a + 1]!, places[a + 2]!];
  const [bx, by, bz] = [places[b]!, places[b + 1]!, places[b + 2]!];
  const [cx, cy, cz] = [places[c]!, places[c + 1]!, places[c + 2]!];
  return (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
}

const edgeLength = ({ places }: Mesh, { ends }: Edges, edge: number): number => {
  const [one, other] = [ends[edge * 2]! * 3, ends[edge * 2 + 1]! * 3];
  return Math.hypot(
    places[one]! - places[other]!,
    places[one + 1]! - places[other + 1]!,
    places[one + 2]! - places[other + 2]!,
  );
};

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

/**
 * The radius of the tightest curve of a face, mm. Along each edge the normals of its ends turn against each other: (n₂−n₁)·(p₂−p₁)/|p₂−p₁|²
 * is the curvature of the surface in that direction. A corner on a sharp edge has a normal for each face that meets there.
 */
function tightest(mesh: Mesh, edges: Edges, { isOuter, faces }: Sides): number | undefined {
  const { count, corners, places, normal } = mesh;
  const known = new Corners(count * 3);
  const slotOf = (corner: number, face: number) => known.idOf(corner, face, 0) * 3;
  const normals = new Float64Array(count * 9);
  for (let at = 0; at < count; at += 1) {
    if (!isOuter[at]) continue;
    const face = faces.of(at);
    const angles = anglesOf(mesh, at);
    for (let corner = 0; corner < 3; corner += 1) {
      const slot = slotOf(corners[at * 3 + corner]!, face);
      for (let axis = 0; axis < 3; axis += 1)
        normals[slot + axis]! += normal[at * 3 + axis]! * angles[corner]!;
    }
  }
  const long = (slot: number) => Math.hypot(normals[slot]!, normals[slot + 1]!, normals[slot + 2]!);
  const curves: { curve: number; mm: number }[] = [];
  let all = 0;
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    if (other < 0 || !isOuter[one] || !isOuter[other] || cosBetween(mesh, one, other) < SHARP_COS) continue;
    const face = faces.of(one);
    const [start, end] = [edges.ends[edge * 2]!, edges.ends[edge * 2 + 1]!];
    const [from, to] = [slotOf(start, face), slotOf(end, face)];
    const [longFrom, longTo] = [long(from), long(to)];
    let [dot, squared] = [0, 0];
    for (let axis = 0; axis < 3; axis += 1) {
      const apart = places[end * 3 + axis]! - places[start * 3 + axis]!;
      dot += (normals[to + axis]! / longTo - normals[from + axis]! / longFrom) * apart;
      squared += apart * apart;
    }
    if (squared === 0 || !Number.isFinite(dot)) continue;
    const mm = Math.sqrt(squared);
    curves.push({ curve: Math.abs(dot) / squared, mm });
    all += mm;
  }
  curves.sort((a, b) => a.curve - b.curve);
  let [passed, curve] = [0, 0];
  for (const one of curves) {
    passed += one.mm;
    curve = one.curve;
    if (passed >= all * TIGHT_SHARE) break;
  }
  return curve > 0 && 1 / curve < FLAT_SIZES * Math.max(...mesh.size) ? 1 / curve : undefined;
}

/** The angles of a triangle at its corners, radians. */
function anglesOf({ corners, places }: Mesh, at: number): [number, number, number] {
  const one = corners[at * 3]! * 3;
  const two = corners[at * 3 + 1]! * 3;
  const three = corners[at * 3 + 2]! * 3;
  const angle = (own: number, next: number, last: number): number => {
    const [ux, vx] = [places[next]! - places[own]!, places[last]! - places[own]!];
    const [uy, vy] = [places[next + 1]! - places[own + 1]!, places[last + 1]! - places[own + 1]!];
    const [uz, vz] = [places[next + 2]! - places[own + 2]!, places[last + 2]! - places[own + 2]!];
    const long = Math.sqrt((ux * ux + uy * uy + uz * uz) * (vx * vx + vy * vy + vz * vz));
    return long > 0 ? Math.acos(Math.max(-1, Math.min(1, (ux * vx + uy * vy + uz * vz) / long))) : 0;
  };
  return [angle(one, two, three), angle(two, three, one), angle(three, one, two)];
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
