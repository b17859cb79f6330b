import type { Placement } from '../../model/placementIds';
import { noiseField, noisePixels, shiftedAt } from './noise';
import type { Relief } from './relief';

/** How much of a coat lies on each pixel of a relief, 0 to 1, row by row. */
export type Coverage = Float32Array;

/** How ragged a border is, as a share of the spread of what places are told by. */
interface Way {
  /** The higher, the sooner the coat lies there. @param u, v place in the square @param coarse, fine noise, about −1 to 1 */
  score: (relief: Relief, at: number, u: number, v: number, coarse: number, fine: number) => number;
  /** How soft the border is, as a share of the spread of the score. */
  soft: number;
}

/** Dots of many sizes: fine noise to a high power leaves its peaks. */
const dots = (fine: number) => Math.max(0, fine) ** 3;

const ways: Record<Exclude<Placement, 'all'>, Way> = {
  recesses: {
    score: ({ out, sharp }, at, _u, _v, _coarse, fine) => -out[at]! - sharp[at]! * 1.5 + fine * 0.0004,
    soft: 0.45,
  },
  lines: { score: ({ sharp }, at, _u, _v, _coarse, fine) => -sharp[at]! + fine * 0.0002, soft: 0.05 },
  'high-points': {
    score: ({ out, sharp }, at, _u, _v, _coarse, fine) => out[at]! + sharp[at]! + fine * 0.0016,
    soft: 0.22,
  },
  edges: {
    score: ({ sharp, rim }, at, _u, _v, _coarse, fine) =>
      sharp[at]! + Math.max(0, rim[at]! - 0.93) * 0.05 + fine * 0.0004,
    soft: 0.05,
  },
  'worn-spots': {
    score: ({ sharp, rim }, at, _u, _v, coarse, fine) =>
      sharp[at]! + Math.max(0, rim[at]! - 0.9) * 0.03 + coarse * 0.0022 + fine * 0.0012,
    soft: 0.015,
  },
  splatter: { score: (_relief, _at, _u, _v, coarse, fine) => dots(fine) * (1.2 + coarse), soft: 0.02 },
  // From below, where water and dirt sit.
  fade: { score: ({ out }, at, _u, v, coarse) => v + coarse * 0.16 - out[at]! * 4, soft: 0.35 },
  patches: { score: (_relief, _at, _u, _v, coarse, fine) => coarse + fine * 0.25, soft: 0.12 },
  seams: { score: (_relief, _at, u, _v, _coarse, fine) => -Math.abs(u - 0.5) + fine * 0.004, soft: 0.02 },
  spots: { score: (_relief, _at, _u, _v, coarse) => coarse, soft: 0.03 },
};

const NOISE_SIZE = 128;
const BINS = 2048;

/**
 * Where a coat lies on a zone of a relief. Its mean over the zone is the share that it covers; it is 0 outside its placement and outside the zone,
 * and the same for the same seed.
 * @param share of the zone, 0 to 1
 * @param places the pixels of the zone
 */
export function coverageOf(
  relief: Relief,
  placement: Placement,
  share: number,
  seed: number,
  places: Uint32Array,
): Coverage {
  const { size } = relief;
  const cover = new Float32Array(size * size);
  if (placement === 'all' && share >= 1) {
    for (const at of places) cover[at] = 1;
    return cover;
  }
  // What lies all over but not on all of it has gaps where it happens.
  const { score, soft } = ways[placement === 'all' ? 'patches' : placement];
  const coarse = noisePixels(noiseField(1, NOISE_SIZE, 5, 3), size);
  const fine = noisePixels(noiseField(2, NOISE_SIZE, 22, 2), size);
  const [dx, dy] = shiftOf(seed, size);
  const values = new Float32Array(places.length);
  let [least, most] = [Infinity, -Infinity];
  for (let n = 0; n < places.length; n += 1) {
    const at = places[n]!;
    const x = at % size;
    const y = (at - x) / size;
    const value = score(
      relief,
      at,
      (x + 0.5) / size,
      (y + 0.5) / size,
      coarse[shiftedAt(x, y, dx, dy, size)]!,
      fine[shiftedAt(x, y, dy, dx, size)]!,
    );
    values[n] = value;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  const border = borderOf(values, share, least, most);
  const half = (soft * (most - least || 1)) / 2;
  let sum = 0;
  for (let n = 0; n < values.length; n += 1) {
    const part = Math.min(1, Math.max(0, (values[n]! - border + half) / (2 * half)));
    values[n] = part * part * (3 - 2 * part);
    sum += values[n]!;
  }
  // A soft border takes a little more on one side than it gives on the other.
  const scale = sum > 0 ? (share * values.length) / sum : 0;
  for (let n = 0; n < values.length; n += 1) cover[places[n]!] = Math.min(1, values[n]! * scale);
  return cover;
}

/**
 * The value that a share of some values is over, but for one in two thousand.
 * @param least, most the least and the most of them
 */
export function borderOf(values: Float32Array, share: number, least: number, most: number): number {
  const spread = most - least || 1;
  const counts = new Float64Array(BINS);
  for (const value of values) counts[Math.min(BINS - 1, Math.floor(((value - least) / spread) * BINS))]! += 1;
  let [bin, over] = [BINS, 0];
  while (bin > 0 && over < share * values.length) {
    bin -= 1;
    over += counts[bin]!;
  }
  return least + (bin / BINS) * spread;
}

/** Where in the noise a coat starts, in pixels of a picture: another place for every seed. */
export const shiftOf = (seed: number, size: number): readonly [number, number] => [
  Math.floor(((seed * 0.618034 + 0.137) % 1) * size),
  Math.floor(((seed * 0.754878 + 0.291) % 1) * size),
];
