import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { planBuild } from '../answers/planBuild';

describe('a shared set-up', () => {
  it('is not gone on with where something else was done between', () => {
    // The strap goes on between the two coats, which are of one batch and near enough in time to share a set-up.
    const coat = (id: string, after?: string) => ({
      id,
      kind: 'base' as const,
      material: 'craft-acrylic',
      method: 'brush' as const,
      ...(after ? { after: [after] } : {}),
    });
    const build = sampleBuild({
      pieces: [
        samplePiece({ id: 'a', name: 'A' }, [coat('first')]),
        samplePiece({ id: 'b', name: 'B' }, [{ id: 'look', kind: 'inspect', after: ['a/first'], minutes: 2 }]),
        samplePiece({ id: 'c', name: 'C' }, [coat('second', 'b/look')]),
      ],
    });
    const plan = planBuild(build, { latestStarts: false });
    expect(checkPlan(build, plan)).toEqual([]);
    const [first, look, second] = plan.operations;
    expect(first!.end).toBeLessThanOrEqual(look!.start!);
    expect(second!.laidAt! - second!.workMinutes - second!.start!).toBe(second!.setUpMinutes);
  });

  it('is never stretched over other work, in first plans and searched ones', () => {
    for (let seed = 0; seed < 12; seed += 1) {
      // Coats of one batch and short looks by turns, each waiting for one before it: looks fall between coats.
      const build = sampleBuild({
        pieces: Array.from({ length: 8 }, (_, n) =>
          samplePiece({ id: `p${n}`, name: `P${n}` }, [
            {
              ...(n % 2 === 0
                ? { id: 's', kind: 'base' as const, material: 'craft-acrylic', method: 'brush' as const }
                : { id: 's', kind: 'inspect' as const, minutes: 1 + (seed % 4) }),
              ...(n > 0 ? { after: [`p${n - 1 - (seed % Math.min(n, 3))}/s`] } : {}),
            },
          ]),
        ),
      });
      for (const iterations of [0, 40]) {
        const plan = planBuild(build, { latestStarts: false, search: { iterations, seed } });
        expect([seed, iterations, checkPlan(build, plan)]).toEqual([seed, iterations, []]);
      }
    }
  });
});
