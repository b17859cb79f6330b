import type { Placement } from '@fixatum/core';

/** One stretch of a cut on which a coat lies, as shares of its width. */
export interface Patch {
  from: number;
  width: number;
}

/** Where the middles of the patches stand, as shares of the width: the same for the same placement, so that coats line up. */
const middles: Record<Placement, readonly number[]> = {
  all: [0.5],
  recesses: [0.1, 0.36, 0.64, 0.9],
  'high-points': [0.23, 0.5, 0.77],
  edges: [0.02, 0.98],
  lines: [0.15, 0.32, 0.5, 0.68, 0.85],
  'worn-spots': [0.06, 0.44, 0.93],
  splatter: [0.05, 0.14, 0.27, 0.38, 0.47, 0.61, 0.7, 0.83, 0.94],
  fade: [0.25],
  patches: [0.16, 0.47, 0.83],
  seams: [0.3, 0.72],
  spots: [0.58],
};
/** Narrower than this nothing is seen. */
const NARROWEST = 0.008;

/**
 * The stretches of a cut that a coat in places covers: as many as its placement has, together as wide as its share of the whole.
 * @param share 0 to 1
 */
export function patchesOf(placement: Placement, share: number): Patch[] {
  if (share >= 0.995) return [{ from: 0, width: 1 }];
  const own = placement === 'all' ? middles.patches : middles[placement];
  if (placement === 'fade') return [{ from: 0, width: share }];
  const width = Math.max(NARROWEST, share / own.length);
  return own.map((middle) => ({ from: Math.min(1 - width, Math.max(0, middle - width / 2)), width }));
}
