import fc from 'fast-check';
import { lab65 } from 'culori';
import { pigmentTable } from '../model/pigments';
import type { PigmentId } from '../model/pigmentIds';
import { blend, labOfBlend, tintOf } from './blend';
import { labOf } from './lab';
import { colourOf, spectrumOf, xyzOf } from './spectrum';

const part = (pigment: PigmentId, parts: number) => {
  const { masstone, strength } = pigmentTable[pigment];
  return { masstone: spectrumOf(masstone), strength, parts };
};
const mixed = (...parts: [PigmentId, number][]) => {
  const { l, a, b } = lab65(colourOf(blend(parts.map(([id, own]) => part(id, own)))))!;
  return { l, a, b, hue: ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360 };
};

describe('a blend', () => {
  it('is worked out by hand band by band', () => {
    const flat = (value: number) => new Array<number>(38).fill(value);
    // K/S of 0.5 is 0.25/1 = 0.25, of 0.2 it is 0.64/0.4 = 1.6. One to one: 0.925, so 1.925 − √(0.925² + 1.85) = 0.28014.
    const even = [
      { masstone: flat(0.5), strength: 1, parts: 1 },
      { masstone: flat(0.2), strength: 1, parts: 1 },
    ];
    expect(blend(even)[10]).toBeCloseTo(0.28014, 4);
    // The dark one three times as strong: (0.25 + 4.8)/4 = 1.2625, 2.2625 − √(1.2625² + 2.525) = 0.23302.
    expect(blend([even[0]!, { ...even[1]!, strength: 3 }])[10]).toBeCloseTo(0.23302, 4);
  });

  it('of yellow and blue is green', () => {
    const { hue, a } = mixed(['arylide-yellow', 8], ['phthalo-blue', 0.4]);
    expect(a).toBeLessThan(-8);
    expect(hue).toBeGreaterThan(105);
    expect(hue).toBeLessThan(190);
  });

  it('turns from yellow to orange with a little red', () => {
    const yellow = mixed(['arylide-yellow', 1]);
    const turned = mixed(['arylide-yellow', 20], ['naphthol-red', 1]);
    expect(yellow.hue).toBeGreaterThan(80);
    // One part in twenty turns it by more than 25°.
    expect(yellow.hue - turned.hue).toBeGreaterThan(25);
  });

  it('of yellow with black goes green', () => {
    const turned = mixed(['arylide-yellow', 20], ['carbon-black', 0.5]);
    expect(turned.hue).toBeGreaterThan(mixed(['arylide-yellow', 1]).hue + 3);
  });

  it('of white with a drop of phthalo blue is a clear light blue, not grey', () => {
    const { l, b } = mixed(['titanium-white', 100], ['phthalo-blue', 1]);
    expect(l).toBeGreaterThan(50);
    expect(b).toBeLessThan(-18);
  });

  it('does not depend on the order, nor on a part of nothing, and the quick way agrees', () => {
    const id = fc.constantFrom(...(Object.keys(pigmentTable) as PigmentId[]));
    const some = fc.array(fc.tuple(id, fc.integer({ min: 1, max: 20 })), { minLength: 1, maxLength: 4 });
    fc.assert(
      fc.property(some, id, (parts, other) => {
        const own = parts.map(([name, amount]) => part(name, amount));
        const lab = labOf(xyzOf(blend(own)));
        const turned = labOf(xyzOf(blend([part(other, 0), ...own].reverse())));
        lab.forEach((value, at) => expect(turned[at]).toBeCloseTo(value, 6));
        const quick = labOfBlend(
          own.map(({ masstone, strength }) => tintOf(masstone, strength)),
          own.map(({ parts: amount }) => amount),
        );
        // The outermost bands are left out there: less than a hundredth of what is seen.
        lab.forEach((value, at) => expect(Math.abs(quick[at]! - value)).toBeLessThan(0.35));
      }),
    );
  });
});
