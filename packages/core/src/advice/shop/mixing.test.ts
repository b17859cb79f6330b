import { materialsOf } from '../../materials/ownMaterials';
import type { Build, Mix } from '../../model/schema';
import { entryOf, sure } from '../../model/sure';
import { planBuild } from '../../schedule/answers/planBuild';
import { sampleBuild, samplePiece } from '../../testing/sampleBuild';
import { lotsFor, mixedMl, mixFor, partsOf, twoParts } from './mixing';
import { shopBuild } from './shopBuild';

const materials = materialsOf();
const mix: Mix = {
  id: 'm',
  name: 'Sea-green',
  material: 'craft-acrylic',
  colour: '#445566',
  parts: [
    { material: 'craft-acrylic', colour: '#ffffff', parts: 6 },
    { material: 'craft-acrylic', colour: '#c08a2e', parts: 1 },
    { material: 'craft-acrylic', colour: '#000000', parts: 0.5 },
  ],
};

describe('a mix', () => {
  it('is made of what is enough, 15 % more than needed at least, and a small pot', () => {
    // 20 · 1.15 = 23 are less than the 27.6 that are enough; 27.6 + 10. Well known, 20 · 1.166 = 23.3.
    expect(mixedMl({ needMl: 20, enoughMl: 27.6 })).toBeCloseTo(37.6, 9);
    expect(mixedMl({ needMl: 20, enoughMl: 22 })).toBeCloseTo(33, 9);
    expect(mixedMl({ needMl: 0, enoughMl: 0 })).toBe(0);
  });

  it('is told in parts, ml and grams', () => {
    // 75 ml in 7.5 parts: 60, 10 and 5 ml; water-borne acrylic weighs 1.1 g/ml.
    expect(partsOf(mix, 75, materials).map(({ ml, g }) => [ml, Number(g.toFixed(2))])).toEqual([
      [60, 66],
      [10, 11],
      [5, 5.5],
    ]);
  });

  it('is that of its material and tint which was written down last', () => {
    const later = { ...mix, id: 'm2', colour: '#445567' };
    expect(mixFor([mix, later], 'craft-acrylic', '#445566')?.id).toBe('m2');
    expect(mixFor([mix], 'flex-acrylic', '#445566')).toBeUndefined();
    expect(mixFor([mix], 'craft-acrylic', '#aa2211')).toBeUndefined();
    expect(mixFor([mix], 'craft-acrylic', undefined)).toBeUndefined();
  });
});

describe('what is mixed is not bought, its parts are', () => {
  const base = {
    id: 'base',
    kind: 'base',
    material: 'craft-acrylic',
    method: 'brush',
    colour: '#445566',
    coats: 2,
  } as const;
  const white = { ...base, id: 'white', colour: '#ffffff', coats: 1 };
  const wood = (steps: Parameters<typeof samplePiece>[1]) =>
    samplePiece(
      { substrate: { kind: 'wood', thicknessMm: 6 }, faces: { outer: { areaCm2: 10_000 } } },
      steps,
    );
  const lines = (changes: Partial<Build>) => {
    const build = sampleBuild({ pieces: [wood([base])], mixes: [mix], ...changes });
    return shopBuild(build, planBuild(build, { latestStarts: false })).lines;
  };
  const of = (all: ReturnType<typeof lines>, colour: string) =>
    sure(
      all.find((line) => line.colour === colour),
      colour,
    );

  it('in their shares, for the steps that want the colour', () => {
    const all = lines({});
    // 168.42 ml in the middle, 232.03 enough; 242.03 with the pot: white 6/7.5, ochre 1/7.5, black 0.5/7.5.
    const green = of(all, '#445566');
    expect([green.buy.containers, green.buyBy]).toEqual([[], undefined]);
    expect(green.toMix!.ml).toBeCloseTo(242.03, 1);
    expect(of(all, '#ffffff').enoughMl).toBeCloseTo(193.63, 1);
    expect(of(all, '#c08a2e').enoughMl).toBeCloseTo(32.27, 1);
    expect(of(all, '#000000').enoughMl).toBeCloseTo(16.14, 1);
    expect(of(all, '#000000').steps.map(({ stepId }) => stepId)).toEqual(['base']);
    expect(of(all, '#ffffff').firstUseAt).toBe(green.firstUseAt);
  });

  it('together with what is laid of a part by itself, and less what is in a pot of it', () => {
    const both = lines({ pieces: [wood([base, white])] });
    // Another 84.21 ml of white in the middle, 116.02 enough.
    expect(of(both, '#ffffff').enoughMl).toBeCloseTo(193.63 + 116.02, 1);
    const pot = {
      id: 'pot',
      material: 'craft-acrylic',
      colour: '#445566',
      containerMl: 250,
      remainingMl: 240,
      levelAt: '2027-02-15T07:00',
    };
    const all = lines({ stock: [pot] });
    expect(of(all, '#445566').toMix).toBeUndefined();
    expect(all).toHaveLength(1);
  });
});

describe('two-part materials', () => {
  it('are mixed by their label, in lots that are laid before they set', () => {
    expect(twoParts(entryOf(materials, 'urethane-2k-clear'))).toEqual([4, 1]);
    expect(twoParts(entryOf(materials, 'epoxy-clear'))).toEqual([1, 1]);
    // Thinned glue is no two-part mix.
    expect(twoParts(entryOf(materials, 'pva-thinned'))).toBeUndefined();
    // 24 of 30 minutes are worked with.
    expect([lotsFor(24, 30), lotsFor(25, 30), lotsFor(50, 30), lotsFor(0, 30)]).toEqual([1, 2, 3, 1]);
  });
});
