import type { Piece } from '../../model/schema';
import { substrateTable } from '../../model/substrates';
import { noiseAt, noiseField } from './noise';

/** Shapes that a finish is shown on. */
export const reliefs = ['plate', 'dome', 'tube', 'blade', 'leather'] as const;
/** Those, and for a piece that has a drawing its own outline. */
export type ReliefKind = (typeof reliefs)[number] | 'drawing';
export const reliefWords: Record<ReliefKind, string> = {
  drawing: 'its own outline',
  plate: 'a plate',
  dome: 'a dome',
  tube: 'a tube',
  blade: 'a blade',
  leather: 'leather',
};

/** The relief that a piece is shown on: its drawing; or by the shape that its area was worked out from, and by what it is made of. */
export function reliefFor({
  drawing,
  faces,
  substrate,
}: Pick<Piece, 'drawing' | 'faces' | 'substrate'>): ReliefKind {
  if (drawing) return 'drawing';
  switch (faces.outer.shape?.kind) {
    case 'dome':
      return 'dome';
    case 'cylinder':
    case 'dowel':
    case 'cone':
      return 'tube';
    default:
      return substrateTable[substrate.kind].hasGrain ? 'leather' : 'plate';
  }
}

/** A square of a surface, row by row from the top: how high it is, and what follows from that for where coats go. */
export interface Relief {
  kind: ReliefKind;
  /** Pixels along a side. */
  size: number;
  /** Height over the flat, in sides of the square. */
  height: Float32Array;
  /** How far it stands out from what is round it; below 0 it lies deeper. In sides of the square, with a wide and a narrow view. */
  out: Float32Array;
  sharp: Float32Array;
  /** How near the rim of the piece it is: 1 at the very edge, 0 in the middle. */
  rim: Float32Array;
  /** The zone of each pixel by its place in the list, 255 outside the outline; without it zones get their shares of the square. */
  zoneOf?: Uint8Array;
}

const RELIEF_SEED = 7;
const known = new Map<string, Relief>();

/** A relief that is the same for every piece. */
export type PlainRelief = (typeof reliefs)[number];

/** The relief of a kind, always the same. @param size pixels along a side, at least 16 */
export function reliefOf(kind: PlainRelief, size: number): Relief {
  const key = `${kind} ${size}`;
  const found = known.get(key) ?? makeRelief(kind, size);
  known.set(key, found);
  return found;
}

type Shape = (u: number, v: number) => number;

const smooth = (from: number, to: number, value: number): number => {
  const share = Math.min(1, Math.max(0, (value - from) / (to - from)));
  return share * share * (3 - 2 * share);
};
/** How deep inside the square a place lies, 0 at its edge. */
const inside = (u: number, v: number) => Math.min(u, v, 1 - u, 1 - v);
const bump = (u: number, v: number, x: number, y: number, radius: number): number => {
  const off = Math.sqrt((u - x) ** 2 + (v - y) ** 2) / radius;
  return off >= 1 ? 0 : Math.sqrt(1 - off * off);
};

/** A raised rim, two ribs, rivets along the rim, and two dents. */
const plate: Shape = (u, v) => {
  const deep = inside(u, v);
  let height = 0.022 * (1 - smooth(0.085, 0.1, deep));
  for (const rib of [0.36, 0.64])
    if (deep > 0.1)
      height +=
        0.02 * (1 - smooth(0.018, 0.03, Math.abs(u - rib))) * smooth(0.1, 0.16, v) * smooth(0.1, 0.16, 1 - v);
  for (let n = 0; n < 6; n += 1) {
    const along = 0.09 + (n * 0.82) / 5;
    for (const [x, y] of [
      [along, 0.05],
      [along, 0.95],
      [0.05, along],
      [0.95, along],
    ] as const)
      height += 0.016 * bump(u, v, x, y, 0.017);
  }
  height -= 0.016 * bump(u, v, 0.5, 0.34, 0.13) ** 4 + 0.012 * bump(u, v, 0.2, 0.72, 0.1) ** 4;
  return height;
};
/** A band round the foot and panel lines up to the crown. */
const dome: Shape = (u, v) => {
  const lines = Math.abs(((u * 6) % 1) - 0.5) * 2;
  const panel = 0.012 * smooth(0.06, 0.14, lines);
  const band = 0.02 * smooth(0.8, 0.82, v);
  const rivets = v > 0.8 ? 0.014 * bump((u * 12) % 1, (v - 0.9) * 12 + 0.5, 0.5, 0.5, 0.2) : 0;
  return (v < 0.8 ? panel : 0) + band + rivets;
};
/** Rings, and a seam along it. */
const tube: Shape = (u, v) => {
  const ring = [0.12, 0.2, 0.5, 0.8, 0.88].reduce(
    (sum, at) => sum + 0.02 * (1 - smooth(0.02, 0.032, Math.abs(v - at))),
    0,
  );
  return ring - 0.01 * (1 - smooth(0.002, 0.008, Math.abs(u - 0.5)));
};
/** Two bevels with a groove down the middle. */
const blade: Shape = (u, v) => {
  const off = Math.abs(u - 0.5) * 2;
  const bevel = 0.07 * (1 - smooth(0.45, 1, off));
  const fuller = 0.03 * (1 - smooth(0.08, 0.16, off)) * smooth(0.06, 0.16, v);
  const nicks =
    0.03 * (bump(u, v, 0.985, 0.31, 0.025) + bump(u, v, 0.02, 0.66, 0.02) + bump(u, v, 0.98, 0.82, 0.015));
  return bevel - fuller - nicks;
};
/** Grain: cells with creases between them. */
const leather: Shape = (u, v) => {
  const warp = noiseField(RELIEF_SEED, 64, 3, 2);
  const [x, y] = [u * 17 + noiseAt(warp, u, v) * 0.8, v * 17 + noiseAt(warp, u + 0.4, v + 0.7) * 0.8];
  let [nearest, next] = [9, 9];
  for (let dx = -1; dx <= 1; dx += 1)
    for (let dy = -1; dy <= 1; dy += 1) {
      const [cx, cy] = [Math.floor(x) + dx, Math.floor(y) + dy];
      const jitter = Math.abs(Math.sin(cx * 127.1 + cy * 311.7) * 43758.5453) % 1;
      const other = Math.abs(Math.sin(cx * 269.5 + cy * 183.3) * 43758.5453) % 1;
      const off = Math.sqrt((cx + jitter - x) ** 2 + (cy + other - y) ** 2);
      if (off < nearest) [nearest, next] = [off, nearest];
      else if (off < next) next = off;
    }
  return 0.012 * smooth(0, 0.35, next - nearest);
};

const shapes: Record<PlainRelief, Shape> = { plate, dome, tube, blade, leather };

/** Radii over which it is told what stands out, in sides of the square. */
const WIDE = 0.05;
const NARROW = 0.008;

function makeRelief(kind: PlainRelief, size: number): Relief {
  const shape = shapes[kind];
  const pits = noiseField(RELIEF_SEED + 1, 128, 24, 2);
  const height = new Float32Array(size * size);
  const rim = new Float32Array(size * size);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const [u, v] = [(x + 0.5) / size, (y + 0.5) / size];
      height[y * size + x] = shape(u, v) + noiseAt(pits, u, v) * 0.0006;
      // Round things have no sides.
      const deep = kind === 'dome' ? 1 - v : kind === 'tube' ? Math.min(v, 1 - v) : inside(u, v);
      rim[y * size + x] = 1 - Math.min(1, deep / 0.5);
    }
  return { kind, size, height, rim, ...standsOut(height, size) };
}

/** What stands out of a surface, and what lies deeper than what is round it, with a wide and a narrow view. */
export function standsOut(height: Float32Array, size: number): Pick<Relief, 'out' | 'sharp'> {
  const against = (radius: number) => {
    const around = blurred(height, size, Math.max(1, Math.round(radius * size)));
    return around.map((value, at) => height[at]! - value);
  };
  return { out: against(WIDE), sharp: against(NARROW) };
}

/** A mean over a square round each pixel; at the edge over what there is of it. */
function blurred(values: Float32Array, size: number, radius: number): Float32Array {
  const pass = (from: Float32Array, stepIn: number, stepOver: number) => {
    const to = new Float32Array(from.length);
    for (let line = 0; line < size; line += 1) {
      let [sum, count] = [0, 0];
      for (let at = -radius; at < size + radius; at += 1) {
        const [enters, leaves] = [at + radius, at - radius - 1];
        if (enters < size) {
          sum += from[line * stepOver + enters * stepIn]!;
          count += 1;
        }
        if (leaves >= 0) {
          sum -= from[line * stepOver + leaves * stepIn]!;
          count -= 1;
        }
        if (at >= 0 && at < size) to[line * stepOver + at * stepIn] = sum / count;
      }
    }
    return to;
  };
  return pass(pass(values, 1, size), size, 1);
}
