import type { Mesh } from './meshWeld';

/** Two faces that meet at more than this are two sides of an edge, not one bent face. */
export const SHARP_COS = Math.cos((50 * Math.PI) / 180);

/** Edges of a mesh: their two corners, and the triangles on either side; -1 where there is none. */
export interface Edges {
  ends: Uint32Array;
  left: Int32Array;
  right: Int32Array;
  /** How many faces meet at each edge: two on a body, one where it is open, more where bodies touch. */
  faces: Uint8Array;
  /** 1 where both faces go along an edge the same way, so that one of them is turned over. */
  sameWay: Uint8Array;
  count: number;
}

export function edgesOf({ count, corners }: Mesh): Edges {
  const most = count * 3;
  const ends = new Uint32Array(most * 2);
  const left = new Int32Array(most).fill(-1);
  const right = new Int32Array(most).fill(-1);
  const faces = new Uint8Array(most);
  const sameWay = new Uint8Array(most);
  const goesUp = new Uint8Array(most);
  let size = 1024;
  while (size < most * 2) size *= 2;
  const table = new Int32Array(size).fill(-1);
  let edges = 0;
  for (let triangle = 0; triangle < count; triangle += 1)
    for (let side = 0; side < 3; side += 1) {
      const one = corners[triangle * 3 + side]!;
      const other = corners[triangle * 3 + ((side + 1) % 3)]!;
      const up = one < other ? 1 : 0;
      const [low, high] = up ? [one, other] : [other, one];
      let slot = (Math.imul(low, 73856093) ^ Math.imul(high, 19349663)) & (size - 1);
      for (;;) {
        const edge = table[slot]!;
        if (edge < 0) {
          table[slot] = edges;
          ends[edges * 2] = low;
          ends[edges * 2 + 1] = high;
          left[edges] = triangle;
          goesUp[edges] = up;
          faces[edges] = 1;
          edges += 1;
          break;
        }
        if (ends[edge * 2] === low && ends[edge * 2 + 1] === high) {
          // Where more than two meet, bodies touch or a wall stands inside: the first two are followed.
          if (right[edge] === -1) {
            right[edge] = triangle;
            sameWay[edge] = goesUp[edge] === up ? 1 : 0;
          }
          faces[edge] = Math.min(255, faces[edge]! + 1);
          break;
        }
        slot = (slot + 1) & (size - 1);
      }
    }
  return { ends, left, right, faces, sameWay, count: edges };
}

/** Things that belong together, joined pair by pair. */
export class Groups {
  protected readonly parent: Uint32Array;
  constructor(count: number) {
    this.parent = new Uint32Array(count);
    for (let at = 0; at < count; at += 1) this.parent[at] = at;
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
  return Math.sqrt(
    (places[one]! - places[other]!) ** 2 +
      (places[one + 1]! - places[other + 1]!) ** 2 +
      (places[one + 2]! - places[other + 2]!) ** 2,
  );
};
