import { expandBuild } from '../schedule/plan/operations';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import type { Piece, Step } from '../model/schema';
import { catalogueById } from '../materials/catalogue';
import type { Method } from '../model/methods';
import { entryOf } from '../model/sure';
import { amountFactor } from './learned';
import { usualContainersMl, usualDensityGPerMl } from './containers';
import { canBeMixed, needsOf } from './needs';

const mlOf = (
  steps: Step[],
  changes: Partial<Piece> = {},
  factorOf?: (material: string, method: Method) => number,
) => {
  const build = sampleBuild({ pieces: [samplePiece(changes, steps)] });
  return needsOf(build, expandBuild(build), factorOf).map(({ ml }) => Number(ml.toFixed(3)));
};
const pva = (changes: Partial<Step> = {}): Step => ({
  id: 'seal',
  kind: 'seal',
  material: 'pva-flex-primer',
  method: 'brush',
  ...changes,
});

describe('what a pass takes out of the tin', () => {
  // 600 cm² at 120 µm wet are 7.2 ml, a twentieth of which stays in the brush: 7.2 / 0.95 = 7.579 ml.
  it('is its film, and what bare foam drinks of the first coat: 80 ml a square metre, 0.06 of it 4.8 ml', () => {
    expect(mlOf([pva({ coats: 2 })])).toEqual([12.379, 7.579]);
  });

  it('is less on skin that heat has closed, 25 ml a square metre: 1.5 ml, and none on what does not drink', () => {
    expect(mlOf([{ id: 'h', kind: 'heat-seal' }, pva()])).toEqual([9.079]);
    expect(mlOf([pva()], { substrate: { kind: 'eva-foam', thicknessMm: 6, heatSealed: true } })).toEqual([
      9.079,
    ]);
    expect(mlOf([pva()], { substrate: { kind: 'wood', thicknessMm: 6 } })).toEqual([7.579]);
  });

  it('goes by how much of the area is bare still, not by how many zones are', () => {
    const zones = [
      { id: 'plate', name: 'Plate', share: 0.9 },
      { id: 'rim', name: 'Rim', share: 0.1 },
    ];
    const prime: Step = { ...pva(), id: 'prime' };
    // 600 cm² in two zones. Nine tenths sealed: 0.9 · 12.379. Then all of it: 7.579, and a tenth of 4.8 ml that the rim drinks.
    expect(mlOf([pva({ zones: ['plate'] }), prime], { zones })).toEqual([11.141, 8.059]);
    // Heat that closed the plate only: of the rest 0.9 · 1.5 and 0.1 · 4.8 ml.
    expect(mlOf([{ id: 'h', kind: 'heat-seal', zones: ['plate'] }, pva()], { zones })).toEqual([9.409]);
  });

  it('a dab on a tenth of a face closes a tenth of it', () => {
    const dab = pva({ placement: 'seams', coats: 2 });
    // A tenth of 12.379, then of 7.579 as its place is closed, then all of it with nine tenths of 4.8 ml.
    expect(mlOf([dab, { ...pva(), id: 'all' }])).toEqual([1.238, 0.758, 11.899]);
  });

  it('goes by its film, its placement and its tool', () => {
    // A light film is 0.6 of a normal one, 4.547 ml; on the seams a tenth of that and of what the foam drinks.
    expect(mlOf([pva({ film: 'light' })])).toEqual([9.347]);
    expect(mlOf([pva({ placement: 'seams' })])).toEqual([1.238]);
    // Of what is sprayed 0.6 arrives, and 5 ml stay in cup and gun, once a coat of all units.
    const [first, second] = mlOf(
      [{ id: 'b', kind: 'base', material: 'airbrush-acrylic', method: 'airbrush' }],
      { quantity: 2, substrate: { kind: 'wood', thicknessMm: 3 } },
    );
    const wetUm = entryOf(catalogueById, 'airbrush-acrylic').wftUm;
    expect(second).toBeCloseTo((600 * wetUm * 1e-4) / 0.6, 2);
    expect(first! - second!).toBeCloseTo(5, 2);
  });

  it('is what this user takes, where that is known', () => {
    expect(mlOf([pva()], {}, () => 1.5)).toEqual([18.568]);
    // As it is put on: brushes take half as much again, all else as in the book.
    const byBrush = (material: string, method: string) =>
      material === 'pva-flex-primer' && method === 'brush' ? 1.5 : 1;
    expect(mlOf([pva({ method: 'foam-brush' })], {}, byBrush)).toEqual(mlOf([pva({ method: 'foam-brush' })]));
    expect(mlOf([pva()], {}, byBrush)).toEqual([18.568]);
  });

  it('fills and glues close no foam: the first film over them still sinks in', () => {
    const [fill, seal] = mlOf([
      { id: 'f', kind: 'fill', material: 'foam-filler-paste', method: 'brush', placement: 'seams' },
      pva(),
    ]);
    expect(fill).toBeGreaterThan(0);
    expect(seal).toBe(12.379);
  });

  it('is told apart by colour where that is bought: paint, and cans in many colours, not a tin of primer', () => {
    const build = sampleBuild({
      pieces: [
        samplePiece({}, [
          { id: 'p', kind: 'prime', material: 'acrylic-pu-primer-grey', colour: '#888888' },
          { id: 'q', kind: 'prime', material: 'lacquer-primer-spray', colour: '#888888' },
          { id: 'b', kind: 'base', material: 'craft-acrylic', colour: '#445566' },
          { id: 'w', kind: 'weather', material: 'acrylic-wash', colour: '#7a4528' },
          { id: 'd', kind: 'weather', material: 'dry-brush-acrylic', colour: '#d6d9db' },
          { id: 'g', kind: 'weather', material: 'graphite-powder', colour: '#53565a' },
          { id: 'r', kind: 'weather', material: 'chip-resist', colour: '#d8d2b4' },
        ]),
      ],
    });
    expect(needsOf(build, expandBuild(build)).map(({ colour }) => colour)).toEqual([
      undefined,
      '#888888',
      '#445566',
      // Rust is no soot, steel edges are no bone; graphite is graphite, and what is wiped off again shows no colour.
      '#7a4528',
      '#d6d9db',
      undefined,
      undefined,
    ]);
  });
});

describe('what is learned of amounts', () => {
  /** So much that a measuring counts whole, but for a ten-thousandth. */
  const MUCH = 200_000;
  const measured = (ratios: readonly number[], reckonedMl = MUCH) =>
    ratios.map((ratio) => ({ material: 'x', reckonedMl, usedMl: reckonedMl * ratio }));
  const times = (count: number, ratio: number) => Array.from({ length: count }, () => ratio);

  it('moves from the book to what was measured', () => {
    // Once at 1.4: a quarter of the way, e^(ln 1.4 / 4) = 1.0878.
    expect(amountFactor(measured([1.4]), 'x', 'brush').factor).toBeCloseTo(1.0878, 3);
    expect(amountFactor(measured([1.4]), 'y', 'brush').factor).toBe(1);
    // A user who always takes 1.3 times as much: after 30 times e^(30·ln 1.3 / 33) = 1.2693.
    expect(amountFactor(measured(times(30, 1.3)), 'x', 'brush').factor).toBeCloseTo(1.2693, 3);
    expect(amountFactor(measured(times(600, 1.3)), 'x', 'brush').factor).toBeCloseTo(1.3, 2);
    // As much over as under is the book: e^(ln 2 + ln 0.5).
    expect(amountFactor(measured([2, 0.5]), 'x', 'brush').factor).toBeCloseTo(1, 9);
  });

  it('is told by much more than by little: 20 ml count half, 5 ml a fifth', () => {
    // e^(0.5·ln 1.4 / 3.5) = 1.0492 and e^(0.2·ln 1.4 / 3.2) = 1.0213.
    expect(amountFactor(measured([1.4], 20), 'x', 'brush').factor).toBeCloseTo(1.0492, 4);
    expect(amountFactor(measured([1.4], 5), 'x', 'brush').factor).toBeCloseTo(1.0213, 4);
  });

  it('is known for each way of putting it on; what says none counts for all', () => {
    const brushed = measured([1.4]).map((one) => ({ ...one, method: 'brush' as const }));
    expect(amountFactor(brushed, 'x', 'brush').factor).toBeCloseTo(1.0878, 3);
    expect(amountFactor(brushed, 'x', 'airbrush').factor).toBe(1);
    // e^((ln 1.4 + ln 0.6) / 5) = 0.9657 for the brush, e^(ln 0.6 / 4) = 0.8801 for the airbrush.
    const both = [...brushed, ...measured([0.6])];
    expect(amountFactor(both, 'x', 'brush').factor).toBeCloseTo(0.9657, 3);
    expect(amountFactor(both, 'x', 'airbrush').factor).toBeCloseTo(0.8801, 3);
    expect(amountFactor(both, 'x', 'airbrush').measured).toBe(1);
  });

  it('is enough nine times in ten at e^(1.2816·0.25) by the book, closer once it is known, down to e^(1.2816·0.15)', () => {
    expect(amountFactor([], 'x', 'brush').nineInTen).toBeCloseTo(1.3777, 4);
    // After three: √(0.15² + 0.04·3/6) = 0.2062, so e^0.2642.
    expect(amountFactor(measured(times(3, 1)), 'x', 'brush').nineInTen).toBeCloseTo(1.3024, 3);
    expect(amountFactor(measured(times(6000, 1)), 'x', 'brush').nineInTen).toBeCloseTo(1.212, 3);
  });

  it('is never less than what was seen to be used', () => {
    for (const ratio of [0.5, 1, 1.4, 2.2, 3.9])
      for (const count of [1, 2, 3, 5, 20]) {
        const { factor, nineInTen } = amountFactor(measured(times(count, ratio), 30), 'x', 'brush');
        expect(factor * nineInTen).toBeGreaterThanOrEqual(ratio - 1e-9);
      }
  });

  it('learns nothing from what is more than four times off either way, and counts it', () => {
    expect(
      [4, 4.01, 0.25, 0.249].map((ratio) => amountFactor(measured([ratio]), 'x', 'brush').leftOut),
    ).toEqual([0, 1, 0, 1]);
    const withSlip = amountFactor(measured([1.2, 30, 1.2]), 'x', 'brush');
    expect(withSlip.factor).toBeCloseTo(amountFactor(measured([1.2, 1.2]), 'x', 'brush').factor, 12);
    expect([withSlip.measured, withSlip.leftOut]).toEqual([2, 1]);
  });
});

describe('containers', () => {
  it.each<[string, number[], number]>([
    ['rubber-dip-spray', [400], 0.75],
    ['craft-acrylic', [60, 120, 240], 1.1],
    ['airbrush-acrylic', [30, 60, 120], 1.1],
    ['acrylic-pu-primer-grey', [120, 240, 500, 950], 1.25],
    ['matte-varnish', [120, 240, 500, 950], 1.1],
    ['pva-flex-primer', [250, 500, 1000, 5000], 1.1],
    ['acrylic-caulk', [300], 1.4],
    ['light-spackle', [250], 0.8],
    ['foam-clay', [857], 0.35],
    ['contact-cement', [250, 950], 0.86],
    ['epoxy-clear', [200, 400, 950], 1.1],
    ['graphite-powder', [20], 1.1],
    ['metal-wax', [30], 0.9],
    ['neoprene-soft', [120, 240, 500, 950], 1],
    ['hobby-enamel', [60, 120, 240], 0.95],
  ])('of %s hold %p ml at %d g/ml', (id, sizes, density) => {
    const material = entryOf(catalogueById, id);
    expect([usualContainersMl(material), usualDensityGPerMl(material)]).toEqual([sizes, density]);
  });
});

describe('what can be mixed', () => {
  it.each([
    ['craft-acrylic', true],
    ['airbrush-acrylic', true],
    ['metallic-lacquer-spray', false],
    ['lacquer-primer-spray', false],
    ['satin-varnish', false],
  ])('%s: %s', (id, is) => expect(canBeMixed(entryOf(catalogueById, id))).toBe(is));
});
