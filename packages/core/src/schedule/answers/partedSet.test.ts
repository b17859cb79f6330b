import { describe, expect, it } from '@jest/globals';
import { epochMinute } from '../../model/wallTime';
import { planBuild } from './planBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { setsOf } from '../plan/sets';
import { partedSet } from './partedSet';

/** Three large plates, one coat each, on a rack of so many places. */
function told(slots: number): string | undefined {
  const [room] = sampleBuild().places;
  const build = sampleBuild({
    places: [{ ...room!, slots }],
    pieces: [
      samplePiece({ quantity: 3 }, [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
      ]),
    ],
  });
  const { operations } = planBuild(build, {
    now: epochMinute('2027-02-15T08:00', 'UTC'),
    latestStarts: false,
  });
  const inOrder = [...operations].sort((a, b) => (a.start ?? 0) - (b.start ?? 0));
  return partedSet(inOrder.slice(0, Math.min(slots, 3)), operations, setsOf(build.pieces), 'UTC');
}

describe('a set', () => {
  it('says what parts it, and when the rest comes', () => {
    expect(told(1)).toMatch(/^2 more Mon 15 Feb, \d\d:\d\d: the rack is full$/);
    expect(told(3)).toBeUndefined();
  });
});
