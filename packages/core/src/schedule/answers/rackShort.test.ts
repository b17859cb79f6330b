import { describe, expect, it } from '@jest/globals';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from './planBuild';
import { racksShort } from './rackShort';

/** So many large plates, one coat each, all on one rack of so many places. */
function short(plates: number, slots: number) {
  const [room] = sampleBuild().places;
  const build = sampleBuild({
    places: [{ ...room!, slots }],
    pieces: [
      samplePiece({ quantity: plates }, [
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
      ]),
    ],
  });
  const { operations } = planBuild(build, {
    now: epochMinute('2027-02-15T08:00', 'UTC'),
    latestStarts: false,
  });
  return racksShort(build, operations);
}

describe('a rack', () => {
  it('is named once where four coats or more wait for room on it', () => {
    // One place: the first plate is laid at once, the others each wait for the one before. Five plates, four that wait.
    expect(short(5, 1)).toEqual([{ placeId: 'room', name: 'Room', slots: 1, passes: 4 }]);
    expect(short(4, 1)).toEqual([]);
    expect(short(5, 6)).toEqual([]);
  });
});
