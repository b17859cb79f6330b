import { judgeBuild } from '../advice/judgeBuild';
import { checksOf } from '../facts/lookOver';
import { parseBuild } from '../materials/parseBuild';
import { lookingTable, type Check } from '../model/lookOverChecks';
import { lookOvers, lookOverTable } from '../model/lookOvers';
import { placementTable } from '../model/placements';
import type { Build, Piece, Step } from '../model/schema';
import { operationId } from '../model/stepSpots';
import { epochMinute, toWallTime } from '../model/wallTime';
import { pieceBounds } from '../schedule/place/bounds';
import { planBuild } from '../schedule/answers/planBuild';
import { workloadOf } from '../schedule/plan/workload';
import { expandBuild } from '../schedule/plan/operations';
import { checkPlan } from '../testing/checkPlan';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Choices } from './choices';
import { afterTornPull, mended, mendOffers } from './mends';
import { lookById, shippedLooks } from './shippedLooks';
import { entryOf, nth, sure } from '../model/sure';
import { recipeOf } from './saveLook';
import { writeSteps } from './writeSteps';

const climate = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
const ground = (): Build =>
  sampleBuild({
    places: [
      { id: 'room', name: 'Room', ventilation: 'window', slots: 6, climate },
      { id: 'porch', name: 'Porch', ventilation: 'outdoor', slots: 6, climate },
    ],
  });
const zones = [
  { id: 'plate', name: 'Plate', share: 0.7 },
  { id: 'trim', name: 'Trim', share: 0.3 },
];
const look = (id: string) => entryOf(lookById, id);
function dressed(choices: Choices, changes: Partial<Piece> = {}): { build: Build; piece: Piece } {
  const plain = samplePiece({ faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 580 } }, ...changes }, []);
  const piece = { ...plain, steps: writeSteps(ground(), plain, choices).steps };
  return { build: { ...ground(), pieces: [piece] }, piece };
}
const line = ({ kind, looksOver, material }: Step) => looksOver ?? material ?? kind;
const stopAt = (piece: Piece, at: string) =>
  sure(
    piece.steps.find(({ looksOver }) => looksOver === at),
    at,
  );
const checkOf = (piece: Piece, step: Step, id: string): Check =>
  sure(
    checksOf(piece, step).find((one) => one.id === id),
    id,
  );

describe('looks stop to look', () => {
  it('before sealing, after it, after primer and after colour, and before packing', () => {
    expect(dressed({ looks: [{ look: look('gunmetal') }] }).piece.steps.map(line)).toEqual([
      'prep',
      'heat-seal',
      'bare',
      'pva-flex-primer',
      'pva-flex-primer',
      'felt',
      'acrylic-pu-primer-black',
      'sand',
      'primed',
      'acrylic-metallic',
      'coloured',
      'dry-brush-acrylic',
      'satin-varnish',
      'packing',
    ]);
  });

  it('after each tape, of which the last is looked at with the colours', () => {
    const three = [
      { id: 'a', name: 'A', share: 0.4 },
      { id: 'b', name: 'B', share: 0.35 },
      { id: 'c', name: 'C', share: 0.25 },
    ];
    const { piece } = dressed(
      {
        looks: ['clean-toy-plastic', 'gunmetal', 'polished-gold'].map((id, n) => ({
          look: look(id),
          zone: nth(three, n).id,
        })),
        tools: ['aerosol'],
        order: ['a', 'b', 'c'],
      },
      { zones: three, faces: { outer: { areaCm2: 3000 } } },
    );
    const stops = piece.steps.filter(({ kind }) => ['unmask', 'inspect'].includes(kind)).map(line);
    expect(stops).toEqual(['bare', 'sealed', 'unmask', 'pulled', 'unmask', 'coloured', 'packing']);
    const ids = (at: string) => checksOf(piece, stopAt(piece, at)).map(({ id }) => id);
    expect(ids('pulled')).toEqual(['leaks', 'lifted']);
    expect(ids('coloured')).toEqual(['leaks', 'lifted', 'cover', 'missed', 'runs']);
  });

  it('twice only where it has to be quick, and not at all between where that is not wanted', () => {
    const stops = (choices: Partial<Choices>) =>
      dressed({ looks: [{ look: look('gunmetal') }], ...choices }).piece.steps.flatMap(
        ({ looksOver }) => looksOver ?? [],
      );
    expect(stops({ quicker: true })).toEqual(['bare', 'packing']);
    expect(stops({ lookOvers: false })).toEqual(['packing']);
    expect(stops({ tryOn: true }).slice(0, 2)).toEqual(['worn', 'bare']);
  });

  it('at what the piece is: bends where it bends, pores on sheets of foam', () => {
    const ids = (changes: Partial<Piece>, at: string) => {
      const { piece } = dressed({ looks: [{ look: look('gunmetal') }], tryOn: true }, changes);
      return checksOf(piece, stopAt(piece, at)).map(({ id }) => id);
    };
    expect(ids({}, 'packing')).toEqual(['nail', 'smell', 'rubs', 'chips']);
    expect(ids({ flex: [{ name: 'tab', bendRadiusMm: 60 }] }, 'packing')[0]).toBe('cracks');
    expect(ids({}, 'bare')).toEqual(['seams', 'glue', 'pores', 'dust']);
    expect(ids({ substrate: { kind: 'cast-resin', thicknessMm: 3 } }, 'bare')).not.toContain('pores');
    expect(ids({ keepBare: ['Strap tab'] }, 'worn')).toEqual(['sits', 'reaches']);
  });

  it('without waiting for more than dry paint: 50 min before a film can be handled', () => {
    // Craft acrylic at label air: touch-dry 20 min after 08:05 and handleable long after; the look 0.1 min and half a minute for 500 cm², so one.
    const piece = samplePiece({}, [
      { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
      { id: 'look', kind: 'inspect', method: 'hand', looksOver: 'coloured' },
    ]);
    const build = sampleBuild({ pieces: [piece] });
    const plan = planBuild(build, { latestStarts: false });
    expect(checkPlan(build, plan)).toEqual([]);
    const [base, seen] = plan.operations;
    expect(seen!.workMinutes).toBe(1);
    // Its two minutes of getting ready fall into the wait.
    expect(seen!.laidAt! - seen!.workMinutes - base!.laidAt!).toBe(20);
  });

  it('before packing once it can be packed, and no date waits for that', () => {
    // One coat of PVA primer on Monday evening; packable on Tuesday, when nobody has time.
    const piece = samplePiece({}, [
      { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
      { id: 'look', kind: 'inspect', method: 'hand', looksOver: 'packing' },
    ]);
    const build = sampleBuild({
      pieces: [piece],
      people: [
        {
          id: 'me',
          name: 'Me',
          availability: [{ days: ['mon', 'wed'], from: '19:00', to: '22:00' }],
        },
      ],
    });
    const plan = planBuild(build, { latestStarts: false });
    expect(checkPlan(build, plan)).toEqual([]);
    const [seal, seen] = plan.operations;
    const [state] = plan.pieces;
    expect(state!.finishedAt).toBe(seal!.laidAt);
    expect(seen!.start!).toBeGreaterThanOrEqual(state!.packableAt!);
    expect(toWallTime(seen!.start!, 'UTC')).toBe('2027-02-17T19:00');
    expect(state!.packableAt!).toBeLessThan(seen!.start!);
    expect(state!.readiness).toBe('on-time');
    expect(
      pieceBounds(workloadOf(build), plan.operations, plan.units, plan.now)[0]!.packableAt,
    ).toBeLessThanOrEqual(state!.packableAt!);
  });
});

it('unlike looks share neither a batch nor a rinse, like ones of several pieces do', () => {
  const { build } = dressed({ looks: [{ look: look('gunmetal') }] }, { quantity: 2 });
  const looks = expandBuild(build).filter(({ kind }) => kind === 'inspect');
  expect(new Set(looks.map(({ batchKey }) => batchKey)).size).toBe(5);
  expect(new Set(looks.map(({ rinseKey }) => rinseKey)).size).toBe(5);
});

describe('what a surface is cleaned with leaves before the next thing is done', () => {
  it.each<[string, Partial<Step>, number]>([
    ['wiped', { kind: 'prep', cleans: 'wiped' }, 15],
    ['washed', { kind: 'prep', cleans: 'washed' }, 60],
    ['degreased', { kind: 'prep', cleans: 'degreased' }, 15],
    ['rid of glue', { kind: 'prep', cleans: 'unglued' }, 15],
    ['sanded wet', { kind: 'sand', method: 'sand', thinWith: 'water' }, 30],
    ['not cleaned', { kind: 'prep' }, 0],
  ])('%s', (_word, first, minutes) => {
    const piece = samplePiece({}, [
      { id: 'first', kind: 'prep', minutes: 5, ...first },
      { id: 'next', kind: 'texture', minutes: 5 },
    ]);
    const build = sampleBuild({ pieces: [piece] });
    const plan = planBuild(build, { latestStarts: false });
    expect(checkPlan(build, plan)).toEqual([]);
    const [clean, next] = plan.operations;
    expect(next!.laidAt! - 5 - clean!.laidAt!).toBe(minutes);
  });
});

describe('a step on some units of a set', () => {
  const piece = samplePiece({ quantity: 3 }, [
    { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
    { id: 'patch', kind: 'seal', material: 'pva-flex-primer', method: 'brush', units: [2] },
    { id: 'base', kind: 'base', material: 'craft-acrylic', method: 'brush' },
  ]);
  const build = sampleBuild({ pieces: [piece] });

  it('is done on those, and the others go on without it', () => {
    const operations = expandBuild(build);
    const ids = operations.map(({ unit, stepId }) => `${unit} ${stepId}`);
    expect(ids).toEqual(['1 seal', '1 base', '2 seal', '2 patch', '2 base', '3 seal', '3 base']);
    const after = (unit: number) =>
      operations.find((one) => one.unit === unit && one.stepId === 'base')!.after;
    const pass = (unit: number, step: string) =>
      operationId({ piece: 'plate', unit, step, coat: 1, face: 'outer' });
    expect([after(1), after(2)]).toEqual([[pass(1, 'seal')], [pass(2, 'patch')]]);
    expect(checkPlan(build, planBuild(build, { latestStarts: false }))).toEqual([]);
  });

  it('is refused for units there are not, and its passes are logged on its own only', () => {
    const steps = [...piece.steps];
    steps[1] = { ...nth(steps, 1), units: [4] };
    const bad = parseBuild({ ...build, pieces: [{ ...piece, steps }] });
    expect(bad.ok ? [] : bad.faults.map(({ message }) => message)).toEqual([
      'There are 3 of "Plate", not 4.',
    ]);
    const entry = { id: 'x', piece: 'plate', unit: 1, step: 'patch', coat: 1, doneAt: '2027-02-15T09:00' };
    const plan = planBuild({ ...build, log: [entry] }, { latestStarts: false });
    expect(plan.operations.filter(({ status }) => status === 'done')).toEqual([]);
  });
});

describe('what fails is put right', () => {
  const offer = (piece: Piece, build: Build, at: string, check: string, zones?: string[]) =>
    mendOffers(build, piece, stopAt(piece, at).id, checkOf(piece, stopAt(piece, at), check), {
      ...(zones ? { zones } : {}),
    }).map(({ steps, mend }) => [mend, ...steps.map(line)]);
  const { build, piece } = dressed({ looks: [{ look: look('battle-worn-steel') }] });

  it('with what the piece already has, and a way that goes with its films', () => {
    expect(offer(piece, build, 'bare', 'seams')).toEqual([
      ['fill-seams', 'foam-filler-paste', 'sand'],
      ['caulk-seams', 'acrylic-caulk'],
    ]);
    expect(offer(piece, build, 'bare', 'glue')).toEqual([['clean-glue', 'prep']]);
    expect(offer(piece, build, 'bare', 'pores')[0]).toEqual(['heat-again', 'heat-seal']);
    // The look of this one is sealed with PVA, which takes paper; soft rubber does not.
    expect(offer(piece, build, 'felt', 'tacky')).toEqual([['wait']]);
    const rubber = dressed({ looks: [{ look: look('battle-worn-steel') }], sealer: 'rubber-dip' });
    expect(offer(rubber.piece, rubber.build, 'sealed', 'pinholes')).toEqual([
      ['seal-again', 'rubber-dip-spray'],
    ]);
    expect(offer(piece, build, 'felt', 'pinholes')).toHaveLength(2);
  });

  it('in the zone where it failed, by brush up to its edge, from the nearest pot where it came from a can', () => {
    const two = dressed(
      {
        looks: [
          { look: look('gunmetal'), zone: 'plate' },
          { look: look('clean-toy-plastic'), zone: 'trim' },
        ],
        tools: ['aerosol'],
      },
      { zones },
    );
    const stop = stopAt(two.piece, 'coloured');
    const [first] = mendOffers(two.build, two.piece, stop.id, checkOf(two.piece, stop, 'missed'), {
      zones: ['plate'],
    });
    expect(first!.steps).toMatchObject([
      {
        kind: 'base',
        material: 'acrylic-metallic',
        method: 'brush',
        zones: ['plate'],
        placement: 'spots',
        coats: 1,
        mends: true,
        place: 'room',
      },
    ]);
  });

  it('on the units it failed on', () => {
    const set = dressed({ looks: [{ look: look('gunmetal') }] }, { quantity: 4 });
    const stop = stopAt(set.piece, 'bare');
    const on = (units: number[]) =>
      mendOffers(set.build, set.piece, stop.id, checkOf(set.piece, stop, 'dust'), { units })[0]!.steps[0]!
        .units;
    expect([on([2, 3]), on([1, 2, 3, 4])]).toEqual([[2, 3], undefined]);
  });

  it('before it is looked at again, and is no part of the finish that is saved', () => {
    const stop = stopAt(piece, 'primed');
    const [fix] = mendOffers(build, piece, stop.id, checkOf(piece, stop, 'scratches'));
    const steps = mended(piece, stop.id, fix!.steps);
    const at = steps.findIndex(({ id }) => id === stop.id);
    expect(steps.slice(at - fix!.steps.length, at)).toEqual(fix!.steps);
    expect(steps).toHaveLength(piece.steps.length + fix!.steps.length);
    expect(recipeOf({ ...piece, steps }).steps).toEqual(piece.steps);
  });

  it('and a look that failed is taken up again with no sanding back', () => {
    const stop = stopAt(piece, 'bare');
    const before = piece.steps.slice(0, piece.steps.indexOf(stop));
    const log = [...before, stop].map((step, n) => ({
      id: `e${n}`,
      piece: piece.id,
      unit: 1,
      step: step.id,
      coat: 1,
      doneAt: `2027-02-15T09:0${n}`,
      ...(step.id === stop.id ? { outcome: 'failed' as const } : {}),
    }));
    const plan = planBuild(
      { ...build, log },
      { latestStarts: false, now: epochMinute('2027-02-15T09:06', 'UTC') },
    );
    const again = plan.operations.find(({ stepId }) => stepId === stop.id)!;
    expect([again.status, again.failures, again.workMinutes]).toEqual(['planned', 1, 1]);
    expect(toWallTime(again.start!, 'UTC')).toBe('2027-02-15T09:06');
  });

  // Whatever fails wherever it is looked at: no way to put it right is worse than leaving it, and all of them can be planned.
  it.each(shippedLooks.map((one) => [one.id, one] as const))(
    'on %s in no way that the rules speak against',
    (_id, one) => {
      for (const sealer of ['pva', 'rubber-dip'] as const) {
        const other = look('clean-toy-plastic');
        const made = dressed(
          {
            looks: [
              { look: one, zone: 'plate' },
              { look: other, zone: 'trim' },
            ],
            sealer,
            tryOn: true,
            tools: ['brush', 'foam-brush', 'sponge', 'aerosol'],
          },
          { zones, flex: [{ name: 'tab', bendRadiusMm: 80 }], keepBare: ['Strap tab'] },
        );
        const worst = (piece: Piece) =>
          judgeBuild({ ...made.build, pieces: [piece] })
            .filter(({ severity }) => severity !== 'note')
            .map(({ rule, message, severity }) => `${severity} ${rule} ${message}`);
        const known = new Set(worst(made.piece).map((text) => text.split(' ')[1]));
        let tried = 0;
        for (const step of made.piece.steps)
          for (const check of checksOf(made.piece, step)) {
            const offers = mendOffers(made.build, made.piece, step.id, check);
            expect([step.looksOver, check.id, offers.length > 0]).toEqual([step.looksOver, check.id, true]);
            for (const { mend, steps } of offers) {
              const piece = { ...made.piece, steps: mended(made.piece, step.id, steps) };
              const build = { ...made.build, pieces: [piece] };
              expect(parseBuild(build)).toMatchObject({ ok: true });
              const news = worst(piece).filter((text) => !known.has(text.split(' ')[1]));
              expect([one.id, sealer, step.looksOver, mend, news]).toEqual([
                one.id,
                sealer,
                step.looksOver,
                mend,
                [],
              ]);
              const plan = planBuild(build, { latestStarts: false, search: { starts: 'first' } });
              expect([mend, plan.pieces[0]!.readiness]).not.toEqual([mend, 'stuck']);
              tried += 1;
            }
          }
        expect(tried).toBeGreaterThan(20);
      }
    },
  );
});

it('every check says what is right and wrong, and what can be done', () => {
  for (const at of lookOvers)
    for (const { right, wrong, mends } of lookingTable[at].checks) {
      expect(right).toMatch(/\.$/);
      expect(wrong).not.toMatch(/\.$/);
      expect(mends.length).toBeGreaterThan(0);
    }
});

it('a try-on takes eight minutes in all, and a look is taken again a day later where only time helps', () => {
  const minutes = lookOvers.map((at) => lookOverTable[at].minutesInAll);
  expect(minutes).toEqual([8, undefined, undefined, undefined, undefined, undefined, undefined]);
  const { build, piece } = dressed({ looks: [{ look: look('gunmetal') }] });
  const stop = stopAt(piece, 'packing');
  const [wait] = mendOffers(build, piece, stop.id, checkOf(piece, stop, 'nail'));
  expect([wait!.mend, wait!.waitMinutes]).toEqual(['wait', 1440]);
  // Single spots are three hundredths of what they are on.
  expect(placementTable.spots.covers).toEqual({ share: 0.03 });
});

describe('tape that took paint along', () => {
  it('is followed by sanding and touching up what lay under it, on the units it happened on', () => {
    const build = ground();
    const piece = samplePiece({ quantity: 3, zones }, [
      { id: 'seal', kind: 'seal', material: 'pva-flex-primer', method: 'brush' },
      { id: 'base', kind: 'base', material: 'flex-acrylic', method: 'brush', colour: '#884422' },
      { id: 'mask', kind: 'mask', zones: ['trim'] },
      {
        id: 'plate',
        kind: 'base',
        material: 'flex-acrylic',
        method: 'brush',
        colour: '#224488',
        zones: ['plate'],
      },
      { id: 'pull', kind: 'unmask', zones: ['trim'] },
      { id: 'clear', kind: 'topcoat', material: 'satin-varnish', method: 'brush' },
    ]);
    const steps = afterTornPull({ ...build, pieces: [piece] }, piece, 'pull', { units: [2] });
    const added = steps.slice(5, -1);
    expect(steps.map(({ id }) => id).filter((id) => piece.steps.some((step) => step.id === id))).toEqual(
      piece.steps.map(({ id }) => id),
    );
    expect(steps.at(-1)?.id).toBe('clear');
    expect(added.map(({ kind }) => kind)).toEqual(['sand', 'base']);
    // In the colour of the trim, which lay under the tape, and nowhere else.
    expect(added.at(-1)).toMatchObject({ colour: '#884422', zones: ['trim'], units: [2], mends: true });
    const log = [2].map((unit) => ({
      id: `l${unit}`,
      piece: piece.id,
      unit,
      step: 'pull',
      coat: 1,
      doneAt: '2027-02-15T12:00',
    }));
    const torn: Build = { ...build, pieces: [{ ...piece, steps }], log };
    const plan = planBuild(torn, { latestStarts: false });
    expect(checkPlan(torn, plan)).toEqual([]);
    const touched = plan.operations.filter(({ stepId }) => added.some(({ id }) => id === stepId));
    expect(touched.map(({ status, unit }) => [status, unit])).toEqual(added.map(() => ['planned', 2]));
  });
});
