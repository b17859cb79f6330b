import { randomBuild } from '../../testing/randomBuild';
import { toWallTime } from '../../model/wallTime';
import { warmFrom } from '../search/warmStart';
import { LatestKnown } from './latestKnown';
import { planBuild } from './planBuild';

/** Counts how often a latest moment is really worked out. */
class Counted extends LatestKnown {
  found: string[] = [];
  override of(...[workload, piece, around, find]: Parameters<LatestKnown['of']>) {
    return super.of(workload, piece, around, () => {
      this.found.push(piece.id);
      return find();
    });
  }
}

describe('latest moments to begin', () => {
  it('are worked out anew only for the piece that was logged, and are those of a plan that knows nothing', () => {
    for (let seed = 40; seed < 46; seed += 1) {
      const build = randomBuild(seed, { pieces: 4, steps: 3, people: 1 + (seed % 2), slots: 4 });
      build.events[0]!.packAt = '2027-03-05T18:00';
      build.events[0]!.wearAt = '2027-03-06T09:00';
      const known = new Counted();
      const before = planBuild(build, { latestKnown: known });
      expect(known.found.sort()).toEqual(build.pieces.map(({ id }) => id));
      known.found = [];
      const [first] = [...before.operations].sort((a, b) => a.laidAt! - b.laidAt!);
      const logged = {
        ...build,
        log: [
          {
            id: 'l',
            piece: first!.pieceId,
            unit: 1,
            step: first!.stepId,
            coat: 1,
            ...(first!.face ? { face: first!.face } : {}),
            doneAt: toWallTime(first!.laidAt!, build.timeZone),
          },
        ],
      };
      const search = { warm: warmFrom(before), keep: true, starts: 'none' as const };
      const options = { now: first!.laidAt!, search };
      const after = planBuild(logged, { ...options, latestKnown: known });
      expect(known.found).toEqual([first!.pieceId]);
      const fresh = planBuild(logged, options);
      // Both are told to a quarter of an hour, counted from when they were worked out.
      for (const [n, piece] of fresh.pieces.entries())
        expect(Math.abs(piece.latestStartAt! - after.pieces[n]!.latestStartAt!)).toBeLessThan(15);
    }
  });

  it('are worked out anew when people, dates or steps change', () => {
    const build = randomBuild(41, { pieces: 3, steps: 3, slots: 4 });
    const known = new Counted();
    planBuild(build, { latestKnown: known });
    const again = (change: (one: typeof build) => void) => {
      known.found = [];
      const changed = structuredClone(build);
      change(changed);
      planBuild(changed, { latestKnown: known });
      return known.found.length;
    };
    const late = [again(() => undefined)].flat()[0]!;
    // What can't be in time any more is looked for each time; the rest is known.
    expect(late).toBeLessThan(3);
    expect(
      again((one) => one.people[0]!.availability.push({ days: ['wed'], from: '06:00', to: '08:00' })),
    ).toBe(3);
    expect(again((one) => (one.events[0]!.wearAt = '2027-02-27T12:00'))).toBe(3);
  });
});
