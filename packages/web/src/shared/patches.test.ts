import { placementIds } from '@fixatum/core';
import { patchesOf } from './patches';

describe('patchesOf', () => {
  it('covers as much as the coat does, inside the cut', () => {
    for (const placement of placementIds)
      for (const share of [0.05, 0.1, 0.2, 0.3, 0.6]) {
        const patches = patchesOf(placement, share);
        const covered = patches.reduce((sum, { width }) => sum + width, 0);
        // Nine splashes of 5 % would be 0.0056 wide each: drawn 0.008, so that they are seen.
        expect([placement, share, covered]).toEqual([
          placement,
          share,
          expect.closeTo(Math.max(share, 0.008 * patches.length), 9),
        ]);
        for (const { from, width } of patches) {
          expect(from).toBeGreaterThanOrEqual(0);
          expect(from + width).toBeLessThanOrEqual(1 + 1e-9);
        }
      }
  });

  it('is one stretch for a whole coat, and begins at one side for a fade', () => {
    expect(patchesOf('all', 1)).toEqual([{ from: 0, width: 1 }]);
    expect(patchesOf('fade', 0.5)).toEqual([{ from: 0, width: 0.5 }]);
    expect(patchesOf('all', 0.6)).toHaveLength(3);
  });
});
