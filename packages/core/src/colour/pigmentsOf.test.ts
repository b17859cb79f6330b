import { catalogueById } from '../materials/catalogue';
import { pigmentIds } from '../model/pigmentIds';
import { pigmentTable } from '../model/pigments';
import { paintFigures } from './paint';
import { hideOf, pigmentsOf, strengthOf } from './pigmentsOf';

describe('the pigments', () => {
  it('have their typical hide and strength', () => {
    // docs/domain.md, "Pigments and mixes".
    const figures = Object.fromEntries(
      pigmentIds.map((id) => [id, [pigmentTable[id].hide, pigmentTable[id].strength]]),
    );
    expect(figures).toEqual({
      'titanium-white': [0.9, 1],
      'zinc-white': [2.2, 0.5],
      'carbon-black': [0.4, 5],
      'iron-oxide-black': [0.5, 3],
      'burnt-umber': [0.7, 1.4],
      'raw-umber': [0.8, 1.1],
      'burnt-sienna': [1, 1.1],
      'raw-sienna': [1.3, 0.9],
      'yellow-ochre': [0.9, 0.9],
      'red-iron-oxide': [0.5, 2],
      'quinacridone-magenta': [3, 2.2],
      ultramarine: [2.4, 1.2],
      'phthalo-blue': [2, 6],
      'phthalo-green': [2.2, 5],
      'chromium-oxide-green': [0.5, 1],
      'dioxazine-violet': [2.2, 5],
      'pyrrole-orange': [1.6, 1.2],
      'naphthol-red': [1.7, 2],
      'arylide-yellow': [2.6, 0.8],
      'bismuth-yellow': [1.1, 1],
      'aluminium-flake': [0.9, 1.5],
      'gold-mica': [2.2, 0.6],
    });
  });

  it('of a blend hide and tint by volume', () => {
    const half = [
      { pigment: 'titanium-white' as const, parts: 1 },
      { pigment: 'arylide-yellow' as const, parts: 1 },
    ];
    // 2 ÷ (1/0.9 + 1/2.6) = 1.3371; (1 + 0.8)/2 = 0.9.
    expect(hideOf(half)).toBeCloseTo(1.3371, 4);
    expect(strengthOf(half)).toBeCloseTo(0.9, 9);
  });
});

describe('what a colour is made of', () => {
  const names = (colour: string, isMetallic = false) =>
    pigmentsOf(colour, isMetallic).parts.map(({ pigment }) => pigment);

  it('is the pigment itself where it is its masstone', () => {
    for (const id of [
      'arylide-yellow',
      'naphthol-red',
      'carbon-black',
      'burnt-umber',
      'yellow-ochre',
    ] as const)
      expect(names(pigmentTable[id].masstone)).toEqual([id]);
  });

  it('is white and a little blue for a sky, and comes near', () => {
    const { parts, deltaE } = pigmentsOf('#7db4d8');
    expect(parts[0]!.pigment).toBe('titanium-white');
    expect(['phthalo-blue', 'ultramarine']).toContain(parts[1]!.pigment);
    expect(deltaE).toBeLessThan(2);
    expect(hideOf(parts)).toBeLessThan(1);
  });

  it('holds no pigment that a label would have to name', () => {
    for (const colour of ['#f3d60c', '#f4d010', '#f5f5f0'])
      for (const name of names(colour)) expect(pigmentTable[name].onlyIfNamed ?? false).toBe(false);
  });

  it('is flakes for what looks like metal, and none else', () => {
    expect(names('#9da0a3', true)[0]).toBe('aluminium-flake');
    expect(names('#c9a24a', true)[0]).toBe('gold-mica');
    expect(names('#c9a24a').some((name) => pigmentTable[name].flakes)).toBe(false);
  });

  it('makes clean brights weak and earths, black and white strong', () => {
    const hide = (colour: string) => hideOf(pigmentsOf(colour).parts);
    for (const weak of ['#f2c418', '#e2672b', '#d11a22', '#8a1a4b']) expect(hide(weak)).toBeGreaterThan(1.4);
    for (const strong of ['#f5f5f1', '#1b1b1c', '#5a3a26', '#7b2f25', '#5c6138', '#d9cfb4'])
      expect(hide(strong)).toBeLessThan(1.05);
  });
});

describe('how a material covers', () => {
  it('is by its own figure where it is only ever one colour, or where that was written down for it', () => {
    const primer = catalogueById.get('acrylic-pu-primer-white')!;
    expect(paintFigures(primer, primer.colour)).toMatchObject({ hideUm: 45, pigments: [], strength: 1 });
    const own = { ...catalogueById.get('craft-acrylic')!, hideUm: 70, pigments: [] };
    expect(paintFigures(own, '#f2c418').hideUm).toBe(70);
  });

  it('is by the pigments that its label names', () => {
    const own = { ...catalogueById.get('craft-acrylic')!, pigments: ['bismuth-yellow' as const] };
    // 55 µm times 1.1, against 2.6 for the yellow that it would be taken for.
    expect(paintFigures(own, '#f2c418').hideUm).toBeCloseTo(60.5, 6);
    expect(paintFigures(catalogueById.get('craft-acrylic')!, '#f2c418').hideUm).toBeCloseTo(143, 6);
  });
});
