import fc from 'fast-check';
import { catalogueById } from '../materials/catalogue';
import { coatsToHide, colourDistance, colourOver, filmReflectance, scatterPerUm } from './hiding';

const craft = catalogueById.get('craft-acrylic')!;
const varnish = catalogueById.get('satin-varnish')!;

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
});

describe('hiding', () => {
  it('gives a contrast of 98 % at the hide figure', () => {
    // A mid grey, #808080, which is 0.2159 in linear light, over black and white at its hide figure.
    const grey = { hideUm: 40, colour: '#808080' };
    const film = scatterPerUm(grey)! * 40;
    const masstone = 0.21586;
    expect(filmReflectance(masstone, 0, film) / filmReflectance(masstone, 1, film)).toBeCloseTo(0.98, 4);
    // Half of the film hides less.
    expect(filmReflectance(masstone, 0, film / 2) / filmReflectance(masstone, 1, film / 2)).toBeLessThan(
      0.95,
    );
    expect(scatterPerUm(varnish)).toBeUndefined();
  });

  it('lets a clear film show its ground as it is', () => {
    expect(colourOver('#123456', '#ffffff', varnish, 500)).toBe('#123456');
  });

  it('needs fewer coats of yellow over white than over black', () => {
    const coatUm = craft.wftUm * craft.solids;
    const over = (ground: string) => coatsToHide(ground, '#f4c20d', craft, coatUm) ?? Infinity;
    expect(over('#f4f4f0')).toBeLessThan(over('#1c1c1e'));
  });

  it('says so when no number of coats is enough', () => {
    expect(coatsToHide('#000000', '#f4c20d', craft, 1, 3)).toBeUndefined();
  });

  it('comes nearer to the mixed colour with every coat', () => {
    const anyColour = fc
      .integer({ min: 0, max: 0xffffff })
      .map((value) => `#${value.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(anyColour, anyColour, fc.integer({ min: 10, max: 40 }), (ground, colour, coatUm) => {
        const off = [1, 2, 4, 8, 16].map((coats) =>
          colourDistance(colourOver(ground, colour, craft, coatUm * coats), colour),
        );
        // Rounding to eight bits a channel may move a colour by a hair.
        off.slice(1).forEach((value, at) => expect(value).toBeLessThanOrEqual(Math.max(off[at]!, 1.5) + 0.5));
      }),
    );
  });
});
