import { catalogueById } from '../materials/catalogue';
import { materialsOf } from '../materials/ownMaterials';
import type { Step } from '../model/schema';
import { sampleBuild, samplePiece } from '../testing/sampleBuild';
import { coverAdvice, primersOf } from './coverAdvice';
import { judgeBuild } from './judgeBuild';
import { coloursInUse } from './paletteOf';

const known = { materials: materialsOf(), build: {} };
const seal: Step = { id: 'seal', kind: 'seal', material: 'neoprene-soft', method: 'brush', coats: 2 };
const black: Step = { id: 'black', kind: 'prime', material: 'acrylic-pu-primer-black', method: 'brush' };
const yellow: Step = {
  id: 'yellow',
  kind: 'base',
  material: 'craft-acrylic',
  method: 'brush',
  coats: 2,
  colour: '#f2c418',
};
const foam = { kind: 'eva-foam' as const, thicknessMm: 5, colour: '#3a3a3c' };
const plate = (steps: Step[]) => samplePiece({ substrate: foam }, steps);

describe('what there is to lay below', () => {
  it('is one water-borne primer of each colour', () => {
    expect([...primersOf(known.materials)].map(([id, { name }]) => [id, name])).toEqual([
      ['black', 'Acrylic-urethane primer black'],
      ['white', 'Acrylic-urethane primer white'],
      ['grey', 'Acrylic-urethane primer grey'],
      ['oxide', 'Acrylic-urethane primer red-brown'],
    ]);
  });
});

describe('advice on a colour', () => {
  it('puts white in place of the black that lies only under a yellow, with its coats', () => {
    const advice = coverAdvice(plate([seal, black, yellow]), 'yellow', known)!;
    const [best] = advice.options;
    expect([best!.id, best!.isUsual]).toEqual(['white', true]);
    expect(best!.piece.steps.map(({ id, material, coats }) => [id, material, coats])).toEqual([
      ['seal', 'neoprene-soft', 2],
      ['black', 'acrylic-pu-primer-white', best!.coatsBelow],
      ['yellow', 'craft-acrylic', best!.coats],
    ]);
    expect(best!.coats).toBeLessThan(advice.options.find(({ id }) => id === 'black')?.coats ?? 99);
  });

  it('puts an undercoat in where there is none, or where other zones need the one there is', () => {
    const zones = [
      { id: 'field', name: 'Field', share: 0.7 },
      { id: 'rim', name: 'Rim', share: 0.3 },
    ];
    const piece = samplePiece({ substrate: foam, zones }, [seal, black, { ...yellow, zones: ['rim'] }]);
    const [best] = coverAdvice(piece, 'yellow', known)!.options;
    expect(best!.piece.steps.map(({ id, kind, zones: own }) => [id, kind, own?.join()])).toEqual([
      ['seal', 'seal', undefined],
      ['black', 'prime', undefined],
      ['prime', 'prime', 'rim'],
      ['yellow', 'base', 'rim'],
    ]);
  });

  it('is heard by the rules: what it writes first is not spoken against for its cover', () => {
    for (const [colour, material] of [
      ['#f2c418', 'craft-acrylic'],
      ['#d11a22', 'flex-acrylic'],
      ['#b08d57', 'acrylic-metallic'],
      ['#5c6138', 'craft-acrylic'],
    ] as const) {
      const piece = plate([seal, black, { ...yellow, colour, material }]);
      const [best] = coverAdvice(piece, 'yellow', known)!.options;
      const found = judgeBuild(sampleBuild({ pieces: [best!.piece], log: [] }));
      expect(found.filter(({ rule, severity }) => rule === 'O05' && severity !== 'note')).toEqual([]);
    }
  });

  it('draws the coats over each ground, nearer and nearer to the colour', () => {
    const { options, byMethod } = coverAdvice(plate([seal, black, yellow]), 'yellow', known)!;
    for (const { strip } of options) expect(strip.coats).toHaveLength(6);
    const over = options.find(({ id }) => id === 'white')!.strip;
    expect(over.coats[5]).toMatch(/^#f[12]c[345]1[0-9a-f]$/);
    // What lies more evenly takes no more coats.
    const coats = new Map(byMethod.map(({ method, coats: own }) => [method, own ?? 99]));
    expect(coats.get('sponge')).toBeLessThanOrEqual(coats.get('brush')!);
    expect(coats.has('dry-brush')).toBe(false);
  });

  it('is none for what covers nothing', () => {
    const wash: Step = { id: 'wash', kind: 'weather', material: 'acrylic-wash', colour: '#2a1a10' };
    expect(coverAdvice(plate([seal, wash]), 'wash', known)).toBeUndefined();
    expect(coverAdvice(plate([seal]), 'gone', known)).toBeUndefined();
  });
});

describe('an own tin', () => {
  it('with a hide figure of its own is that good in any colour; with a pigment, as that is', () => {
    const own = materialsOf([
      { id: 'a', extends: 'craft-acrylic', hideUm: 30 },
      { id: 'b', extends: 'craft-acrylic', pigments: ['bismuth-yellow'] },
    ]);
    const hideOf = (material: string) =>
      coverAdvice(plate([seal, { ...yellow, material }]), 'yellow', { materials: own, build: {} })!.hideUm;
    expect(hideOf('a')).toBe(30);
    expect(hideOf('b')).toBeCloseTo(60.5, 6);
    expect(hideOf('craft-acrylic')).toBeCloseTo(143, 6);
    expect(catalogueById.get('craft-acrylic')!.pigments).toBeUndefined();
  });
});

describe('the colours in use', () => {
  it('are each told once, by what they are, and not once they have a name', () => {
    const steps: Step[] = [
      { ...yellow, colour: '#2f6f62' },
      { ...yellow, id: 'again', material: 'flex-acrylic', colour: '#306f62' },
      { ...yellow, id: 'brass', material: 'acrylic-metallic', colour: '#a8803a' },
      { ...yellow, id: 'wash', kind: 'weather', material: 'acrylic-wash', colour: '#2a1a10' },
    ];
    const build = sampleBuild({ pieces: [plate(steps)], log: [] });
    expect(coloursInUse(build, known.materials)).toEqual([
      { name: 'Greyish sea green', role: 'base', colour: '#2f6f62', material: 'craft-acrylic' },
      { name: 'Brass', role: 'metal', colour: '#a8803a', material: 'acrylic-metallic' },
      { name: 'Dark brown', role: 'shade', colour: '#2a1a10', material: 'acrylic-wash' },
    ]);
    build.pieces[0]!.steps[2]!.palette = 'x';
    expect(coloursInUse(build, known.materials)).toHaveLength(2);
  });
});
