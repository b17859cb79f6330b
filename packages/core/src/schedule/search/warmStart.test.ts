import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { planBuild } from '../answers/planBuild';
import { workloadOf } from '../plan/workload';
import { storedPlanSchema } from './storedPlan';
import { dealtInOrder, storedPlanOf, warmFrom, warmOfStored } from './warmStart';

describe('a kept plan', () => {
  it('comes back from JSON as the warm start it was', () => {
    for (let seed = 500; seed < 505; seed += 1) {
      const warm = warmFrom(planBuild(randomBuild(seed, { pieces: 4, steps: 3, people: 2 })));
      const kept = storedPlanSchema.parse(JSON.parse(JSON.stringify(storedPlanOf(warm))));
      expect(warmOfStored(kept)).toEqual(warm);
    }
  });

  it('moves nothing to another session when nothing has happened, unless that is an hour less late', () => {
    let kept = 0;
    for (let seed = 510; seed < 530; seed += 1) {
      const build = randomBuild(seed, { pieces: 4, steps: 4, people: 1 + (seed % 2), slots: 2 });
      const before = planBuild(build, { latestStarts: false, search: { iterations: 60, seed } });
      const warm = warmOfStored(storedPlanOf(warmFrom(before)));
      const after = planBuild(build, { latestStarts: false, search: { warm, keep: true } });
      if (before.score.late - after.score.late >= 60) continue;
      kept += 1;
      // Work of the session that somebody is in now may move up inside it; all else stays to the minute.
      const nowEnds = new Map(
        before.workload.people.map(({ id, calendar }) => [
          id,
          calendar.windowAt(before.now)?.to ?? -Infinity,
        ]),
      );
      for (const [at, was] of before.operations.entries()) {
        const { laidAt, personId } = after.operations[at]!;
        expect([seed, was.id, personId]).toEqual([seed, was.id, was.personId]);
        if (was.start! < nowEnds.get(was.personId!)!) expect(laidAt).toBeLessThanOrEqual(was.laidAt!);
        else expect([seed, was.id, laidAt]).toEqual([seed, was.id, was.laidAt]);
      }
    }
    // Sixty tries come close enough to the best that it is seldom worth it.
    expect(kept).toBeGreaterThanOrEqual(17);
  });

  it('is kept where a pass could be sooner, which is then said to be a choice', () => {
    const build = sampleBuild();
    const reasons = (laterMinutes: number) => {
      const { beginsAt, ...warm } = warmFrom(planBuild(build, { latestStarts: false }));
      const moved = new Map(beginsAt);
      moved.set('plate/1/seal/2/outer', beginsAt.get('plate/1/seal/2/outer')! + laterMinutes);
      const plan = planBuild(build, {
        // An evening away, so that nobody is at work and moves things up.
        now: epochMinute('2027-02-15T07:00', 'UTC'),
        latestStarts: false,
        search: { warm: { ...warm, beginsAt: moved }, keep: true, starts: 'none' },
      });
      return plan.operations.filter(({ kind }) => kind === 'seal').map(({ boundBy }) => boundBy);
    };
    expect(reasons(0)[1]).toBe('drying');
    expect(reasons(60)[1]).toBe('choice');
  });

  it('is left only for the piece that would be late: it goes first, and the others stay', () => {
    const coat = [{ id: 'b', kind: 'base' as const, material: 'craft-acrylic', method: 'brush' as const }];
    const { event: _none, ...undated } = samplePiece({ id: 'other', name: 'Other' }, coat);
    const build = sampleBuild({
      // Wearable a day after it is laid, so laid by Tue 16 Feb, 18:00.
      events: [{ id: 'day', name: 'The day', wearAt: '2027-02-17T18:00' }],
      pieces: [undated, samplePiece({ id: 'urgent', name: 'Urgent' }, coat)],
    });
    const at = (text: string) => epochMinute(text, 'UTC');
    const ids = ['other/1/b/1/outer', 'urgent/1/b/1/outer'] as const;
    const warm = {
      sequence: ids,
      beginsAt: new Map([
        [ids[0], at('2027-02-16T09:00')],
        [ids[1], at('2027-02-18T09:00')],
      ]),
      personOf: new Map(ids.map((id) => [id, 'me'])),
      letDryThrough: new Set<string>(),
    };
    const begins = (search: Parameters<typeof planBuild>[1] & object) =>
      planBuild(build, { now: at('2027-02-15T07:00'), latestStarts: false, ...search }).operations.map(
        ({ laidAt, workMinutes }) => toWallTime(laidAt! - workMinutes, 'UTC'),
      );
    // Nobody works before 08:00, and brushes take three minutes to set up.
    const moved = ['2027-02-16T09:00', '2027-02-15T08:03'];
    expect(begins({ search: { warm, keep: true, starts: 'none' } })).toEqual(moved);
    // In time both may stay; named as urgent the same piece goes first all the same.
    build.events[0]!.wearAt = '2027-03-06T09:00';
    expect(begins({ search: { warm, keep: true, starts: 'none' } })).toEqual([
      '2027-02-16T09:00',
      '2027-02-18T09:00',
    ]);
    expect(begins({ search: { warm, urgent: new Set(['urgent']), starts: 'none' } })).toEqual(moved);
  });
});

describe('dealtInOrder', () => {
  const build = sampleBuild({
    pieces: [
      samplePiece({}, [
        { id: 'heat', kind: 'heat-seal', method: 'hot-air' },
        { id: 'seal', kind: 'seal', material: 'pva-flex-primer' },
        { id: 'base', kind: 'base', material: 'craft-acrylic' },
      ]),
    ],
  });
  const [heat, seal, base] = ['plate/1/heat/1/-', 'plate/1/seal/1/outer', 'plate/1/base/1/outer'] as const;
  const warm = (beginsAt: [string, number][]) => ({
    sequence: [heat, seal, base],
    beginsAt: new Map(beginsAt),
    personOf: new Map(beginsAt.map(([id, at]) => [id, `hands at ${at}`])),
    letDryThrough: new Set<string>(),
  });
  const dealt = (beginsAt: [string, number][]) => {
    const { beginsAt: begins, personOf } = dealtInOrder(warm(beginsAt), workloadOf(build));
    return [heat, seal, base].map((id) => [begins.get(id), personOf.get(id)]);
  };

  it('gives the moments of a unit to its passes in the order they have now', () => {
    // Heat-sealing came last before the steps were put into another order.
    expect(
      dealt([
        [seal, 100],
        [base, 200],
        [heat, 300],
      ]),
    ).toEqual([
      [100, 'hands at 100'],
      [200, 'hands at 200'],
      [300, 'hands at 300'],
    ]);
  });

  it('leaves what is in order as it was, also where a pass is new', () => {
    expect(
      dealt([
        [heat, 100],
        [base, 200],
      ]),
    ).toEqual([
      [100, 'hands at 100'],
      [undefined, undefined],
      [200, 'hands at 200'],
    ]);
  });

  it('keeps a piece whose steps change places to the days it had', () => {
    const at = (wall: string) => epochMinute(wall, 'UTC');
    const plan = planBuild(build, {
      latestStarts: false,
      search: {
        warm: {
          ...warm([
            [seal, at('2027-02-16T09:00')],
            [base, at('2027-02-17T09:00')],
            [heat, at('2027-02-18T09:00')],
          ]),
          personOf: new Map([heat, seal, base].map((id) => [id, 'me'])),
        },
        keep: true,
        starts: 'none',
      },
    });
    // Left at their moments, all three would have waited for the heat-sealing on the 18th.
    expect(
      plan.operations.map(({ laidAt, workMinutes }) => toWallTime(laidAt! - workMinutes, 'UTC')),
    ).toEqual(['2027-02-16T09:00', '2027-02-17T09:00', '2027-02-18T09:00']);
  });
});
