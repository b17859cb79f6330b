import type { Build } from '../../model/schema';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { withHistory } from '../../testing/randomHistory';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';

/** Some steps wait for nothing, so that the planner may take them in any order. */
const freed = (build: Build, seed: number): Build => ({
  ...build,
  pieces: build.pieces.map((piece) => ({
    ...piece,
    steps: piece.steps.map((step, at) => ((seed + at) % 3 === 0 ? { ...step, after: [] } : step)),
  })),
});

describe('bounds', () => {
  it.each([
    ['in order', (build: Build) => build],
    ['in any order', freed],
  ])('are never beaten by a plan that goes on from a log, steps %s', (_what, change) => {
    let compared = 0;
    for (let seed = 300; seed < 360; seed += 1) {
      const begun = withHistory(
        change(randomBuild(seed, { pieces: 1 + (seed % 3), steps: 2 + (seed % 5), slots: 3 }), seed),
        seed,
      );
      const plan = planBuild(begun.build, { now: begun.now, search: { iterations: 6, seed } });
      for (const bound of plan.bounds) {
        const piece = plan.pieces.find((one) => one.pieceId === bound.pieceId)!;
        if (piece.packableAt === undefined) continue;
        compared += 1;
        expect([seed, bound.pieceId, piece.packableAt >= bound.packableAt]).toEqual([
          seed,
          bound.pieceId,
          true,
        ]);
        expect([seed, bound.pieceId, piece.wearableAt! >= bound.wearableAt]).toEqual([
          seed,
          bound.pieceId,
          true,
        ]);
      }
    }
    // The runs that were skipped, as something has no place, are few.
    expect(compared).toBeGreaterThan(60);
  });

  it('prove nothing false of a thick film that a thin coat was felt on', () => {
    // Heavy, then dust: dry to the finger after 4 min, which says nothing of what is below.
    const build = sampleBuild({
      events: [{ id: 'day', name: 'The day', packAt: '2027-02-20T18:00', wearAt: '2027-02-21T09:00' }],
      pieces: [
        samplePiece({}, [
          { id: 'a', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'heavy' },
          { id: 'b', kind: 'seal', material: 'pva-flex-primer', method: 'brush', film: 'dust' },
        ]),
      ],
      log: (['a', 'b'] as const).map((step, n) => ({
        id: step,
        piece: 'plate',
        unit: 1,
        step,
        coat: 1,
        face: 'outer',
        doneAt: `2027-02-15T1${2 + 2 * n}:00`,
      })),
      touchTests: [{ id: 't', piece: 'plate', unit: 1, at: '2027-02-15T14:04', state: 'dry' }],
    });
    const plan = planBuild(build, { now: epochMinute('2027-02-15T15:00', 'UTC') });
    expect(plan.bounds[0]!.packableAt).toBeLessThanOrEqual(plan.pieces[0]!.packableAt!);
  });

  it('take the quickest order where steps wait for nothing', () => {
    // Primer first lets the enamel on at 09:05, packable 4320 min after 09:07: the 18th. Enamel first is laid by 08:02 and takes the
    // primer a day later, and that is packable a day after that: the 17th, when the enamel below is tape-safe, too.
    const steps = [
      { id: 'slow', kind: 'base' as const, material: 'hobby-enamel', method: 'brush' as const, after: [] },
      {
        id: 'quick',
        kind: 'prime' as const,
        material: 'acrylic-pu-primer-grey',
        method: 'brush' as const,
        after: [],
      },
    ];
    const plan = planBuild(sampleBuild({ pieces: [samplePiece({}, steps)] }));
    expect(plan.bounds[0]!.packableAt).toBeLessThanOrEqual(plan.pieces[0]!.packableAt!);
    expect(toWallTime(plan.bounds[0]!.packableAt, 'UTC').slice(0, 10)).toBe('2027-02-17');
  });
});
