import { describe, expect, it } from '@jest/globals';
import { epochMinute } from '../../model/wallTime';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from './planBuild';
import { racksShort } from './rackShort';
import { withProofs } from './whyLater';

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

  it('is the reason a small set is parted, also where the planner put off the rest together', () => {
    // 48 cm² is two sixteenths of a place, so that three places hold 24 of the 40; two coats, each in a batch of 24 and one of 16.
    const [room] = sampleBuild().places;
    const build = sampleBuild({
      places: [{ ...room!, slots: 3 }],
      pieces: [
        samplePiece({ quantity: 40, faces: { outer: { areaCm2: 48 } } }, [
          { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush', coats: 2 },
        ]),
      ],
    });
    const plan = planBuild(build, { now: epochMinute('2027-02-15T08:00', 'UTC'), latestStarts: false });
    const operations = withProofs(plan);
    const second = operations.filter(({ coat }) => coat === 1);
    const begins = Math.min(...second.map(({ start }) => start!));
    // A batch of 24 takes six minutes.
    const rest = second.filter(({ start }) => start! > begins + 15);
    expect(rest.length).toBe(16);
    expect(new Set(rest.map(({ waitsFor, boundBy }) => waitsFor?.why ?? boundBy))).toEqual(new Set(['rack']));
    expect(racksShort(build, operations)[0]!.passes).toBeGreaterThanOrEqual(16);
  });
});
