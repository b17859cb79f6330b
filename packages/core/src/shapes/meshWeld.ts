/** A part of a mesh, by group or material: three corners of a triangle after the other, x, y, z. */
export interface MeshPart {
  name: string;
  positions: Float32Array;
}

/** A mesh that can't be measured, with what to do about it. */
export class MeshFault extends Error {}

/** More faces than a costume piece ever needs. */
export const MOST_TRIANGLES = 2_000_000;

/** Corners nearer to each other than this share of the longest side are one corner. */
export const WELD_SHARE = 1e-5;

/** A mesh whose corners at one place are one corner, with every face in it once. */
export interface Mesh {
  /** How many faces count. */
  count: number;
  /** Three corners a triangle. */
  corners: Uint32Array;
  /** Where each corner is, mm. */
  places: Float64Array;
  part: Uint16Array;
  /** The place of each triangle among all of the file. */
  source: Uint32Array;
  /** mm². */
  area: Float64Array;
  /** Unit normals. */
  normal: Float64Array;
  /** Faces that were drawn a second time, and are left out. */
  doubles: number;
  /** How many faces the file has. */
  read: number;
  /** Along x, y and z, mm. */
  size: readonly [number, number, number];
}

/**
 * Corners that lie as near to each other as rounding puts them become one. What then has no three corners any more is no face, and of faces on
 * the same three corners one counts, whichever way round it goes.
 * @throws MeshFault for a place that is no number, and for more faces than can be measured
 */
export function welded(parts: readonly MeshPart[], mmPerUnit: number): Mesh {
  const read = parts.reduce((all, { positions }) => all + Math.floor(positions.length / 9), 0);
  if (read > MOST_TRIANGLES)
    throw new MeshFault(
      `This mesh has ${read.toLocaleString('en')} faces; make it simpler first, to 200,000 or so.`,
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
  const size = [0, 1, 2].map((axis) => (read === 0 ? 0 : (most[axis]! - least[axis]!) * mmPerUnit));
  const corners = new Uint32Array(read * 3);
  const part = new Uint16Array(read);
  const source = new Uint32Array(read);
  const known = new NearCorners(read * 3, (Math.max(...size) || 1) * WELD_SHARE);
  const faces = new NumberTriples(read);
  const [left, front, bottom] = least as [number, number, number];
  const idAt = (positions: Float32Array, from: number): number =>
    known.idOf(
      (positions[from]! - left) * mmPerUnit,
      (positions[from + 1]! - front) * mmPerUnit,
      (positions[from + 2]! - bottom) * mmPerUnit,
    );
  let [count, doubles, triangle] = [0, 0, 0];
  parts.forEach(({ positions }, own) => {
    for (let at = 0; at + 9 <= positions.length; at += 9, triangle += 1) {
      const a = idAt(positions, at);
      const b = idAt(positions, at + 3);
      const c = idAt(positions, at + 6);
      if (a === b || b === c || c === a) continue;
      const [low, high] = [Math.min(a, b, c), Math.max(a, b, c)];
      const face = faces.count;
      if (faces.idOf(low, a + b + c - low - high, high) < face) {
        doubles += 1;
        continue;
      }
      corners[count * 3] = a;
      corners[count * 3 + 1] = b;
      corners[count * 3 + 2] = c;
      part[count] = own;
      source[count] = triangle;
      count += 1;
    }
  });
  const places = known.places;
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
  return {
    count,
    corners,
    places,
    part,
    source,
    area,
    normal,
    doubles,
    read,
    size: size as [number, number, number],
  };
}

/** Slots of a hash table for so many entries, at most half full. */
const slotsFor = (most: number): number => {
  let size = 1024;
  while (size < most * 2) size *= 2;
  return size;
};
const hashOf = (x: number, y: number, z: number): number =>
  Math.imul(x, 73856093) ^ Math.imul(y, 19349663) ^ Math.imul(z, 83492791);

/**
 * Numbers for places, the same number for places within a distance of each other. Cells are four distances wide, so that most places have to
 * be looked for in one cell only.
 */
class NearCorners {
  readonly places: Float64Array;
  private readonly heads: Int32Array;
  private readonly next: Int32Array;
  private count = 0;

  constructor(
    most: number,
    private readonly near: number,
  ) {
    this.heads = new Int32Array(slotsFor(most)).fill(-1);
    this.next = new Int32Array(most).fill(-1);
    this.places = new Float64Array(most * 3);
  }

  idOf(x: number, y: number, z: number): number {
    const cell = this.near * 4;
    const [cx, cy, cz] = [Math.floor(x / cell), Math.floor(y / cell), Math.floor(z / cell)];
    const [dx, dy, dz] = [this.beside(x, cx), this.beside(y, cy), this.beside(z, cz)];
    const own = this.inCell(this.slotOf(cx, cy, cz), x, y, z);
    if (own >= 0) return own;
    for (let sides = 1; sides < 8; sides += 1) {
      if ((sides & 1 && dx === 0) || (sides & 2 && dy === 0) || (sides & 4 && dz === 0)) continue;
      const id = this.inCell(
        this.slotOf(cx + (sides & 1 ? dx : 0), cy + (sides & 2 ? dy : 0), cz + (sides & 4 ? dz : 0)),
        x,
        y,
        z,
      );
      if (id >= 0) return id;
    }
    const id = this.count;
    this.count += 1;
    const slot = this.slotOf(cx, cy, cz);
    this.next[id] = this.heads[slot]!;
    this.heads[slot] = id;
    this.places[id * 3] = x;
    this.places[id * 3 + 1] = y;
    this.places[id * 3 + 2] = z;
    return id;
  }

  /** The neighbour along an axis that a place is near enough to to share a corner with: −1, 1, or 0 for none. */
  private beside(value: number, cell: number): -1 | 0 | 1 {
    const into = value - cell * this.near * 4;
    return into <= this.near ? -1 : into >= this.near * 3 ? 1 : 0;
  }

  private slotOf(x: number, y: number, z: number): number {
    return hashOf(x, y, z) & (this.heads.length - 1);
  }

  private inCell(slot: number, x: number, y: number, z: number): number {
    const { places, near } = this;
    for (let id = this.heads[slot]!; id >= 0; id = this.next[id]!) {
      const [dx, dy, dz] = [places[id * 3]! - x, places[id * 3 + 1]! - y, places[id * 3 + 2]! - z];
      if (dx * dx + dy * dy + dz * dz <= near * near) return id;
    }
    return -1;
  }
}

/** Numbers for triples of whole numbers, the same triple always the same number. */
export class NumberTriples {
  private readonly table: Int32Array;
  private readonly keys: Int32Array;
  count = 0;

  constructor(most: number) {
    this.table = new Int32Array(slotsFor(most)).fill(-1);
    this.keys = new Int32Array(most * 3);
  }

  idOf(x: number, y: number, z: number): number {
    const mask = this.table.length - 1;
    let slot = hashOf(x, y, z) & mask;
    for (;;) {
      const id = this.table[slot]!;
      if (id < 0) break;
      if (this.keys[id * 3] === x && this.keys[id * 3 + 1] === y && this.keys[id * 3 + 2] === z) return id;
      slot = (slot + 1) & mask;
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
