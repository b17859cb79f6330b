import { catalogueById } from '../../materials/catalogue';
import { samplePiece } from '../../testing/sampleBuild';
import { placementIds } from '../../model/placementIds';
import { colourDistance } from '../distance';
import { colourOver } from '../hiding';
import { coverageOf } from './coverage';
import { finishZones, paintFinish, zoneMap, type FinishLayer } from './finish';
import { noiseAt, noiseField } from './noise';
import { reliefOf, reliefs } from './relief';
import { stillOf } from './still';

const SIZE = 96;
const everywhere = Uint32Array.from({ length: SIZE * SIZE }, (_, at) => at);
const mean = (values: ArrayLike<number>) =>
  Array.from(values).reduce((sum, value) => sum + value, 0) / values.length;

describe('noise', () => {
  it('is the same for the same seed, about nought, and meets at its edges', () => {
    const field = noiseField(9, 32, 4);
    expect(noiseField(9, 32, 4).values).toEqual(field.values);
    expect(mean(field.values)).toBeCloseTo(0, 5);
    expect(noiseAt(field, 0.25, 1.5)).toBeCloseTo(noiseAt(field, -0.75, 0.5), 9);
  });
});

describe('where a coat lies', () => {
  it.each(placementIds)('%s: on its share, on every relief, and nowhere outside its zone', (placement) => {
    for (const kind of reliefs) {
      const relief = reliefOf(kind, SIZE);
      for (const share of [0.08, 0.3, 0.6]) {
        expect(mean(coverageOf(relief, placement, share, 3, everywhere))).toBeCloseTo(share, 1);
        const half = everywhere.filter((at) => at % SIZE < SIZE / 2);
        const cover = coverageOf(relief, placement, share, 3, half);
        expect(mean(half.map((at) => cover[at]! * 1000)) / 1000).toBeCloseTo(share, 1);
        expect(everywhere.every((at) => at % SIZE < SIZE / 2 || cover[at] === 0)).toBe(true);
      }
    }
  });

  it('is deep for a wash, high for a dry brush, low down for a fade', () => {
    const relief = reliefOf('plate', SIZE);
    const over = (placement: 'recesses' | 'high-points' | 'fade', of: (at: number) => number) => {
      const cover = coverageOf(relief, placement, placement === 'high-points' ? 0.2 : 0.3, 3, everywhere);
      const weight = mean(cover);
      return mean(everywhere.map((at) => 1e6 * cover[at]! * of(at))) / 1e6 / weight;
    };
    const out = (at: number) => (relief.out[at]! > 0 ? 1 : 0);
    expect(over('recesses', out)).toBeLessThan(0.35);
    expect(over('high-points', out)).toBeGreaterThan(0.8);
    expect(over('fade', (at) => (Math.floor(at / SIZE) > SIZE / 2 ? 1 : 0))).toBeGreaterThan(0.85);
  });
});

const layer = (changes: Partial<FinishLayer>): FinishLayer => ({
  stepAt: 0,
  name: 'A coat',
  masstone: '#3f7f72',
  scatter: 6,
  coats: 1,
  method: 'airbrush',
  placement: 'all',
  share: 1,
  gloss: 20,
  isMetallic: false,
  flattens: false,
  comesOff: false,
  ...changes,
});
const relief = reliefOf('plate', SIZE);
const paint = (layers: FinishLayer[], more: { before?: number; light?: 'daylight' | 'warm-hall' } = {}) =>
  paintFinish({ relief, ground: '#4b4d4f', zones: [{ share: 1, layers }], ...more });
const hexAt = (colour: Uint8ClampedArray, at: number) =>
  `#${[0, 1, 2].map((band) => colour[at * 4 + band]!.toString(16).padStart(2, '0')).join('')}`;

describe('a painted finish', () => {
  it('is the ground before the first coat, and the same whenever it is painted', () => {
    const bare = paint([layer({})], { before: 0 });
    expect(new Set(everywhere.map((at) => parseInt(hexAt(bare.colour, at).slice(1), 16))).size).toBe(1);
    expect(hexAt(bare.colour, 7)).toBe('#4b4d4f');
    const layers = [layer({}), layer({ placement: 'worn-spots', share: 0.1, masstone: '#6b3a20' })];
    expect(paint(layers)).toEqual(paint(layers));
  });

  it('is what the films come to, on the whole', () => {
    // One sprayed coat that does not hide: as Kubelka and Munk have it for the mean film, give or take the grain.
    const material = { ...catalogueById.get('acrylic-pu-primer-grey')!, hideUm: 30 };
    const seen = colourOver('#4b4d4f', '#d8c04a', material, 12);
    const { colour } = paint(
      finishZones(
        samplePiece({ substrate: { kind: 'eva-foam', thicknessMm: 5 } }, [
          { id: 'p', kind: 'prime', material: 'x', method: 'airbrush', colour: '#d8c04a' },
        ]),
        { materials: new Map([['x', { ...material, id: 'x', wftUm: 40, solids: 0.3 }]]), build: {} },
      )[0]!.layers,
    );
    const rgb = [0, 1, 2].map((band) => mean(everywhere.map((at) => colour[at * 4 + band]!)));
    const hex = `#${rgb.map((value) => Math.round(value).toString(16).padStart(2, '0')).join('')}`;
    expect(colourDistance(hex, seen)).toBeLessThan(3);
  });

  it('changes nothing outside the placement of a coat, nor below it', () => {
    const base = [layer({})];
    const wash = layer({
      placement: 'recesses',
      share: 0.3,
      masstone: '#2a1a10',
      scatter: 1,
      gloss: undefined,
    });
    const [without, withIt] = [paint(base), paint([...base, wash])];
    const cover = coverageOf(relief, 'recesses', 0.3, 1 * 7 + 1, everywhere);
    const outside = everywhere.filter((at) => cover[at] === 0);
    expect(outside.length).toBeGreaterThan(500);
    for (const at of outside)
      expect([hexAt(withIt.colour, at), withIt.gloss[at], withIt.height[at]]).toEqual([
        hexAt(without.colour, at),
        without.gloss[at],
        without.height[at],
      ]);
    const darker = everywhere.filter((at) => hexAt(withIt.colour, at) !== hexAt(without.colour, at));
    expect(darker.length).toBeGreaterThan(800);
  });

  it('depends on the order', () => {
    const [green, bone] = [layer({}), layer({ masstone: '#d9cfb4', scatter: 20 })];
    const at = 50 * SIZE + 50;
    expect(colourDistance(hexAt(paint([green, bone]).colour, at), '#d9cfb4')).toBeLessThan(4);
    expect(colourDistance(hexAt(paint([bone, green]).colour, at), '#3f7f72')).toBeLessThan(4);
  });

  it('shows what is below where paint is chipped off', () => {
    const chips = layer({ comesOff: true, placement: 'worn-spots', share: 0.2, scatter: 0 });
    const { colour } = paint([layer({ masstone: '#8b8d8e', scatter: 20 }), chips, layer({ scatter: 20 })]);
    const near = (hex: string) =>
      everywhere.filter((at) => colourDistance(hexAt(colour, at), hex) < 5).length / everywhere.length;
    expect(near('#8b8d8e')).toBeGreaterThan(0.1);
    expect(near('#8b8d8e')).toBeLessThan(0.22);
    expect(near('#3f7f72')).toBeGreaterThan(0.7);
  });

  it('has the shine of its top film, and a matte clear does not kill a strong gloss', () => {
    const matte = layer({ scatter: 0, gloss: 8, flattens: true });
    expect(mean(paint([layer({ gloss: 40 }), matte]).gloss)).toBeCloseTo(8, 0);
    expect(mean(paint([layer({ gloss: 85 }), matte]).gloss)).toBeCloseTo(27, 0);
    expect(mean(paint([layer({ gloss: 8 }), layer({ scatter: 0, gloss: 85 })]).gloss)).toBeCloseTo(85, 0);
  });

  it('is metal where flakes lie on top', () => {
    const steel = layer({ isMetallic: true, masstone: '#9da0a3' });
    expect(mean(paint([steel]).metal)).toBeGreaterThan(240);
    expect(mean(paint([steel, layer({ scatter: 0 })]).metal)).toBeGreaterThan(240);
    expect(mean(paint([steel, layer({})]).metal)).toBeLessThan(15);
  });

  it('is warmer in a hall', () => {
    const at = 50 * SIZE + 50;
    const warm = paint([layer({ masstone: '#d9cfb4', scatter: 20 })], { light: 'warm-hall' });
    expect(warm.colour[at * 4]! - warm.colour[at * 4 + 2]!).toBeGreaterThan(0xd9 - 0xb4);
  });

  it('gives each zone its share of the square', () => {
    for (const kind of reliefs) {
      const map = zoneMap(reliefOf(kind, SIZE), [{ share: 0.2 }, { share: 0.7 }, { share: 0.1 }]);
      const shares = [0, 1, 2].map((zone) => mean(Array.from(map, (own) => (own === zone ? 1 : 0))));
      expect(shares[0]).toBeCloseTo(0.2, 1);
      expect(shares[1]).toBeCloseTo(0.7, 1);
      expect(shares[2]).toBeCloseTo(0.1, 1);
    }
  });

  it('can be drawn flat, each pixel whole', () => {
    const still = stillOf(paint([layer({})]), relief);
    expect(still.length).toBe(SIZE * SIZE * 4);
    expect(everywhere.every((at) => still[at * 4 + 3] === 255)).toBe(true);
    expect(new Set(still).size).toBeGreaterThan(40);
  });
});
