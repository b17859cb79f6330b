import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute, toWallTime } from '../../model/wallTime';
import type { Build } from '../../model/schema';
import { warmFrom, type WarmStart } from '../search/warmStart';
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
        samplePiece({ id: 'b', name: 'B' }, [
          { id: 'look', kind: 'inspect', after: ['a/first'], minutes: 2 },
        ]),
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

describe('passes logged or under way', () => {
  const nine = (changes: Partial<Build> = {}) =>
    sampleBuild({
      pieces: Array.from({ length: 9 }, (_, n) =>
        samplePiece({ id: `p${n}`, name: `P${n}` }, [{ id: 'heat', kind: 'heat-seal', method: 'hot-air' }]),
      ),
      ...changes,
    });
  const planOf = (build: Build, now: number, warm?: WarmStart) =>
    planBuild(build, {
      now,
      latestStarts: false,
      ...(warm ? { search: { warm, keep: true, starts: 'none' } } : {}),
    });
  const wall = (minute: number) => toWallTime(minute, 'UTC');

  it('are gone on from without another set-up, so that logging one by one puts nothing behind', () => {
    let build = nine();
    const first = planOf(build, epochMinute(build.start, 'UTC'));
    let plan = first;
    for (const pass of first.operations) {
      const doneAt = pass.laidAt!;
      const entry = { id: pass.id.replaceAll('/', '-'), piece: pass.pieceId, unit: 1, step: 'heat', coat: 1 };
      build = { ...build, log: [...(build.log ?? []), { ...entry, doneAt: wall(doneAt) }] };
      plan = planOf(build, doneAt, warmFrom(plan));
      expect(checkPlan(build, plan)).toEqual([]);
      const left = plan.operations.filter(({ status }) => status === 'planned');
      expect(left.map(({ laidAt }) => laidAt)).toEqual(
        first.operations.flatMap(({ id, laidAt }) => (left.some((one) => one.id === id) ? laidAt! : [])),
      );
    }
  });

  it('are gone on from by one pair of hands, and only while the things lie ready', () => {
    const build = nine({
      log: [{ id: 'l', piece: 'p0', unit: 1, step: 'heat', coat: 1, doneAt: '2027-02-15T08:10' }],
    });
    const [me] = build.people;
    build.people = [me!, { ...me!, id: 'other', name: 'Other' }];
    const setUps = (now: string) => {
      const plan = planOf(build, epochMinute(now, 'UTC'));
      expect(checkPlan(build, plan)).toEqual([]);
      const planned = plan.operations.filter(({ status }) => status === 'planned');
      return planned.filter((one) => one.laidAt! - one.workMinutes > one.start!).length;
    };
    // Hot air is set up in 2 min and put away in 1: for 3 min it lies ready. All others go on with it in turn.
    expect([setUps('2027-02-15T08:10'), setUps('2027-02-15T08:13'), setUps('2027-02-15T08:14')]).toEqual([
      0, 0, 1,
    ]);
  });

  it('that were begun together are done one after the other, on the hands they are on', () => {
    const build = nine();
    const [me] = build.people;
    build.people = [me!, { ...me!, id: 'other', name: 'Other' }];
    const before = planOf(build, epochMinute(build.start, 'UTC'));
    const mine = before.operations.slice(0, 3);
    const warm = warmFrom({
      sequence: before.sequence,
      operations: before.operations.map((one) => ({ ...one, personId: 'other' })),
    });
    build.underway = mine.map((pass) => ({
      id: `u${pass.pieceId}`,
      piece: pass.pieceId,
      unit: 1,
      step: 'heat',
      coat: 1,
      startedAt: '2027-02-15T08:00',
    }));
    const plan = planOf(build, epochMinute('2027-02-15T08:01', 'UTC'), warm);
    const underway = plan.operations.filter(({ status }) => status === 'underway');
    expect(underway.map(({ personId }) => personId)).toEqual(['other', 'other', 'other']);
    // Two minutes to set up, then each in turn.
    const work = mine[0]!.workMinutes;
    expect(underway.map(({ laidAt }) => wall(laidAt!))).toEqual(
      [1, 2, 3].map((n) => wall(epochMinute('2027-02-15T08:02', 'UTC') + n * work)),
    );
    // What the same hands do next of that batch goes on from there.
    const next = plan.operations.find(
      ({ status, personId, start }) =>
        status === 'planned' && personId === 'other' && start === underway[2]!.laidAt,
    );
    expect(next && next.laidAt! - next.start!).toBe(work);
    expect(checkPlan(build, plan)).toEqual([]);
  });
});
