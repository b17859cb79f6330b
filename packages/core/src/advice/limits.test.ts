import { sayableLater } from './waysOut';
import type { Build, OwnMaterial, Piece, Step } from '../model/schema';
import { lay, logged, plate, sayings } from '../testing/ruleCases';
import { both, cured, heat, of, paint, place, pva, varnish } from '../testing/firing';
import { lookDifference } from './looksLike';
import { materialsOf } from '../materials/ownMaterials';
import { costScore } from './wayCost';
import { closesPores } from './rules/o12TooLittleSealer';
import { catalogueById } from '../materials/catalogue';
import { planBuild } from '../schedule/answers/planBuild';
import { toWallTime } from '../model/wallTime';
import { entryOf } from '../model/sure';

/** Each limit from both sides: what the docs say is where a rule begins to speak. */
const speaks = (steps: Step[], rule: string, piece: Partial<Piece> = {}, build: Partial<Build> = {}) =>
  sayings(plate(steps, piece, build), rule).some(({ severity }) => severity !== 'note');

const dip = lay('dip', 'seal', 'rubber-dip-spray', { film: 'light' });
const enamel = lay('enamel', 'base', 'hobby-enamel', { film: 'light' });
const primer = lay('prime', 'prime', 'acrylic-pu-primer-grey');

describe('where a film begins to part others', () => {
  // The primer is 80 µm wet: 0.04 mm of it are half a normal coat; a hair more keeps rounding out of it.
  it.each([
    ['half a normal coat', { pourMm: 0.04001 }, false],
    ['a little less', { pourMm: 0.0399 }, true],
    ['one light coat', { film: 'light' as const }, false],
    ['one dust coat', { film: 'dust' as const }, true],
    ['two dust coats', { film: 'dust' as const, coats: 2 }, false],
    ['on 95 % of it', { coversPct: 95 }, false],
    ['on 94 %', { coversPct: 94 }, true],
  ] as const)('%s', (_what, more, isMet) => {
    expect(speaks([dip, { ...primer, ...more }, enamel], 'R04')).toBe(isMet);
  });

  // 30 µm wet at 10 % solids are 3 µm.
  it.each([
    ['3 µm dry', 0.1, false],
    ['less', 0.099, true],
  ] as const)('%s', (_what, solids, isMet) => {
    const materials: OwnMaterial[] = [{ id: 'thin', extends: 'acrylic-pu-primer-grey', wftUm: 30, solids }];
    expect(speaks([dip, lay('thin', 'prime', 'thin'), enamel], 'R04', {}, { materials })).toBe(isMet);
  });
});

describe('the limits of rules', () => {
  const tight = { flex: [{ name: 'side', bendRadiusMm: 30 }] };
  const tin = (more: Partial<OwnMaterial>): Partial<Build> => ({
    materials: [{ id: 'own', extends: 'craft-acrylic', name: 'Own', ...more }],
  });
  const own = lay('own', 'base', 'own', { colour: '#446688' });
  const thin = (thicknessMm: number) => ({ ...both, ...of('eva-foam', { thicknessMm, heatSealed: true }) });
  const kept = (temperatureC: number): Partial<Build> => ({
    places: [
      ...place({}).places!,
      ...place({ id: 'van', name: 'Van', climate: { kind: 'constant', temperatureC, humidityPct: 30 } })
        .places!,
    ],
    stock: [{ material: 'rubber-dip-spray', containerMl: 400, remainingMl: 90, keptIn: 'van' }],
  });
  /** Mild for so many hours, then frost. */
  const mildFor = (hours: number): Partial<Build> =>
    place({
      climate: {
        kind: 'hourly',
        start: '2027-02-15T08:00',
        temperatureC: [...Array.from({ length: hours }, () => 12), -2],
        humidityPct: [50],
      },
    });
  const cement = lay('g', 'join', 'contact-cement');
  const cementThen = (heatAt: string): Partial<Build> => ({
    log: [logged('g', '09:00'), logged('heat', heatAt)],
  });

  const lightCoats = (um: number) => lay(`d${um}`, 'seal', 'own-medium', { film: 'light', coats: 4 });
  const decoupage = (wftUm: number): Partial<Build> => ({
    materials: [{ id: 'own-medium', extends: 'decoupage-gloss', name: 'Own medium', wftUm }],
  });
  const resist = lay('r', 'weather', 'chip-resist');
  const gloss = lay('gloss', 'topcoat', 'gloss-varnish');
  const matte = lay('matte', 'topcoat', 'matte-varnish');
  const epoxy = lay('epoxy', 'topcoat', 'epoxy-clear');
  const epoxyThen = (epoxyAt: string): Partial<Build> => ({
    log: [logged('paint', '09:00'), logged('epoxy', epoxyAt)],
  });

  const cases: [string, boolean, boolean][] = [
    // R15: 10 µm at 15 % solids are 1.5 µm.
    [
      'R15 sees a film of 1.5 µm',
      speaks([pva, own], 'R15', tight, tin({ elongationPct: 12, wftUm: 10, solids: 0.15 })),
      true,
    ],
    [
      'R15 does not see less',
      speaks([pva, own], 'R15', tight, tin({ elongationPct: 12, wftUm: 10, solids: 0.149 })),
      false,
    ],
    ['R14 calls 9.9 % rigid', speaks([pva, own], 'R14', tight, tin({ elongationPct: 9.9 })), true],
    ['R14 does not call 10 % rigid', speaks([pva, own], 'R14', tight, tin({ elongationPct: 10 })), false],
    ['R27 through 4 mm', speaks([pva, { ...heat, faces: ['inner'] }], 'R27', thin(4)), true],
    ['R27 not through 4.1 mm', speaks([pva, { ...heat, faces: ['inner'] }], 'R27', thin(4.1)), false],
    // R20: varnish is 70 µm wet, so 0.035 mm are half a coat.
    [
      'R20 lets half a coat hold powder',
      speaks([pva, lay('p', 'weather', 'pigment-powder'), { ...varnish, pourMm: 0.035 }], 'R20'),
      false,
    ],
    [
      'R20 speaks under that',
      speaks([pva, lay('p', 'weather', 'pigment-powder'), { ...varnish, pourMm: 0.0349 }], 'R20'),
      true,
    ],
    // R59: decoupage medium, 150 µm wet at 40 %: 0.15 mm are 60 µm dry.
    [
      'R59 from 60 µm on',
      speaks([lay('d', 'seal', 'decoupage-gloss', { pourMm: 0.15 })], 'R59', thin(3)),
      true,
    ],
    [
      'R59 not under that',
      speaks([lay('d', 'seal', 'decoupage-gloss', { pourMm: 0.149 })], 'R59', thin(3)),
      false,
    ],
    // Two light coats are 72 µm of it and four 144, of which 120 pull.
    [
      'R59 lets light coats be',
      speaks([lay('d', 'seal', 'decoupage-gloss', { film: 'light', coats: 2 })], 'R59', thin(3)),
      false,
    ],
    [
      'R59 not any number of them',
      speaks([lay('d', 'seal', 'decoupage-gloss', { film: 'light', coats: 4 })], 'R59', thin(3)),
      true,
    ],
    // Light coats of 125 µm at 40 %, 60 % of that each: four are 120 µm.
    ['R59 from 120 µm of light coats on', speaks([lightCoats(125)], 'R59', thin(3), decoupage(125)), true],
    ['R59 not under that', speaks([lightCoats(124.9)], 'R59', thin(3), decoupage(124.9)), false],
    // R24: craft acrylic is 80 µm wet, so 0.06 mm are three quarters of a coat.
    [
      'R24 lets three quarters of a coat chip',
      speaks([pva, resist, { ...paint, pourMm: 0.06 }], 'R24'),
      false,
    ],
    ['R24 speaks over that', speaks([pva, resist, { ...paint, pourMm: 0.0601 }], 'R24'), true],
    [
      'R24 adds up what lies in two steps',
      speaks([pva, resist, { ...paint, pourMm: 0.03 }, { ...paint, id: 'more', pourMm: 0.0301 }], 'R24'),
      true,
    ],
    // R18: matte varnish is 70 µm wet, so 0.14 mm are two coats.
    [
      'R18 lets two coats of matte flatten',
      speaks([pva, paint, gloss, { ...matte, pourMm: 0.14 }], 'R18'),
      false,
    ],
    ['R18 speaks under that', speaks([pva, paint, gloss, { ...matte, pourMm: 0.1399 }], 'R18'), true],
    // R25: 08:59 is 23 h 59 min after 09:00 of the day before; both presses are the end of a coat.
    ['R25 before a day is over', speaks([paint, epoxy], 'R25', {}, epoxyThen('2027-02-16T08:59')), true],
    ['R25 not after it', speaks([paint, epoxy], 'R25', {}, epoxyThen('2027-02-16T09:00')), false],
    // R01: two normal coats of primer are worth 2, three light ones 1.8; 1.79 is not enough.
    [
      'R01 takes three light coats',
      speaks([{ ...pva, coats: 3, film: 'light' }, dip], 'R01', of('expanded-polystyrene')),
      false,
    ],
    [
      'R01 does not take less',
      speaks([{ ...pva, coats: 1, pourMm: 0.2147 }, dip], 'R01', of('expanded-polystyrene')),
      true,
    ],
    ['R57 under 10 °C', speaks([dip], 'R57', {}, kept(9.9)), true],
    ['R57 not at 10 °C', speaks([dip], 'R57', {}, kept(10)), false],
    ['R57 over 50 °C', speaks([dip], 'R57', {}, kept(50.1)), true],
    ['R57 not at 50 °C', speaks([dip], 'R57', {}, kept(50)), false],
    ['R55 within 24 h', speaks([{ ...pva, coats: 1 }], 'R55', {}, mildFor(23)), true],
    ['R55 not after them', speaks([{ ...pva, coats: 1 }], 'R55', {}, mildFor(26)), false],
    ['R68 after 23 h 50', speaks([cement, heat], 'R68', {}, cementThen('2027-02-16T08:50')), true],
    [
      'R68 not after 24 h 10 and the minutes of the work',
      speaks([cement, heat], 'R68', {}, cementThen('2027-02-16T09:20')),
      false,
    ],
    ['R58 past 30 %', speaks([pva, { ...paint, thinWith: 'water', thinPct: 30.1 }], 'R58'), true],
  ];
  it.each(cases)('%s', (_what, does, should) => expect(does).toBe(should));

  it('a colour in the sun is kept by a filter over it', () => {
    const sun = { events: [{ id: 'day', name: 'The day', wearAt: '2027-12-06T09:00', inSun: true }] };
    expect(speaks([pva, lay('e', 'topcoat', 'epoxy-clear', cured)], 'R63', {}, sun)).toBe(true);
  });
});

describe('how a look is held against what is meant', () => {
  const materials = materialsOf([
    { id: 'a', extends: 'satin-varnish', sheenGu: 20 },
    { id: 'b', extends: 'satin-varnish', sheenGu: 30 },
    { id: 'c', extends: 'satin-varnish', sheenGu: 31 },
    { id: 'd', extends: 'satin-varnish', sheenGu: 41 },
  ]);
  const piece = (steps: Step[]): Piece => plate(steps).pieces[0]!;
  const under = (clear: string) => piece([pva, paint, lay('clear', 'topcoat', clear)]);
  const painted = (colour: string, coats = 3) => piece([pva, { ...paint, colour, coats }]);
  const differs = (one: Piece, other: Piece) => lookDifference(one, other, materials);

  it('minds more than ten gloss units, and another word for the sheen', () => {
    expect(differs(under('a'), under('b')).look).toBe('same');
    expect(differs(under('a'), under('c'))).toEqual({ look: 'slight', shows: ['a little shinier'] });
    // 40 gloss units and more are semi-gloss.
    expect(differs(under('a'), under('d'))).toEqual({
      look: 'other',
      shows: ['semi-gloss in place of satin'],
    });
  });

  it('minds colours by how far they are apart, and not what comes nearer to what was meant', () => {
    expect(differs(painted('#446688'), painted('#446789')).look).toBe('same');
    expect(differs(painted('#446688'), painted('#4c6e90')).shows).toEqual(['a shade off']);
    expect(differs(painted('#446688'), painted('#883333')).shows).toEqual(['another colour']);
    // Yellow over a black primer: more coats of it are what was meant.
    const over = (coats: number) =>
      piece([pva, lay('k', 'prime', 'acrylic-pu-primer-black'), { ...paint, colour: '#f4c20d', coats }]);
    expect(differs(over(1), over(6)).look).toBe('same');
    expect(differs(over(6), over(1)).shows).toEqual(['another colour']);
  });

  it('minds metal, effects and paint that are gone', () => {
    const metal = piece([pva, lay('m', 'base', 'acrylic-metallic', { colour: '#446688', coats: 3 })]);
    expect(differs(metal, painted('#446688')).shows).toContain('paint in place of metal');
    const washed = piece([pva, paint, lay('w', 'weather', 'acrylic-wash')]);
    expect(differs(washed, piece([pva, paint])).shows).toContain('without the Acrylic wash');
  });
});

it('worn too soon (R52) ends with the minute at which the last coat is wearable, and softness with when it is handled', () => {
  const dipped = (wearAt: string) =>
    plate([dip], {}, { events: [{ id: 'day', name: 'The day', wearAt }], log: [logged('dip', '09:00')] });
  const severity = (wearAt: string) => sayings(dipped(wearAt), 'R52').map((one) => one.severity);
  const at = (minute: number) => toWallTime(minute, 'UTC');
  // Handled after 240 min, wearable after 1,440; a light coat takes half of that, from 09:00.
  const { handleAt, wearAt } = planBuild(dipped('2027-12-06T09:00')).units.get('plate/1')!.dry('outer:whole')!
    .coats[0]!;
  expect([at(handleAt), at(wearAt)]).toEqual(['2027-02-15T11:00', '2027-02-15T21:00']);
  expect([severity(at(Math.floor(wearAt) - 1)), severity(at(Math.floor(wearAt)))]).toEqual([['risk'], []]);
  expect([severity(at(Math.floor(handleAt) - 1)), severity(at(Math.floor(handleAt)))]).toEqual([
    ['stop'],
    ['risk'],
  ]);
});

it('an effect needs its ground (O13): white from L* 85 on, a gloss of more than 70', () => {
  const glow = lay('g', 'base', 'glow-paint', { coats: 4 });
  // #d4d4d4 is L* 84.6, #d6d6d6 is L* 85.3; so much of it that nothing shows through.
  const over = (colour: string) =>
    speaks([lay('w', 'base', 'craft-acrylic', { colour, coats: 6 }), glow], 'O13');
  expect([over('#d4d4d4'), over('#d6d6d6')]).toEqual([true, false]);
  const chrome = (sheenGu: number) =>
    speaks(
      [lay('own', 'base', 'own', { coats: 2 }), lay('k', 'base', 'chrome-effect-spray')],
      'O13',
      {},
      {
        materials: [{ id: 'own', extends: 'craft-acrylic', name: 'Own', sheenGu }],
      },
    );
  expect([chrome(70), chrome(71)]).toEqual([true, false]);
});

it('what is misted on instead (R43) leaves the film that was meant', () => {
  // Two normal coats are worth 2; light ones are worth 0.6, so four.
  const lacquer = lay('m', 'base', 'metallic-lacquer-spray', { coats: 2, film: 'normal' });
  const [found] = sayings(plate([pva, lacquer]), 'R43');
  expect(found?.ideas.find(({ label }) => label.startsWith('Mist'))?.change).toContainEqual(
    expect.objectContaining({ path: '/pieces/0/steps/1/coats', value: 4 }),
  );
});

it('a cure that its rule names second costs three tenths of a day more than the first', () => {
  const way = {
    label: '',
    change: [],
    isCure: true,
    laterMinutes: 0,
    buys: [],
    extraMl: 0,
    look: 'same' as const,
    shows: [],
    newRisks: [],
    makesLate: [],
  };
  expect(costScore(way, 1) - costScore(way, 0)).toBeCloseTo(0.3, 9);
});

describe('sealer that closes pores (O12)', () => {
  const closes = (id: string, worth: number, coats: number) =>
    closesPores(entryOf(catalogueById, id), worth, coats);
  it('is three coats of a thin one, or as much in fewer', () => {
    // PVA primer leaves 120 · 0.42 = 50 µm a coat.
    expect([closes('pva-flex-primer', 1.8, 3), closes('pva-flex-primer', 2, 2)]).toEqual([true, false]);
    expect([closes('pva-flex-primer', 2.7, 2), closes('pva-flex-primer', 2.69, 2)]).toEqual([true, false]);
  });
  it('is one heavy or two normal coats of a thick one', () => {
    // Neoprene leaves 200 · 0.4 = 80 µm, foam coat 140 · 0.4 = 56 µm.
    expect([closes('neoprene-soft', 1.6, 1), closes('neoprene-soft', 1.59, 3)]).toEqual([true, false]);
    expect(closes('foam-coat-rubberiser', 1.6, 2)).toBe(false);
  });
  it('is less of what bites in, and one coat of what loses nothing', () => {
    expect([closes('rubber-dip-spray', 1.7, 2), closes('rubber-dip-spray', 1.69, 2)]).toEqual([true, false]);
    expect([closes('epoxy-clear', 0.9, 1), closes('epoxy-clear', 0.89, 1)]).toEqual([true, false]);
  });
});

it('a way out is called sooner from half a day on, and never where it adds a coat', () => {
  expect([90, 0, -719, -720, -4000].map((minutes) => sayableLater(minutes, false))).toEqual([
    90, 0, 0, -720, -4000,
  ]);
  expect([90, -720, -4000].map((minutes) => sayableLater(minutes, true))).toEqual([90, 0, 0]);
});
