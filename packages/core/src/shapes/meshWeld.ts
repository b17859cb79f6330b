/** A part of a mesh, by group or material: three corners of a triangle after the other, x, y, z. */
export interface MeshPart {
  name: string;
  positions: Float32Array;
}

/** A mesh that can't be measured, with what to do about it. */
export class MeshFault extends Error {}

/** More faces than a costume piece ever needs. */
export const MOST_TRIANGLES = 2_000_000;

/** Two faces that meet at more than this are two sides of an edge, not one bent face. */
export const SHARP_COS = Math.cos((50 * Math.PI) / 180);

/** A mesh whose corners at one place are one corner. */
export interface Mesh {
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
export function welded(parts: readonly MeshPart[], mmPerUnit: number): Mesh {
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
export class Corners {
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
export interface Edges {
  ends: Uint32Array;
  left: Int32Array;
  right: Int32Array;
  count: number;
}

export function edgesOf({ count, corners }: Mesh): Edges {
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
export class Groups {
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

/** How far two faces turn against each other: the cosine between their normals. */
export const cosBetween = ({ normal }: Mesh, one: number, other: number): number =>
  normal[one * 3]! * normal[other * 3]! +
  normal[one * 3 + 1]! * normal[other * 3 + 1]! +
  normal[one * 3 + 2]! * normal[other * 3 + 2]!;

/** How long an edge is, mm. */
export const edgeLength = ({ places }: Mesh, { ends }: Edges, edge: number): number => {
  const [one, other] = [ends[edge * 2]! * 3, ends[edge * 2 + 1]! * 3];
  return Math.hypot(
    places[one]! - places[other]!,
    places[one + 1]! - places[other + 1]!,
    places[one + 2]! - places[other + 2]!,
  );
};
