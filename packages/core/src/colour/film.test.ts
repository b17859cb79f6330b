import { contrastRatio, filmOver, filmReflectance, hidingScatter } from './film';
import { spectrumOf } from './spectrum';
import fc from 'fast-check';

describe('filmReflectance', () => {
  it('is the ground under no film and the masstone under a thick one', () => {
    expect(filmReflectance(0.3, 0.8, 0)).toBe(0.8);
    expect(filmReflectance(0.3, 0.8, 50)).toBeCloseTo(0.3, 9);
  });

  it('agrees with the formula worked out by hand', () => {
    // Masstone 0.5: a = 1 + 0.25/1 = 1.25, b = 0.75. S·X = 1: coth 0.75 = 1.574435, b·coth = 1.180826.
    // Over black: 1/(a + b·coth) = 1/2.430826 = 0.411383.
    expect(filmReflectance(0.5, 0, 1)).toBeCloseTo(0.411383, 5);
    // Over white: (1 − (1.25 − 1.180826))/(1.25 − 1 + 1.180826) = 0.930826/1.430826 = 0.650552.
    expect(filmReflectance(0.5, 1, 1)).toBeCloseTo(0.650552, 5);
  });

  it('comes nearer to the masstone in every band with every coat', () => {
    const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });
    fc.assert(
      fc.property(share, share, fc.double({ min: 0.05, max: 3, noNaN: true }), (masstone, ground, coat) => {
        const off = [0, 1, 2, 4, 8].map((coats) =>
          Math.abs(filmReflectance(masstone, ground, coat * coats) - masstone),
        );
        off.slice(1).forEach((value, at) => expect(value).toBeLessThanOrEqual(off[at]! + 1e-9));
      }),
    );
  });
});

describe('hidingScatter', () => {
  it('gives a contrast of 98 % over black and white', () => {
    const grey = spectrumOf('#808080');
    expect(contrastRatio(grey, hidingScatter(grey))).toBeCloseTo(0.98, 4);
    expect(contrastRatio(grey, hidingScatter(grey) / 2)).toBeLessThan(0.95);
  });

  it('is what is worked out by hand for a grey of one half', () => {
    // R∞ = 0.5: a = 1.25, b = 0.75. Over black 1/(1.25 + 0.75c), over white (0.75c − 0.25)/(0.75c + 0.25), c = coth(0.75·SX).
    // At c = 1.0182 they are 0.49662 and 0.50674, a ratio of 0.9800; coth x = 1.0182 at x = ½·ln(2.0182/0.0182) = 2.3543, SX = 3.139.
    const half = new Array<number>(38).fill(0.5);
    expect(hidingScatter(half)).toBeCloseTo(3.139, 2);
    expect(filmOver(new Array<number>(38).fill(0), half, 3.139)[20]).toBeCloseTo(0.49662, 4);
  });
});
