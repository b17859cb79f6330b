import { checkPlan } from '../../testing/checkPlan';
import { randomBuild } from '../../testing/randomBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import type { Build, Piece, Step } from '../../model/schema';
import { epochMinute, toWallTime } from '../../model/wallTime';
import { rackShareOf } from '../plan/operations';
import { workBegins } from '../plan/plan';
import { planBuild } from '../answers/planBuild';

const wall = (minute: number | undefined) => toWallTime(minute ?? NaN, 'UTC').slice(5);
const planned = (build: Build, search?: { iterations: number }) => {
  const plan = planBuild(build, { latestStarts: false, ...(search ? { search } : {}) });
  expect(checkPlan(build, plan)).toEqual([]);
  return plan;
};
const acrylic = (id: string, changes: Partial<Step> = {}): Step => ({
  id,
  kind: 'base',
  material: 'craft-acrylic',
  method: 'brush',
  ...changes,
});

describe('a pass right behind the one before it', () => {
  it('waits for that, not for hands that are free; what begins a session waits for nothing', () => {
    // The hands are at the prep while the sanding, 3 min to set up, could be set up already: no wait anybody would name.
    const steps: Step[] = [
      { id: 'prep', kind: 'prep', minutes: 5 },
      { id: 'sand', kind: 'sand', method: 'sand' },
    ];
    const { operations } = planned(sampleBuild({ pieces: [samplePiece({}, steps)] }));
    expect(operations.map(({ setUpMinutes, boundBy }) => [setUpMinutes, boundBy])).toEqual([
      [0, 'start'],
      [3, 'order'],
    ]);
  });
});

describe('dust', () => {
  const sanded = (changes: Partial<Step> = {}): Piece =>
    samplePiece({ id: 'b', name: 'B' }, [
      { id: 'sand', kind: 'sand', method: 'sand', after: ['a/coat'], ...changes },
    ]);
  const both = (sand: Piece) =>
    sampleBuild({ pieces: [samplePiece({ id: 'a', name: 'A' }, [acrylic('coat')]), sand] });

  it('is not made where a coat is wetter than touch-dry', () => {
    // Laid 08:03 to 08:05; touch-dry after 20 min at label air: 08:25, when the sanding itself may begin.
    const [coat, sand] = planned(both(sanded())).operations;
    expect([wall(coat!.laidAt), wall(sand!.laidAt! - sand!.workMinutes), sand!.boundBy]).toEqual([
      '02-15T08:05',
      '02-15T08:25',
      'dust',
    ]);
  });

  it('may be made in another room, and foam cut to fit is dust too', () => {
    const build = both(sanded({ place: 'shed' }));
    build.places.push({ ...build.places[0]!, id: 'shed', name: 'Shed' });
    // When the brush is put away: 5 min after 08:05, and 2 min to set up.
    expect(wall(planned(build).operations[1]!.start)).toBe('02-15T08:10');
    const trimmed = both(
      samplePiece({ id: 'b', name: 'B' }, [
        { id: 't', kind: 'prep', minutes: 5, trims: true, after: ['a/coat'] },
      ]),
    );
    expect(wall(planned(trimmed).operations[1]!.start)).toBe('02-15T08:25');
  });

  it('keeps coats waiting as well, in first plans and searched ones', () => {
    for (let seed = 0; seed < 10; seed += 1) {
      const build = randomBuild(seed + 900, { pieces: 4, steps: 4, people: 2, slots: 4 });
      for (const piece of build.pieces)
        piece.steps.splice(2, 0, { id: 'dusty', kind: 'sand', method: 'sand' });
      planned(build, { iterations: 40 });
    }
  });
});

describe('what is done while a coat is fresh', () => {
  const steps: Step[] = [
    { id: 'resist', kind: 'weather', material: 'chip-resist', method: 'brush' },
    acrylic('colour', { film: 'light' }),
    { id: 'chip', kind: 'weather', method: 'hand', minutes: 30 },
  ];

  it('falls into the same session: the coat waits for an evening that has room for both', () => {
    const build = sampleBuild({ pieces: [samplePiece({}, steps)] });
    const [me] = build.people;
    // Half an hour on weekdays is enough for the colour, not for chipping after it; Saturday has the whole day.
    me!.availability = [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '19:35' },
      { days: ['sat'], from: '09:00', to: '18:00' },
    ];
    const plan = planned(build);
    const [, colour, chip] = plan.operations;
    expect([wall(colour!.start).slice(0, 5), wall(chip!.start).slice(0, 5)]).toEqual(['02-20', '02-20']);
    const unit = plan.units.get('plate/1')!;
    expect(chip!.laidAt! - 30).toBeLessThanOrEqual(
      Math.ceil(unit.asOf('outer:whole', colour!.laidAt!)!.handleAt),
    );
  });

  it('is done late rather than never where no session has room', () => {
    const build = sampleBuild({ pieces: [samplePiece({}, steps)] });
    build.people[0]!.availability = [
      { days: ['mon', 'tue', 'wed', 'thu', 'fri'], from: '19:00', to: '19:35' },
    ];
    expect(planBuild(build, { latestStarts: false }).operations.map(({ status }) => status)).toEqual([
      'planned',
      'planned',
      'planned',
    ]);
  });
});

describe('a piece on a stand', () => {
  it('gets both faces in one go, coat by coat', () => {
    const piece = samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 600 } } }, [
      acrylic('c', { coats: 2, faces: ['inner', 'outer'] }),
    ]);
    const lying = planned(sampleBuild({ pieces: [piece] })).operations;
    const standing = planned(sampleBuild({ pieces: [{ ...piece, standing: true }] })).operations;
    expect(standing.map(({ coat, face }) => `${coat} ${face}`)).toEqual([
      '1 inner',
      '1 outer',
      '2 inner',
      '2 outer',
    ]);
    // Both first coats from 08:03, 2 min each; the second after 30 min to recoat, in the same batch or another.
    expect(standing.slice(0, 2).map(({ laidAt }) => wall(laidAt))).toEqual(['02-15T08:05', '02-15T08:07']);
    const end = (operations: typeof lying) => Math.max(...operations.map(({ laidAt }) => laidAt!));
    // Lying, the inner face has to be handleable first.
    expect(end(standing)).toBeLessThan(end(lying) - 60);
  });
});

describe('parts', () => {
  it('are joined only when all of them can be handled, and the whole is ready with its parts', () => {
    const slow = samplePiece({ id: 'slow', name: 'Slow' }, [
      { id: 'gloss', kind: 'topcoat', material: 'alkyd-gloss-spray', method: 'aerosol' },
    ]);
    const quick = samplePiece({ id: 'quick', name: 'Quick' }, [
      acrylic('c'),
      { id: 'join', kind: 'join', parts: ['slow'], after: ['c', 'slow/gloss'] },
    ]);
    const plan = planned(sampleBuild({ pieces: [quick, slow] }));
    const join = plan.operations.find(({ kind }) => kind === 'join')!;
    const part = plan.units.get('slow/1')!;
    expect(workBegins(join)).toBeGreaterThanOrEqual(part.dry('outer:whole')!.handleAt);
    const ready = new Map(plan.pieces.map((one) => [one.pieceId, one]));
    expect(ready.get('quick')!.wearableAt).toBe(ready.get('slow')!.wearableAt);
  });
});

describe('the rack', () => {
  it('is shared by what is small: sixteen finger plates stand where one breastplate does', () => {
    // 400 cm² and more take a place; 25 cm² are a sixteenth of that, and nothing takes less.
    expect([5, 25, 26, 100, 399, 400, 3000].map(rackShareOf)).toEqual([
      1 / 16,
      1 / 16,
      2 / 16,
      0.25,
      1,
      1,
      1,
    ]);
  });

  it('takes 32 plates at once on two places, which are painted in one go of a quarter of a minute each', () => {
    const build = sampleBuild({
      pieces: [samplePiece({ quantity: 33, faces: { outer: { areaCm2: 20 } } }, [acrylic('c')])],
    });
    build.places[0]!.slots = 2;
    const { operations } = planned(build);
    const together = operations.slice(0, 32);
    // Set up in 3 min, then 32 times 15 s.
    expect(together.map(({ laidAt }) => laidAt! - epochMinute(build.start, 'UTC'))).toEqual(
      together.map((_one, n) => 3 + (n + 1) / 4),
    );
    expect(operations[32]!.boundBy).toBe('rack');
  });
});

describe('another colour', () => {
  it('with the same tool is a rinse of two minutes, not another set-up', () => {
    const build = sampleBuild({
      pieces: ['#aa2222', '#2222aa', '#2222aa'].map((colour, n) =>
        samplePiece({ id: `p${n}`, name: `P${n}` }, [acrylic('c', { colour })]),
      ),
    });
    const plan = planned(build);
    // 3 min to set up, 2 to paint; 2 to rinse, 2 to paint, 2 to paint.
    const done = plan.operations.map(({ laidAt }) => wall(laidAt)).sort();
    expect([
      ['08:05', '08:09', '08:11'],
      ['08:05', '08:07', '08:11'],
    ]).toContainEqual(done.map((one) => one.slice(6)));
    // One session and one set-up.
    expect(plan.score.sessions).toBe(2);
  });
});

describe('a material on order', () => {
  it('is waited for, unless there is a tin of it', () => {
    const build = sampleBuild({
      pieces: [samplePiece({}, [acrylic('c')])],
      stock: [{ material: 'craft-acrylic', containerMl: 120, remainingMl: 120, arrivesOn: '2027-02-18' }],
    });
    const [coat] = planned(build).operations;
    expect([wall(coat!.start), coat!.boundBy]).toEqual(['02-18T08:00', 'material']);
    // An empty one is none.
    build.stock!.push({ material: 'craft-acrylic', containerMl: 120, remainingMl: 0 });
    expect(wall(planned(build).operations[0]!.start)).toBe('02-18T08:00');
    // One of another colour neither: this coat is written in #445566.
    const own = { material: 'craft-acrylic', containerMl: 120, remainingMl: 10 };
    build.stock = [
      { ...build.stock![0]!, colour: '#445566' },
      { ...own, colour: '#aa2211' },
    ];
    build.pieces[0]!.steps[0]!.colour = '#445566';
    expect(wall(planned(build).operations[0]!.start)).toBe('02-18T08:00');
    // And of a colour that nobody ordered nothing is waited for.
    build.pieces[0]!.steps[0]!.colour = '#00ff00';
    expect(wall(planned(build).operations[0]!.start)).toBe('02-15T08:00');
    build.pieces[0]!.steps[0]!.colour = '#445566';
    build.stock.push({ ...own, colour: '#445566' });
    expect(wall(planned(build).operations[0]!.start)).toBe('02-15T08:00');
  });
});
