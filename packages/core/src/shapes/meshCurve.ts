import { cosBetween, SHARP_COS, type Edges, type Groups } from './meshEdges';
import { NumberTriples, type Mesh } from './meshWeld';

/** The curve that so much of all edges is wider than is called the tightest: a single kink is no curve. */
const TIGHT_SHARE = 0.95;
/** Wider curves than this are flat, against the size of the piece. */
const FLAT_SIZES = 8;

/**
 * The radius of the tightest curve of a face, mm. Along each edge the normals of its ends turn against each other: (n₂−n₁)·(p₂−p₁)/|p₂−p₁|²
 * is the curvature of the surface in that direction. A corner on a sharp edge has a normal for each face that meets there.
 */
export function tightest(
  mesh: Mesh,
  edges: Edges,
  { isOuter, faces }: { isOuter: Uint8Array; faces: Groups },
): number | undefined {
  const { count, corners, places, normal } = mesh;
  // A corner of one smooth face has its own slot; only where several meet the others are looked up.
  const firstFace = new Int32Array(count * 3).fill(-1);
  const others = new NumberTriples(count * 3);
  const slotOf = (corner: number, face: number): number => {
    if (firstFace[corner] === -1) firstFace[corner] = face;
    return firstFace[corner] === face ? corner * 3 : (count * 3 + others.idOf(corner, face, 0)) * 3;
  };
  const normals = new Float64Array(count * 18);
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
  const long = (slot: number) =>
    Math.sqrt(normals[slot]! ** 2 + normals[slot + 1]! ** 2 + normals[slot + 2]! ** 2);
  const curves = new Float64Array(edges.count);
  const lengths = new Float64Array(edges.count);
  let bent = 0;
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
    curves[bent] = Math.abs(dot) / squared;
    lengths[bent] = Math.sqrt(squared);
    bent += 1;
  }
  const curve = reachedBy(curves.subarray(0, bent), lengths.subarray(0, bent), TIGHT_SHARE);
  return curve > 0 && 1 / curve < FLAT_SIZES * Math.max(...mesh.size) ? 1 / curve : undefined;
}

/** Halved so often, a range of curves is finer than anybody measures. */
const HALVINGS = 40;

/** The least of some values that a share of all weight is at or under: by halving, as sorting takes longer. */
function reachedBy(values: Float64Array, weights: Float64Array, share: number): number {
  let [all, high] = [0, 0];
  for (let at = 0; at < values.length; at += 1) {
    all += weights[at]!;
    if (values[at]! > high) high = values[at]!;
  }
  let low = -1;
  for (let halving = 0; halving < HALVINGS; halving += 1) {
    const middle = (low + high) / 2;
    let [weight, under] = [0, 0];
    for (let at = 0; at < values.length; at += 1) {
      const value = values[at]!;
      if (value <= middle) {
        weight += weights[at]!;
        if (value > under) under = value;
      }
    }
    if (weight < all * share) low = middle;
    else high = under;
  }
  return high;
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
