import { planBuild } from '../../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { applyLogEdit } from '../../model/logEdits';
import { withoutDangling } from '../../model/references';
import type { Build, LogEntry, Piece, Step, Tin } from '../../model/schema';
import { sure } from '../../model/sure';
import { toWallTime } from '../../model/wallTime';
import { passNeeds, shelfNow, withUsed } from './shelfNow';
import { shopBuild, shopBuilds } from './shopBuild';
import { sundryWords } from './sundryWords';
import { tinAge } from './shelf';

const base = (changes: Partial<Step> = {}): Step => ({
  id: 'base',
  kind: 'base',
  material: 'craft-acrylic',
  method: 'brush',
  colour: '#445566',
  coats: 2,
  ...changes,
});
const wood = (steps: Step[], changes: Partial<Piece> = {}) =>
  samplePiece(
    { substrate: { kind: 'wood', thicknessMm: 6 }, faces: { outer: { areaCm2: 10_000 } }, ...changes },
    steps,
  );
const tin = (changes: Partial<Tin> = {}): Tin => ({
  id: 't1',
  material: 'craft-acrylic',
  containerMl: 120,
  remainingMl: 100,
  levelAt: '2027-02-15T07:00',
  ...changes,
});
const shop = (changes: Partial<Build>) => {
  const build = sampleBuild({ pieces: [wood([base()])], ...changes });
  return shopBuild(build, planBuild(build, { latestStarts: false }));
};
const line = (changes: Partial<Build>) => sure(shop(changes).lines[0], 'a line');
const set = ({ buy }: ReturnType<typeof line>) =>
  buy.containers.map(({ containerMl, count }) => `${count}×${containerMl}`);
/** A square metre twice at 80 µm: 80 ml a coat, 0.95 of which arrives: 168.4 ml, and 232.0 ml are enough nine times in ten. */
const NEED = 160 / 0.95;

describe('what to buy', () => {
  it('is what all open passes take at nine in ten, in the fewest containers', () => {
    const one = line({});
    expect(one.needMl).toBeCloseTo(NEED, 2);
    expect(one.enoughMl).toBeCloseTo(NEED * 1.3777, 1);
    expect([set(one), one.colour]).toEqual([['1×240'], '#445566']);
    expect(one.steps.map(({ stepId, ml }) => [stepId, Math.round(ml)])).toEqual([['base', 168]]);
  });

  it('is less by what is good on the shelf, and by what is on order', () => {
    // 232.0 − 115 = 117.0 ml.
    const one = line({ stock: [tin({ remainingMl: 115 })] });
    expect([set(one), one.shelfMl, one.spareMl]).toEqual([['1×120'], 115, 0]);
    const coming = line({
      stock: [tin(), tin({ id: 't2', containerMl: 240, remainingMl: 140, arrivesOn: '2027-02-18' })],
    });
    expect([set(coming), coming.shelfMl, coming.onOrderMl]).toEqual([[], 100, 140]);
    const plenty = line({ stock: [tin({ containerMl: 500, remainingMl: 400 })] });
    expect(plenty.spareMl).toBeCloseTo(400 - NEED * 1.3777, 1);
  });

  it('counts no tin that is past trusting, and none of another colour', () => {
    // Craft acrylic keeps for years; one opened long ago is told of, not counted.
    const old = line({ stock: [tin({ openedOn: '2015-01-01' })] });
    expect([old.shelfMl, old.oldMl, set(old)]).toEqual([0, 100, ['1×240']]);
    expect(line({ stock: [tin({ colour: '#ffffff' })] }).shelfMl).toBe(0);
    expect(line({ stock: [tin({ colour: '#445567' })] }).shelfMl).toBe(100);
  });

  it('goes by the user’s own prices, and for each colour by itself', () => {
    const prices = [
      { material: 'craft-acrylic', containerMl: 60, price: 3 },
      { material: 'craft-acrylic', containerMl: 240, price: 14 },
    ];
    // 232.0 ml: four of 60 for 12, one of 240 for 14.
    const one = line({ prices });
    expect([set(one), one.buy.cost]).toEqual([['4×60'], 12]);
    const { lines } = shop({
      pieces: [wood([base()]), wood([base({ colour: '#aa2211' })], { id: 'b', name: 'B' })],
    });
    expect(lines.map(({ colour }) => colour).sort()).toEqual(['#445566', '#aa2211']);
  });

  it('is due the days that an order takes before its first pass', () => {
    const one = line({ deliveryDays: 3 });
    expect(one.firstUseAt! - one.buyBy!).toBe(3 * 1440);
    expect(toWallTime(one.firstUseAt!, 'UTC')).toBe('2027-02-15T08:03');
    expect(line({ stock: [tin({ containerMl: 950, remainingMl: 900 })] }).buyBy).toBeUndefined();
  });

  it('knows what is used up besides: tape with its waste, a pair of gloves a session, cups, cartridge hours', () => {
    const zones = [
      { id: 'a', name: 'A', share: 0.5, edgeMm: 20_000 },
      { id: 'b', name: 'B', share: 0.5, edgeMm: 30_000 },
    ];
    const { sundries } = shop({
      pieces: [
        wood(
          [
            base({ zones: ['a'], coats: 1 }),
            { id: 'm', kind: 'mask', zones: ['a'] },
            base({ id: 'b2', zones: ['b'], coats: 1, method: 'sponge' }),
            { id: 'u', kind: 'unmask', zones: ['a'] },
          ],
          { zones },
        ),
      ],
    });
    // The shorter outline is 20 m: 23 m of tape, a roll of 25.
    expect(sundries.tapeM).toBeCloseTo(23, 6);
    expect(sundries.tapeRolls.containers).toEqual([{ containerMl: 25, count: 1, price: undefined }]);
    expect([sundries.cups, sundries.cartridgeHours]).toEqual([0, 0]);
    expect(sundries.glovePairs).toBeGreaterThanOrEqual(1);
  });
});

describe('what to buy for several builds of one workshop', () => {
  const named = (id: string, changes: Partial<Build> = {}) => {
    const build = sampleBuild({ name: id, pieces: [wood([base()])], ...changes });
    return { id, build, plan: planBuild(build, { latestStarts: false }) };
  };

  it('is for all of them together, told by build, with each tin reserved once', () => {
    const stock = [tin({ remainingMl: 100 }), tin({ id: 't2', containerMl: 240, remainingMl: 240 })];
    const [one, other] = [named('one', { stock }), named('other', { stock })];
    const { lines } = shopBuilds([one, other], one.plan.now);
    const both = sure(lines[0], 'a line');
    expect(lines).toHaveLength(1);
    expect(both.needMl).toBeCloseTo(2 * NEED, 2);
    expect(both.steps.map(({ buildId }) => buildId)).toEqual(['one', 'other']);
    // 464.06 ml are enough: 340 are there, 124.06 are bought. The open and fuller ones by what they hold: less first.
    expect(both.reserved).toEqual([
      { at: 0, ml: 100 },
      { at: 1, ml: 240 },
    ]);
    expect(both.enoughMl - 340).toBeCloseTo(124.06, 1);
    // 120^0.75 + 60^0.75 = 57.9 is less than 240^0.75 = 61.0.
    expect(set(both)).toEqual(['1×120', '1×60']);
    // Whatever is not shopped for has taken its paint all the same.
    const drawn = [{ doneAt: '2027-02-15T09:00', used: [{ tin: 't2', ml: 200 }] }];
    const [less] = shopBuilds([one], one.plan.now, drawn).lines;
    expect(less!.shelfMl).toBe(140);
  });

  it('counts a session over two builds as one pair of gloves', () => {
    const [one, other] = [named('one'), named('other')];
    const pairs = (builds: (typeof one)[]) => shopBuilds(builds, one.plan.now).sundries.glovePairs;
    expect([pairs([one]), pairs([one, other])]).toEqual([1, 1]);
  });

  it('is said a line a thing, and nothing is said of what is not wanted', () => {
    const { sundries } = shop({
      pieces: [
        wood([
          { id: 'clean', kind: 'prep', cleans: 'wiped' },
          { id: 'sand', kind: 'sand', method: 'sand', note: '240 grit.' },
          { id: 'resin', kind: 'seal', material: 'epoxy-clear', method: 'brush', coats: 1 },
        ]),
      ],
    });
    // A square metre wiped and sanded once; a two-part coat sets in its brush, and is mixed in a cup.
    expect(sundries).toMatchObject({
      cloths: 1,
      sandings: 1,
      sandedM2: 1,
      papers: ['240 grit.'],
      brushes: 1,
      cups: 1,
    });
    expect(sundryWords(sundries)).toEqual([
      'Sandpaper: 1 sanding, 1.00 m² in all; the steps say: “240 grit.”',
      expect.stringMatching(/^Gloves, nitrile: 1 pair, /),
      'Cloths: 1 wipe',
      'Cups: 1, one for each mix',
      'Brushes to throw away: 1, one for each two-part mix, as it sets in them',
      ...(sundries.cartridgeHours > 0 ? [expect.stringMatching(/^Mask: /)] : []),
    ]);
  });
});

it('what is put on is bought by its length, its area or its number, and what is stirred in by the ml', () => {
  const { sundries } = shop({
    pieces: [
      wood([
        // A square metre at 90 µm by brush: 94.7 ml, half as much of the medium.
        {
          id: 'b',
          kind: 'base',
          material: 'flex-acrylic',
          method: 'brush',
          thinWith: 'textile-medium',
          thinPct: 50,
        },
        { id: 'e', kind: 'attach', attaches: 'elastic', alongMm: 800 },
        { id: 'e2', kind: 'attach', attaches: 'elastic', alongMm: 400 },
        { id: 'l', kind: 'attach', attaches: 'lens', fixings: 2 },
        { id: 'c', kind: 'attach', attaches: 'leather' },
      ]),
    ],
  });
  expect(sundries.attached).toEqual([
    { what: 'elastic', lengthM: expect.closeTo(1.2, 9), areaM2: 0, count: 0 },
    { what: 'lens', lengthM: 0, areaM2: 0, count: 2 },
    { what: 'leather', lengthM: 0, areaM2: 1, count: 0 },
  ]);
  expect(sundries.stirred).toEqual([{ what: 'textile-medium', ml: expect.closeTo(90 / 0.95 / 2, 6) }]);
  expect(sundryWords(sundries)).toEqual(
    expect.arrayContaining([
      'Elastic: 1.2 m',
      'A lens: 2',
      'Leather: 10000 cm²',
      'Textile medium: 47 ml, to stir in',
    ]),
  );
});

describe('the shelf', () => {
  const entry = (coat: number, doneAt: string): LogEntry => ({
    id: `e${coat}`,
    piece: 'plate',
    unit: 1,
    step: 'base',
    coat,
    doneAt,
  });
  const levels = (build: Build) =>
    shelfNow(build, passNeeds(build, planBuild(build, { latestStarts: false }).operations));
  const coat = NEED / 2;

  it('loses what is laid, from the open tin first and then from the next', () => {
    const stock = [
      tin({ remainingMl: 120, containerMl: 120 }),
      tin({ id: 't2', openedOn: '2027-02-01', remainingMl: 30 }),
    ];
    const build = sampleBuild({
      pieces: [wood([base()])],
      stock,
      log: [entry(1, '2027-02-15T09:00')],
    });
    const [closed, open] = levels(build).tins;
    expect([closed!.ml, open!.ml].map((ml) => Number(ml.toFixed(2)))).toEqual([
      Number((120 - (coat - 30)).toFixed(2)),
      0,
    ]);
  });

  it('says what no tin had, and counts nothing that was laid before a level was set', () => {
    const build = sampleBuild({ pieces: [wood([base()])], log: [entry(1, '2027-02-15T09:00')] });
    expect(
      levels({ ...build, stock: [tin({ remainingMl: 10 })] }).missingMl.get('craft-acrylic'),
    ).toBeCloseTo(coat - 10, 6);
    const later = levels({ ...build, stock: [tin({ levelAt: '2027-02-15T10:00' })] });
    expect([later.tins[0]!.ml, later.missingMl.size]).toEqual([100, 0]);
  });

  it('believes what an entry says it took, though its step or the reckoning changes afterwards', () => {
    const stock = [tin({ remainingMl: 20 }), tin({ id: 't2', remainingMl: 100 })];
    const bare = sampleBuild({ pieces: [wood([base()])], stock });
    const needs = passNeeds(bare, planBuild(bare, { latestStarts: false }).operations);
    const [logged] = withUsed(bare, [entry(1, '2027-02-15T09:00')], needs);
    const said = logged!.used!.map(({ tin: from, ml }) => [from, Number(ml.toFixed(3))]);
    expect(said).toEqual([
      ['t1', 20],
      ['t2', Number((coat - 20).toFixed(3))],
    ]);
    const held = (build: Build) => levels(build).tins.map(({ ml }) => Number(ml.toFixed(3)));
    const after = [0, Number((120 - coat).toFixed(3))];
    const build = { ...bare, log: [logged!] };
    expect(held(build)).toEqual(after);
    // A larger piece, another material: what is laid is laid.
    const [piece] = bare.pieces;
    const larger = { ...piece!, faces: { outer: { areaCm2: 90_000 } } };
    expect(held({ ...build, pieces: [larger] })).toEqual(after);
    expect(held({ ...build, pieces: [wood([base({ material: 'craft-acrylic-matte' })])] })).toEqual(after);
    // Its piece is deleted, and its entry goes along: the paint is not back in the tin. Taken back on purpose, it is.
    const gone = withoutDangling({ ...build, pieces: [] }, build);
    expect([gone.log, held(gone)]).toEqual([[], after]);
    expect(held({ ...build, log: [] })).toEqual([20, 100]);
  });

  it('gives up what other builds took from it, since its level was set', () => {
    const build = sampleBuild({ stock: [tin({ levelAt: '2027-02-15T10:00' })] });
    const drawn = (doneAt: string) => [{ doneAt, used: [{ tin: 't1', ml: 12 }, { ml: 3 }] }];
    expect(shelfNow(build, new Map(), drawn('2027-02-15T11:00')).tins[0]!.ml).toBe(88);
    expect(shelfNow(build, new Map(), drawn('2027-02-15T09:00')).tins[0]!.ml).toBe(100);
  });

  it('holds what it held before once all that was logged is taken back, whatever the order', () => {
    const start = sampleBuild({
      pieces: [wood([base({ coats: 6 })], { quantity: 2 })],
      stock: [tin({ remainingMl: 90 }), tin({ id: 't2', remainingMl: 500, containerMl: 500 })],
    });
    const needs = passNeeds(start, planBuild(start, { latestStarts: false }).operations);
    const held = (build: Build) => shelfNow(build, needs).tins.reduce((sum, { ml }) => sum + ml, 0);
    let build = start;
    const steps: Build[] = [start];
    for (let n = 1; n <= 6; n += 1) {
      const logged = applyLogEdit(build, {
        kind: 'log',
        entries: [1, 2].map((unit) => ({ ...entry(n, `2027-02-15T1${n}:00`), id: `e${n}-${unit}`, unit })),
      });
      build = logged.ok ? logged.build : build;
      steps.push(build);
      const laid = shelfNow(build, needs);
      const missing = [...laid.missingMl.values()].reduce((sum, ml) => sum + ml, 0);
      // Nothing appears or goes away: what is left, what was laid and what no tin had.
      expect(held(build) + coat * 2 * n - missing).toBeCloseTo(590, 6);
    }
    for (const before of steps.reverse()) expect(held(before)).toBeCloseTo(held({ ...before }), 9);
    expect(held({ ...build, log: [] })).toBe(590);
  });
});

describe('a tin by its age', () => {
  const life = { shelfMonths: 12 };
  it.each([
    // Open it keeps for half of twelve months, 182.6 days; then to be tried until 274 days.
    ['2026-09-01', undefined, '2027-02-15', 'good'],
    ['2026-08-01', undefined, '2027-02-15', 'try-first'],
    ['2026-05-01', undefined, '2027-02-15', 'not-trusted'],
    [undefined, undefined, '2027-02-15', 'good'],
    // Its own date wins; half a life, 182.6 days, after that it is past trusting.
    ['2020-01-01', '2027-03-01', '2027-02-15', 'good'],
    [undefined, '2027-01-01', '2027-02-15', 'try-first'],
    [undefined, '2026-06-01', '2027-02-15', 'not-trusted'],
  ] as const)('opened %s, best before %s, on %s: %s', (openedOn, bestBefore, today, age) => {
    expect(
      tinAge({ ...(openedOn ? { openedOn } : {}), ...(bestBefore ? { bestBefore } : {}) }, life, today),
    ).toBe(age);
  });

  it('of no known life is good until its date', () => {
    expect(tinAge({ openedOn: '2000-01-01' }, {}, '2027-02-15')).toBe('good');
    expect(tinAge({ bestBefore: '2027-02-14' }, {}, '2027-02-15')).toBe('try-first');
  });
});
