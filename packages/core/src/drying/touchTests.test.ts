import type { Build, LogEntry, Step, TouchTest } from '../model/schema';
import { planBuild } from '../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { epochMinute, toWallTime } from '../model/wallTime';

// One coat of craft acrylic laid at 12:00 in label air: touch-dry by the label at 12:20, recoat 12:45.
const build = (tests: [at: string, state: TouchTest['state']][], more: Partial<Build> = {}): Build =>
  sampleBuild({
    pieces: [
      samplePiece({}, [{ id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush', coats: 2 }]),
    ],
    log: [
      { id: 'l', piece: 'plate', unit: 1, step: 'b', coat: 1, face: 'outer', doneAt: '2027-02-15T12:00' },
    ],
    touchTests: tests.map(([at, state], n) => ({
      id: `t${n}`,
      piece: 'plate',
      unit: 1,
      at: `2027-02-15T${at}`,
      state,
    })),
    ...more,
  });
const now = epochMinute('2027-02-15T12:30', 'UTC');
const plan = (one: Build) => planBuild(one, { now, latestStarts: false });
const times = (one: Build) => {
  const made = plan(one);
  const coat = made.units.get('plate/1')!.asOf('outer:whole', now)!.coats[0]!;
  const wall = (minute: number) => toWallTime(Math.ceil(minute), 'UTC').slice(11);
  return {
    touch: wall(coat.touchAt),
    recoat: wall(coat.recoat[0]!.from),
    next: wall(made.operations[1]!.laidAt!),
  };
};

describe('touch tests', () => {
  it('without one the label holds', () => {
    expect(times(build([]))).toEqual({ touch: '12:20', recoat: '12:45', next: '12:47' });
  });

  it('dry sooner than reckoned brings everything after it forward', () => {
    // Dry after 12 of 20 min: factor 0.6, so recoat after 45 · 0.6 = 27 min. It is 12:30 when it is planned, plus set-up and work.
    expect(times(build([['12:12', 'dry']]))).toEqual({ touch: '12:12', recoat: '12:27', next: '12:35' });
  });

  it('still tacky at its time puts it off by a fifth, again at each test', () => {
    // At 12:20 all of the label time has passed: 20 · 1.2 = 24 min; recoat 45 · 1.2 = 54.
    expect(times(build([['12:20', 'tacky']]))).toMatchObject({ touch: '12:24', recoat: '12:54' });
    // At 12:25 it is 1.25 of the label time: 20 · 1.25 · 1.2 = 30; recoat 67.5.
    expect(
      times(
        build([
          ['12:20', 'tacky'],
          ['12:25', 'tacky'],
        ]),
      ),
    ).toMatchObject({ touch: '12:30', recoat: '13:08' });
  });

  it('dry at last sets the clock to what it really took', () => {
    // Tacky at 12:20, dry at 12:23: 23/20 = 1.15; recoat 51.75.
    expect(
      times(
        build([
          ['12:20', 'tacky'],
          ['12:23', 'dry'],
        ]),
      ),
    ).toMatchObject({ touch: '12:23', recoat: '12:52' });
  });

  it('says nothing when it finds what was reckoned', () => {
    expect(times(build([['12:10', 'tacky']]))).toEqual(times(build([])));
    expect(times(build([['12:29', 'dry']]))).toEqual(times(build([])));
  });

  it('lies on one coat: another zone with an older coat on top keeps its clock', () => {
    const zones = [
      { id: 'a', name: 'A', share: 0.5 },
      { id: 'b', name: 'B', share: 0.5 },
    ];
    const steps: Step[] = [
      { id: 'prime', kind: 'prime', material: 'acrylic-pu-primer-grey' },
      { id: 'a-paint', kind: 'base', material: 'craft-acrylic', zones: ['a'] },
    ];
    const entry = (step: string, doneAt: string): LogEntry => ({
      id: step,
      piece: 'plate',
      unit: 1,
      step,
      coat: 1,
      face: 'outer',
      doneAt,
    });
    const made = (test?: Partial<TouchTest>) => {
      const plan = planBuild(
        sampleBuild({
          pieces: [samplePiece({ zones }, steps)],
          log: [entry('prime', '2027-02-15T11:00'), entry('a-paint', '2027-02-15T12:00')],
          ...(test
            ? {
                touchTests: [
                  { id: 't', piece: 'plate', unit: 1, at: '2027-02-15T12:20', state: 'tacky', ...test },
                ],
              }
            : {}),
        }),
        { now, latestStarts: false },
      );
      const unit = plan.units.get('plate/1')!;
      return ['outer:a', 'outer:b'].map((cell) => unit.top(cell)!.milestones.touchAt);
    };
    const [paint, primer] = made();
    // 20 min become 24 for the paint; the primer of zone b is left alone.
    expect(made({})).toEqual([paint! + 4, primer]);
    // Said of the primer, it is about the primer: tacky after 80 min of its 20 is 80 · 1.2 = 96, so 76 later.
    expect(made({ step: 'prime' })).toEqual([paint, primer! + 76]);
  });

  it('gathers what it showed by material', () => {
    const { measured } = plan(build([['12:12', 'dry']]));
    expect(measured).toEqual([
      expect.objectContaining({
        materialId: 'craft-acrylic',
        factor: expect.closeTo(0.6, 9),
        touchMinutes: 12,
        confirmed: false,
        times: [expect.objectContaining({ predictedMinutes: expect.closeTo(20, 6), actualMinutes: 12 })],
      }),
    ]);
    expect(plan(build([['12:29', 'dry']])).measured).toEqual([]);
  });
});

describe('what was done not as planned', () => {
  it('lies there as it was done: another tin in another place', () => {
    const made = build([]);
    made.log![0] = { ...made.log![0]!, material: 'artist-acrylic', film: 'heavy' };
    // Artist acrylic, touch 25 min · 1.8 = 45.
    expect(times(made).touch).toBe('12:45');
  });

  it('has to be done again when it failed, after it can be sanded back', () => {
    const made = build([]);
    made.log![0] = { ...made.log![0]!, outcome: 'failed' };
    const [again] = plan(made).operations;
    // Craft acrylic is sandable after 1440 min; ten minutes of sanding come on top of the two of painting.
    expect(again).toMatchObject({ status: 'planned', failures: 1, workMinutes: 12 });
    expect(toWallTime(again!.start! + again!.setUpMinutes, 'UTC')).toBe('2027-02-16T12:00');
    // Once it is done, it counts as done.
    made.log!.push({
      id: 'm',
      piece: 'plate',
      unit: 1,
      step: 'b',
      coat: 1,
      face: 'outer',
      doneAt: '2027-02-15T12:29',
    });
    expect(plan(made).operations[0]!.status).toBe('done');
  });
});

describe('a touch test on a thin coat', () => {
  // Soft PVA primer, a heavy coat at 12:00 and a dust coat at 14:00, dry to the finger 4 min later. The two dissolve into one film.
  const stacked = (touched: boolean): Build =>
    sampleBuild({
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
      touchTests: touched ? [{ id: 't', piece: 'plate', unit: 1, at: '2027-02-15T14:04', state: 'dry' }] : [],
    });
  const stack = (touched: boolean) =>
    planBuild(stacked(touched), { now: epochMinute('2027-02-15T15:00', 'UTC'), latestStarts: false })
      .units.get('plate/1')!
      .dry('outer:whole')!;

  it('does not cure the thick film below it', () => {
    // The heavy one takes 1440 · 1.8^1.5 min whatever lies on it.
    const laidAt = epochMinute('2027-02-15T12:00', 'UTC');
    expect(stack(true).packAt).toBe(stack(false).packAt);
    expect(stack(true).packAt - laidAt).toBeCloseTo(1440 * 2.414953, 1);
  });

  it('leaves the other coat its own touch and recoat', () => {
    expect(stack(true).coats[0]!.touchAt).toBe(stack(false).coats[0]!.touchAt);
    expect(stack(true).coats[0]!.recoat).toEqual(stack(false).coats[0]!.recoat);
  });
});
