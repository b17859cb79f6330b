import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseBuildText } from '../../materials/parseBuild';
import type { Build, Step } from '../../model/schema';
import { checkPlan } from '../../testing/checkPlan';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { planBuild } from './planBuild';

const wall = (minute: number | undefined) => (minute === undefined ? undefined : toWallTime(minute, 'UTC'));
const demo = (): Build => {
  const parsed = parseBuildText(
    readFileSync(join(__dirname, '../../../../../demo/orrery-courier.json'), 'utf8'),
  );
  if (!parsed.ok) throw new Error(parsed.faults[0]!.message);
  return parsed.value;
};
const now = epochMinute('2027-02-20T19:30', 'Europe/Lisbon');

describe('planBuild', () => {
  it('places coats one after another as they dry', () => {
    // Brush: set-up 3, 600 cm² at 2 m²/h is 1.8 so 2 min of work, clean-up 5. Seal 1 laid 08:05. PVA primer takes the
    // next after 45 min: 08:50, laid 08:52; base after 45 more: 09:37, laid 09:39.
    const plan = planBuild(sampleBuild());
    expect(
      plan.operations.map((operation) => [
        operation.id,
        wall(operation.start),
        wall(operation.laidAt),
        operation.boundBy,
      ]),
    ).toEqual([
      ['plate/1/seal/1/outer', '2027-02-15T08:00', '2027-02-15T08:05', 'start'],
      ['plate/1/seal/2/outer', '2027-02-15T08:47', '2027-02-15T08:52', 'drying'],
      ['plate/1/base/1/outer', '2027-02-15T09:34', '2027-02-15T09:39', 'drying'],
    ]);
  });

  it('says when the piece is packable and wearable, and how that stands', () => {
    const plan = planBuild(sampleBuild());
    // Craft acrylic: packable after 2880 min, so 09:39 two days on; the seal below is tape-safe by then.
    expect(wall(plan.pieces[0]!.packableAt)).toBe('2027-02-17T09:39');
    // The two seal coats are one film: 47 min on, 2 of the 675 min from recoat to tape-safe, the first holds 0.3·e^(−0.008889) =
    // 0.297345. 1.297345^1.5 = 1.477694: wearable after 2127.88 label minutes from 08:52, 47 of them bare and the rest at 0.75 under
    // the acrylic: 47 + 2774.5, so 07:54 two days on.
    expect(wall(plan.pieces[0]!.wearableAt)).toBe('2027-02-17T07:54');
    expect(plan.pieces[0]).toMatchObject({ readiness: 'on-time', doneCount: 0, totalCount: 3 });
  });

  it('waits for a free window that is long enough', () => {
    const build = sampleBuild();
    build.people[0]!.availability = [
      { days: ['mon'], from: '08:00', to: '08:09' },
      { days: ['tue'], from: '19:00', to: '22:00' },
    ];
    // Monday's nine minutes are one short of the ten the coat takes.
    const first = planBuild(build).operations[0]!;
    expect([wall(first.start), first.boundBy]).toEqual(['2027-02-16T19:00', 'hands']);
  });

  it('takes days off as days off', () => {
    const build = sampleBuild();
    build.people[0]!.exceptions = [{ date: '2027-02-15', windows: [{ from: '20:00', to: '21:00' }] }];
    expect(wall(planBuild(build).operations[0]!.start)).toBe('2027-02-15T20:00');
  });

  it('shares set-up and clean-up between neighbours in a batch', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ quantity: 3 }, [
          { id: 's', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
        ]),
      ],
    });
    // One set-up of 3, three times 2 of work, one clean-up of 5.
    expect(
      planBuild(build).operations.map((operation) => [wall(operation.start), wall(operation.end)]),
    ).toEqual([
      ['2027-02-15T08:00', '2027-02-15T08:05'],
      ['2027-02-15T08:05', '2027-02-15T08:07'],
      ['2027-02-15T08:07', '2027-02-15T08:14'],
    ]);
  });

  it('turns a piece over only when the first face can be handled', () => {
    const faces = { outer: { areaCm2: 600 }, inner: { areaCm2: 600 } };
    const build = sampleBuild({
      pieces: [
        samplePiece({ faces }, [
          { id: 's', kind: 'seal', material: 'pva-flex-primer', method: 'brush', faces: ['inner', 'outer'] },
        ]),
      ],
    });
    // Inner laid 08:05, handleable after 60 min: the outer is laid on from 09:05.
    expect(wall(planBuild(build).operations[1]!.laidAt)).toBe('2027-02-15T09:07');
  });

  it('keeps to a recoat window that closes and opens again', () => {
    const steps: Step[] = [
      { id: 'p', kind: 'prime', material: 'alkyd-flat-spray', method: 'aerosol' },
      { id: 'q', kind: 'prime', material: 'alkyd-flat-spray', method: 'aerosol' },
    ];
    const build = sampleBuild({ pieces: [samplePiece({}, steps)] });
    build.people[0]!.availability = [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'], from: '19:00', to: '19:20' },
    ];
    // Laid Mon 19:06; open 15 to 60 min after, which Monday's window can't hold, then from 2880 min: Wed 19:06.
    const second = planBuild(build).operations[1]!;
    expect(wall(second.laidAt)).toBe('2027-02-17T19:07');
  });

  it('lets the clocks change in the middle of a drying', () => {
    const steps: Step[] = [
      { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' },
      { id: 'm', kind: 'mask' },
    ];
    const build = sampleBuild({ timeZone: 'Europe/Lisbon', pieces: [samplePiece({}, steps)] });
    build.people[0]!.availability[0]!.to = '24:00';
    build.events = [];
    // Lisbon goes from 01:00 to 02:00 in the night to 28 March 2027. Laid 22:00, tape-safe 720 min later: 11:00 by the clock.
    build.start = '2027-03-27T21:55';
    const plan = planBuild(build);
    const at = (minute: number | undefined) => toWallTime(minute!, 'Europe/Lisbon');
    expect(at(plan.operations[0]!.laidAt)).toBe('2027-03-27T22:00');
    expect(at(plan.operations[1]!.start! + plan.operations[1]!.setUpMinutes)).toBe('2027-03-28T11:00');
  });

  it('masks when tape-safe', () => {
    const steps: Step[] = [
      { id: 'b', kind: 'base', material: 'craft-acrylic', method: 'brush' },
      { id: 'm', kind: 'mask' },
    ];
    // Laid 08:05, tape-safe 720 min later: 20:05; the tape's set-up of 2 min can come before.
    expect(wall(planBuild(sampleBuild({ pieces: [samplePiece({}, steps)] })).operations[1]!.start)).toBe(
      '2027-02-15T20:03',
    );
  });

  it('plans on from the log, with the coat as it was laid', () => {
    const build = sampleBuild({
      log: [
        {
          id: 'l',
          piece: 'plate',
          unit: 1,
          step: 'seal',
          coat: 1,
          face: 'outer',
          doneAt: '2027-02-15T12:00',
          film: 'heavy',
        },
      ],
    });
    const plan = planBuild(build);
    // Heavy: recoat after 45·1.8^1.5 = 108.67 min, so from 13:49.
    expect(plan.operations[0]).toMatchObject({ status: 'done' });
    expect(wall(plan.operations[1]!.laidAt)).toBe('2027-02-15T13:51');
  });

  it('leaves out what was passed over', () => {
    const build = sampleBuild({
      log: [
        {
          id: 'l',
          piece: 'plate',
          unit: 1,
          step: 'base',
          coat: 1,
          face: 'outer',
          doneAt: '2027-02-15T12:00',
        },
      ],
    });
    expect(planBuild(build).operations.map((operation) => operation.status)).toEqual([
      'skipped',
      'skipped',
      'done',
    ]);
  });

  it('holds what is under way to its person and finishes it', () => {
    const build = sampleBuild({
      underway: [
        {
          id: 'u',
          piece: 'plate',
          unit: 1,
          step: 'seal',
          coat: 1,
          face: 'outer',
          startedAt: '2027-02-15T08:30',
        },
      ],
    });
    const plan = planBuild(build, { now: epochMinute('2027-02-15T08:31', 'UTC') });
    expect(plan.operations[0]).toMatchObject({ status: 'underway', personId: 'me' });
    expect(wall(plan.operations[0]!.laidAt)).toBe('2027-02-15T08:35');
  });

  it('waits for all units of another piece', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({ id: 'a', quantity: 2 }, [{ id: 's', kind: 'prep', minutes: 60 }]),
        samplePiece({ id: 'b' }, [{ id: 't', kind: 'join', minutes: 5, after: ['a/s'] }]),
      ],
    });
    expect(wall(planBuild(build).operations[2]!.start)).toBe('2027-02-15T09:00');
  });

  it('is stuck, not wrong, when a place never has the air for it', () => {
    const build = sampleBuild();
    build.places[0]!.climate = { kind: 'constant', temperatureC: 6, humidityPct: 50 };
    const plan = planBuild(build);
    expect(plan.pieces[0]).toMatchObject({ readiness: 'stuck', packableAt: undefined });
    expect(plan.operations[0]).toMatchObject({ status: 'unplaced', boundBy: 'air' });
  });

  it('sprays in the warm hours of a cold porch', () => {
    const build = sampleBuild({
      pieces: [samplePiece({}, [{ id: 's', kind: 'seal', material: 'rubber-dip-spray', method: 'aerosol' }])],
    });
    build.places[0]!.climate = { kind: 'daily', meanC: 9, swingC: 4, humidityPct: 60 };
    // At least 10 °C from cos(2π(h−15)/24) ≥ 1/4, so h ≥ 15 − 24·acos(0.25)/2π = 9.9652, 09:57.9.
    const laid = planBuild(build).operations[0]!;
    expect([wall(laid.laidAt! - laid.workMinutes), laid.boundBy]).toEqual(['2027-02-15T09:58', 'air']);
    expect(Number.isInteger(laid.start)).toBe(true);
  });

  it('gives the last moment to go on, and none when it has passed', () => {
    const build = sampleBuild();
    const plan = planBuild(build);
    const { latestStartAt, packDueAt } = plan.pieces[0]!;
    const from = (minute: number) => planBuild(build, { now: minute }).pieces[0]!.readiness;
    expect(from(latestStartAt!)).not.toBe('late');
    expect(from(latestStartAt! + 15)).toBe('late');
    expect(planBuild(build, { now: packDueAt! }).pieces[0]!.latestStartAt).toBeUndefined();
  });
});

describe('the demo build', () => {
  const plan = planBuild(demo(), { now });

  it('stands on day six as it should: sealed pieces, one drying, one late', () => {
    const late = plan.pieces.filter((piece) => piece.readiness === 'late').map((piece) => piece.pieceId);
    expect(late).toEqual(['baton']);
    expect(plan.pieces.every((piece) => piece.readiness !== 'stuck')).toBe(true);
    const gorget = plan.units.get('gorget/1')!.top('outer:rings')!;
    expect(gorget.milestones.recoat[0]!.from).toBeGreaterThan(now);
  });

  it('keeps every constraint', () => {
    expect(checkPlan(demo(), plan)).toEqual([]);
  });

  it('is planned the same way every time', () => {
    expect(planBuild(demo(), { now }).operations).toEqual(plan.operations);
  });
});

describe('any build', () => {
  const material = fc.constantFrom(
    'pva-flex-primer',
    'rubber-dip-spray',
    'craft-acrylic',
    'alkyd-flat-spray',
    'acrylic-wash',
    'matte-varnish',
  );
  const step = fc.record({
    material,
    coats: fc.integer({ min: 1, max: 3 }),
    both: fc.boolean(),
    film: fc.constantFrom('dust', 'light', 'normal'),
  });
  const piece = fc.record({
    quantity: fc.integer({ min: 1, max: 3 }),
    areaCm2: fc.integer({ min: 20, max: 3000 }),
    steps: fc.array(step, { minLength: 1, maxLength: 4 }),
  });

  it('gets a plan that keeps every constraint', () => {
    fc.assert(
      fc.property(fc.array(piece, { minLength: 1, maxLength: 4 }), fc.boolean(), (pieces, helped) => {
        const build = sampleBuild({
          pieces: pieces.map(({ quantity, areaCm2, steps }, at) =>
            samplePiece(
              { id: `p${at}`, quantity, faces: { outer: { areaCm2 }, inner: { areaCm2 } } },
              steps.map(({ material: id, coats, both, film }, n) => ({
                id: `s${n}`,
                kind: 'base',
                material: id,
                coats,
                film: film,
                faces: both ? ['inner', 'outer'] : ['outer'],
              })),
            ),
          ),
        });
        build.people[0]!.availability[0] = {
          ...build.people[0]!.availability[0]!,
          from: '18:00',
          to: '22:00',
        };
        if (helped) build.people.push({ ...build.people[0]!, id: 'you', name: 'You' });
        expect(checkPlan(build, planBuild(build, { latestStarts: false }))).toEqual([]);
      }),
      { numRuns: 40 },
    );
  });
});
