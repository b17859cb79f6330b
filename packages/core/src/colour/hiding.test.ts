import { catalogueById } from '../materials/catalogue';
import { colourDistance } from './distance';
import { filmReflectance } from './film';
import type { Method } from '../model/methods';
import { coatsToHide, colourOver, coverGrades, thinnestUm } from './hiding';
import { paintFigures } from './paint';

const craft = catalogueById.get('craft-acrylic')!;
const primer = catalogueById.get('acrylic-pu-primer-grey')!;
const varnish = catalogueById.get('satin-varnish')!;

describe('hiding', () => {
  it('gives a contrast of 98 % at the hide figure', () => {
    // A mid grey, #808080, which is 0.2159 in linear light, over black and white at its hide figure.
    const grey = { ...primer, hideUm: 40, colour: '#808080' };
    const film = paintFigures(grey, '#808080').scatterPerUm! * 40;
    const masstone = 0.21586;
    expect(filmReflectance(masstone, 0, film) / filmReflectance(masstone, 1, film)).toBeCloseTo(0.98, 4);
    // Half of the film hides less.
    expect(filmReflectance(masstone, 0, film / 2) / filmReflectance(masstone, 1, film / 2)).toBeLessThan(
      0.95,
    );
    expect(paintFigures(varnish, varnish.colour).scatterPerUm).toBeUndefined();
  });

  it('lets a clear film show its ground as it is', () => {
    expect(colourOver('#123456', '#ffffff', varnish, 500)).toBe('#123456');
  });

  const laying = (coatUm = craft.wftUm * craft.solids) => ({ coatUm, method: 'brush' as const });

  it('needs fewer coats of yellow over white than over black', () => {
    const over = (ground: string) => coatsToHide(ground, '#f4c20d', craft, laying()) ?? Infinity;
    expect(over('#f4f4f0')).toBeLessThan(over('#1c1c1e'));
  });

  it('says so when no number of coats is enough', () => {
    expect(coatsToHide('#000000', '#f4c20d', craft, laying(1), 3)).toBeUndefined();
  });

  it('is what the film is where it is thinnest', () => {
    // Brushed, half as thick in its streaks: 20 · 0.5; two coats 40 · (1 − 0.5/√2) = 25.86; four 80 · 0.75.
    expect(thinnestUm(laying(20), 1)).toBeCloseTo(10, 9);
    expect(thinnestUm(laying(20), 2)).toBeCloseTo(25.858, 3);
    expect(thinnestUm(laying(20), 4)).toBeCloseTo(60, 9);
    // A sponge leaves three quarters where it leaves least.
    expect(thinnestUm({ coatUm: 20, method: 'sponge' }, 1)).toBeCloseTo(15, 9);
    const coats = (method: 'brush' | 'sponge') =>
      coatsToHide('#1c1c1e', '#f2c418', craft, { coatUm: 25.6, method });
    expect([coats('brush'), coats('sponge')]).toEqual([6, 5]);
  });

  it('goes by the pigment: an ochre of much the same lightness hides where a clean yellow does not', () => {
    const coats = (colour: string) => coatsToHide('#1c1c1e', colour, craft, laying());
    expect([coats('#bf8a2e'), coats('#f2c418')]).toEqual([2, 6]);
    // The dear yellow that hides is one that its label names.
    const bismuth = { ...craft, pigments: ['bismuth-yellow' as const] };
    expect(coatsToHide('#1c1c1e', '#f2c418', bismuth, laying())).toBe(3);
  });

  it('goes by how evenly each method lays', () => {
    // docs/domain.md, "Colour": what lies in the thinnest streaks of one coat of 100 µm.
    const streak = (method: Method) => Math.round(thinnestUm({ coatUm: 100, method }, 1));
    expect(
      (['brush', 'foam-brush', 'sponge', 'stipple', 'aerosol', 'airbrush', 'dip', 'dry-brush'] as const).map(
        streak,
      ),
    ).toEqual([50, 70, 75, 70, 85, 90, 90, 30]);
  });

  it('is graded: paint hides what is below, a metal has its depth from it', () => {
    const of = (id: string, off: number, offInStreaks: number) => {
      const { wanted, enough, slight } = coverGrades(catalogueById.get(id)!);
      return [wanted, enough, slight].map((grade) => grade({ off, offInStreaks }));
    };
    expect(of('craft-acrylic', 0.5, 1.9)).toEqual([true, true, true]);
    expect(of('craft-acrylic', 1.9, 5.9)).toEqual([false, true, true]);
    expect(of('craft-acrylic', 4.9, 5.9)).toEqual([false, false, true]);
    expect(of('craft-acrylic', 4.9, 6.1)).toEqual([false, false, false]);
    expect(of('craft-acrylic', 5.1, 5.9)).toEqual([false, false, false]);
    expect(of('acrylic-metallic', 4.9, 5.9)).toEqual([true, true, true]);
    expect(of('acrylic-metallic', 9.9, 11.9)).toEqual([false, false, true]);
    expect(of('acrylic-metallic', 10.1, 11.9)).toEqual([false, false, false]);
    expect(of('acrylic-metallic', 9.9, 12.1)).toEqual([false, false, false]);
  });

  it('ends at the mixed colour', () => {
    for (const colour of ['#f40046', '#2f6f62', '#f5f5f1', '#1b1b1c'])
      expect(colourDistance(colourOver('#adc4c4', colour, craft, 2000), colour)).toBeLessThan(0.5);
  });
});
