import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build, Place, Step } from '../../model/schema';
import { epochMinute } from '../../model/wallTime';
import { planTogether } from './beside';
import { heldUp } from './heldUp';
import { planBuild } from './planBuild';
import { withProofs } from './whyLater';

const held = (build: Build) => {
  const plan = planBuild(build, { latestStarts: false });
  return heldUp(plan, withProofs(plan));
};

const base: Step = { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' };

describe('what holds a piece up', () => {
  it('is mostly the drying of its last coat, told by its name', () => {
    const found = held(sampleBuild({ pieces: [samplePiece({}, [base])] }));
    // Laid at 08:05, packable 48 h later: two days of two days and five minutes.
    expect(found).toEqual([
      expect.objectContaining({ why: 'drying', material: 'Craft acrylic', minutes: 2880, ofMinutes: 2885 }),
    ]);
    expect(found[0]!.sentence).toMatch(/^Waits longest for Craft acrylic to dry: 2 days of 2 days/);
  });

  it('is hands where nobody is free for longer than anything dries', () => {
    const build = sampleBuild({ pieces: [samplePiece({}, [{ id: 'p', kind: 'prep', minutes: 30 }, base])] });
    build.people[0]!.availability = [{ days: ['sat'], from: '09:00', to: '12:00' }];
    // From Monday at 8 to Saturday at 9 nobody is there: five days and an hour, against two days of drying.
    const [hands] = held(build);
    expect(hands).toMatchObject({ why: 'hands', minutes: 5 * 1440 + 60 });
    expect(hands!.sentence).toMatch(/^Waits longest for somebody to be free: 5 days 1 h of 7 days/);
  });

  it('is the material where that is on order', () => {
    const build = sampleBuild({
      pieces: [samplePiece({}, [base])],
      stock: [{ material: 'craft-acrylic', containerMl: 120, remainingMl: 120, arrivesOn: '2027-02-22' }],
    });
    expect(held(build)[0]).toMatchObject({ why: 'material' });
  });

  it('is nothing for a piece that is ready, or has nothing to wait for', () => {
    const done = sampleBuild({ pieces: [samplePiece({}, [{ id: 'p', kind: 'prep', minutes: 30 }])] });
    expect(held(done)).toEqual([]);
    expect(held(sampleBuild({ pieces: [samplePiece({}, [])] }))).toEqual([]);
  });
});

describe('why a pass waits, found by taking the cause away', () => {
  /** Free by day on Saturdays and in the evening besides, from Monday 15 Feb at 8. */
  const evenings = (changes: Partial<Build>): Build => {
    const build = sampleBuild({
      pieces: [samplePiece({}, [{ ...base, place: 'porch', method: 'brush' }])],
      ...changes,
    });
    build.people[0]!.availability = [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '22:00' },
      { days: ['sat'], from: '10:00', to: '18:00' },
    ];
    return build;
  };
  const porch = (more: Partial<Place>): Place => ({
    id: 'porch',
    name: 'Porch',
    ventilation: 'outdoor',
    slots: 4,
    climate: { kind: 'constant', temperatureC: 16, humidityPct: 50 },
    ...more,
  });

  it('is daylight where somebody is free only after dark, and says what would not wait', () => {
    // At 49° on 15 February the sun sets before 18:00.
    const build = evenings({ places: [porch({ daylightAtDeg: 49 })] });
    const [why] = held(build);
    // From Monday at 8 to Saturday at 10, setting up aside.
    expect(why).toMatchObject({ why: 'daylight', minutes: 5 * 1440 + 120 });
    expect(why!.sentence).toContain(
      'Craft acrylic wants daylight and 10 °C there; free time is after dark until Sat 20 Feb, 10:00.',
    );
    // With the daylight gone it is the first evening, and somebody to be free.
    expect(held(evenings({ places: [porch({})] }))[0]).toMatchObject({ why: 'drying' });
  });

  it('is what made most of the wait, where the rest of it was chosen', () => {
    // Daylight and free time meet on Saturday at 10.
    const plan = planBuild(evenings({ places: [porch({ daylightAtDeg: 49 })] }), { latestStarts: false });
    const putOff = (minutes: number) => {
      const operations = plan.operations.map((one) => ({
        ...one,
        start: one.start! + minutes,
        laidAt: one.laidAt! + minutes,
        end: one.end! + minutes,
      }));
      return withProofs({ ...plan, operations })[0]!;
    };
    expect(putOff(15).waitsFor).toEqual({ why: 'daylight' });
    // Five days and two hours for daylight, seven days more by choice.
    expect(putOff(7 * 1440).waitsFor).toEqual({ why: 'choice' });
  });

  it('is another build where that has the evening, by its name', () => {
    const first = evenings({ name: 'Harvest crown', places: [porch({})] });
    first.pieces = [samplePiece({ id: 'big' }, [{ id: 'p', kind: 'prep', minutes: 180 }])];
    const second = evenings({
      places: [porch({})],
      pieces: [samplePiece({}, [{ id: 'p', kind: 'prep', minutes: 170 }])],
    });
    const at = { now: epochMinute('2027-02-15T19:00', 'UTC') };
    const plans = planTogether(
      [
        { id: 'a', build: first },
        { id: 'b', build: second },
      ],
      at,
    );
    const plan = plans.get('b')!;
    const [pass] = withProofs(plan);
    expect(pass).toMatchObject({ waitsFor: { why: 'elsewhere', by: 'Harvest crown' } });
    expect(heldUp(plan, [pass!])[0]!.sentence).toBe(
      'Waits longest while Harvest crown has the evenings: 24 h of 26 h 50.',
    );
  });

  it('is the other work of the build where hands are at that, and nobody where nobody is free', () => {
    const own = evenings({ places: [porch({})] });
    own.pieces = [
      samplePiece({ id: 'a' }, [{ id: 'p', kind: 'prep', minutes: 175 }]),
      samplePiece({ id: 'b' }, [{ id: 'q', kind: 'texture', minutes: 170 }]),
    ];
    const plan = planBuild(own, { latestStarts: false, now: epochMinute('2027-02-15T19:00', 'UTC') });
    const later = withProofs(plan).find(({ start }) => start! > plan.now)!;
    expect(later.waitsFor?.why).toBe('busy');
    const none = planBuild(own, { latestStarts: false, now: epochMinute('2027-02-15T12:00', 'UTC') });
    expect(withProofs(none).find(({ start }) => start! < none.now + 480)!.waitsFor?.why).toBe('hands');
  });

  it('is the air where that is unfit until it turns', () => {
    const cold = evenings({
      places: [
        porch({
          climate: {
            kind: 'hourly',
            start: '2027-02-15T00:00',
            temperatureC: Array.from({ length: 96 }, (_, hour) => (hour < 48 ? 4 : 16)),
            humidityPct: Array.from({ length: 96 }, () => 50),
          },
        }),
      ],
    });
    // Monday and Tuesday are too cold; on Wednesday evening it is warm enough, and the wait is longer than one for hands.
    const plan = planBuild(cold, { latestStarts: false });
    expect(withProofs(plan)[0]!.waitsFor?.why).toBe('air');
  });
});
