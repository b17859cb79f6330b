import Flatbush from 'flatbush';
import { cosBetween, Groups, SHARP_COS, type Edges } from './meshEdges';
import type { Mesh } from './meshWeld';

/** Faces that hang together at their edges. */
export interface Body {
  /** Some of its edges have a face on one side only. */
  isOpen: boolean;
  /** What is in it, mm³; nought of an open one. */
  volumeMm3: number;
  areaMm2: number;
  /** In how many other closed bodies it lies: a hollow where that is odd. */
  depth: number;
  /** How large each of its smooth faces is, by the number of the face, mm². */
  faces: Map<number, number>;
}

/** The bodies of a mesh, with every face of a closed one turned to its outside. */
export interface Bodies {
  bodies: Map<number, Body>;
  /** The body that each triangle is of. */
  bodyOf: Groups;
  /** The smooth face that each triangle is of. */
  faceOf: Groups;
  /** Faces that stood the other way round than most of their body did. */
  turned: number;
}

/**
 * Parts a mesh into bodies, and turns what is wound the wrong way, in place: first face by face, so that neighbours agree, then whole bodies, so
 * that the normals of each point out of it. Which body is a hollow follows from what it lies in alone, never from how it is wound.
 */
export function bodiesOf(mesh: Mesh, edges: Edges): Bodies {
  const { count, area } = mesh;
  const bodyOf = new TurnedGroups(count);
  for (let edge = 0; edge < edges.count; edge += 1) {
    const other = edges.right[edge]!;
    if (other >= 0) bodyOf.joinTurned(edges.left[edge]!, other, edges.sameWay[edge]!);
  }
  const against = new Uint8Array(count);
  for (let at = 0; at < count; at += 1) {
    against[at] = bodyOf.turnOf(at);
    if (against[at]) turn(mesh, at);
  }

  const bodies = new Map<number, Body>();
  for (let at = 0; at < count; at += 1) {
    const key = bodyOf.of(at);
    const body = bodies.get(key) ?? {
      isOpen: false,
      volumeMm3: 0,
      areaMm2: 0,
      depth: 0,
      faces: new Map<number, number>(),
    };
    bodies.set(key, body);
    body.volumeMm3 += signedVolume(mesh, at);
    body.areaMm2 += area[at]!;
  }
  for (let edge = 0; edge < edges.count; edge += 1)
    if (edges.faces[edge] === 1) bodies.get(bodyOf.of(edges.left[edge]!))!.isOpen = true;
  // Faces without an area hang others together; alone they are nothing.
  for (const [key, { areaMm2 }] of bodies) if (areaMm2 === 0) bodies.delete(key);

  const turnedOf = new Map<number, { one: number; other: number }>();
  for (let at = 0; at < count; at += 1) {
    const key = bodyOf.of(at);
    const body = bodies.get(key);
    if (!body) continue;
    const told = turnedOf.get(key) ?? { one: 0, other: 0 };
    turnedOf.set(key, told);
    if (against[at]) told.other += 1;
    else told.one += 1;
    if (!body.isOpen && body.volumeMm3 < 0) turn(mesh, at);
  }
  let turned = 0;
  for (const { one, other } of turnedOf.values()) turned += Math.min(one, other);
  for (const body of bodies.values()) body.volumeMm3 = body.isOpen ? 0 : Math.abs(body.volumeMm3);

  const faceOf = smoothFaces(mesh, edges);
  for (let at = 0; at < count; at += 1) {
    const faces = bodies.get(bodyOf.of(at))?.faces;
    const face = faceOf.of(at);
    faces?.set(face, (faces.get(face) ?? 0) + area[at]!);
  }
  findDepths(mesh, bodies, bodyOf);
  return { bodies, bodyOf, faceOf, turned };
}

/** Faces that run on into each other without a sharp edge. A face without an area stands between the two beside it, and is no edge. */
function smoothFaces(mesh: Mesh, edges: Edges): Groups {
  const faceOf = new Groups(mesh.count);
  const besides = new Map<number, number[]>();
  for (let edge = 0; edge < edges.count; edge += 1) {
    const [one, other] = [edges.left[edge]!, edges.right[edge]!];
    if (other < 0) continue;
    if (cosBetween(mesh, one, other) > SHARP_COS) faceOf.join(one, other);
    for (const [thin, beside] of [
      [one, other],
      [other, one],
    ] as const)
      if (mesh.area[thin] === 0 && mesh.area[beside]! > 0)
        besides.set(thin, [...(besides.get(thin) ?? []), beside]);
  }
  for (const list of besides.values())
    for (const [at, one] of list.entries())
      for (const other of list.slice(at + 1))
        if (cosBetween(mesh, one, other) > SHARP_COS) faceOf.join(one, other);
  return faceOf;
}

/** Turns a triangle over. */
function turn({ corners, normal }: Mesh, at: number): void {
  const [second, third] = [corners[at * 3 + 1]!, corners[at * 3 + 2]!];
  corners[at * 3 + 1] = third;
  corners[at * 3 + 2] = second;
  for (let axis = 0; axis < 3; axis += 1) normal[at * 3 + axis] = -normal[at * 3 + axis]!;
}

/** The tetrahedron of a triangle and nought, mm³: over a closed body they add up to what is in it. */
function signedVolume({ corners, places }: Mesh, at: number): number {
  const [a, b, c] = [corners[at * 3]! * 3, corners[at * 3 + 1]! * 3, corners[at * 3 + 2]! * 3];
  const [ax, ay, az] = [places[a]!, places[a + 1]!, places[a + 2]!];
  const [bx, by, bz] = [places[b]!, places[b + 1]!, places[b + 2]!];
  const [cx, cy, cz] = [places[c]!, places[c + 1]!, places[c + 2]!];
  return (ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)) / 6;
}

/** Groups whose members are turned against each other or not. */
class TurnedGroups extends Groups {
  /** Whether each is turned against its parent. */
  private readonly turns: Uint8Array;
  constructor(count: number) {
    super(count);
    this.turns = new Uint8Array(count);
  }
  /** Whether one is turned against the first of its group. */
  turnOf(one: number): number {
    let [top, turns] = [one, 0];
    while (this.parent[top] !== top) {
      turns ^= this.turns[top]!;
      top = this.parent[top]!;
    }
    return turns;
  }
  override of(one: number): number {
    let top = one;
    while (this.parent[top] !== top) {
      const up = this.parent[top]!;
      if (this.parent[up] !== up) {
        // A step is saved on the way, and what stood between counts for both.
        this.turns[top] = this.turns[top]! ^ this.turns[up]!;
        this.parent[top] = this.parent[up]!;
      }
      top = this.parent[top]!;
    }
    return top;
  }
  joinTurned(one: number, other: number, turned: number): void {
    const [a, b] = [this.of(one), this.of(other)];
    if (a === b) return;
    const between = this.turnOf(one) ^ this.turnOf(other) ^ turned;
    this.turns[Math.max(a, b)] = between;
    this.parent[Math.max(a, b)] = Math.min(a, b);
  }
}

/** Rays from so many of its faces say whether a body lies in another. */
const ASKED = 3;

/**
 * How deep each closed body lies in others: a ray along z from one of its faces goes out through each of them an odd number of times.
 * The triangles that a ray may meet come from an index of their boxes.
 */
function findDepths(mesh: Mesh, bodies: Map<number, Body>, bodyOf: Groups): void {
  const closed = [...bodies].filter(([, { isOpen }]) => !isOpen);
  if (closed.length < 2) return;
  const { count, corners, places } = mesh;
  const place = (at: number, corner: number, axis: number) => places[corners[at * 3 + corner]! * 3 + axis]!;
  const largest = new Map<number, number[]>(closed.map(([key]) => [key, []]));
  for (let at = 0; at < count; at += 1) {
    const list = largest.get(bodyOf.of(at));
    if (!list) continue;
    list.push(at);
    list.sort((a, b) => mesh.area[b]! - mesh.area[a]!);
    if (list.length > ASKED) list.pop();
  }
  const index = new Flatbush(count);
  for (let at = 0; at < count; at += 1) {
    const xs = [place(at, 0, 0), place(at, 1, 0), place(at, 2, 0)];
    const ys = [place(at, 0, 1), place(at, 1, 1), place(at, 2, 1)];
    index.add(Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys));
  }
  index.finish();
  for (const [key, body] of closed) {
    const inside = new Map<number, number>();
    for (const own of largest.get(key)!) {
      // Not its very middle, which may stand over an edge of what is built in the same steps.
      const at = (axis: number) =>
        place(own, 0, axis) * 0.341 + place(own, 1, axis) * 0.328 + place(own, 2, axis) * 0.331;
      const [x, y, z] = [at(0), at(1), at(2)];
      const crossed = new Map<number, number>();
      for (const other of index.search(x, y, x, y)) {
        const its = bodyOf.of(other);
        if (its === key || bodies.get(its)?.isOpen !== false) continue;
        const [ax, ay, az] = [place(other, 0, 0), place(other, 0, 1), place(other, 0, 2)];
        const [bx, by, bz] = [place(other, 1, 0), place(other, 1, 1), place(other, 1, 2)];
        const [cx, cy, cz] = [place(other, 2, 0), place(other, 2, 1), place(other, 2, 2)];
        const whole = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
        if (whole === 0) continue;
        const second = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / whole;
        const third = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / whole;
        if (second < 0 || third < 0 || second + third > 1) continue;
        if (az + second * (bz - az) + third * (cz - az) > z) crossed.set(its, (crossed.get(its) ?? 0) + 1);
      }
      for (const [its, times] of crossed) if (times % 2 === 1) inside.set(its, (inside.get(its) ?? 0) + 1);
    }
    const asked = largest.get(key)!.length;
    body.depth = [...inside.values()].filter((times) => times * 2 > asked).length;
  }
}
