import fc from 'fast-check';
import { catalogueById } from '../materials/catalogue';
import { colourDistance } from './distance';
import { mixedFrom, mixedHideUm, mixedStrength, recipesFor } from './recipes';

const material = catalogueById.get('craft-acrylic')!;
const tin = (colour: string) => ({ material, colour });
const [white, black, yellow, red, blue, umber] = [
  '#f5f5f1',
  '#1b1b1c',
  '#f2c418',
  '#b2202c',
  '#1f2a7d',
  '#4a2f22',
].map(tin) as [ReturnType<typeof tin>, ...ReturnType<typeof tin>[]];

/** The least ΔE00 of all whole parts up to twenty of up to two tins, every dark one by parts or by drops. */
function bruteForce(wanted: string, tins: readonly ReturnType<typeof tin>[]): number {
  const isLight = ({ colour }: ReturnType<typeof tin>) => colour === white.colour;
  const units = (one: ReturnType<typeof tin>) => (isLight(one) ? [1] : [1, 1 / 20]);
  let least = Math.min(...tins.map(({ colour }) => colourDistance(colour, wanted)));
  tins.forEach((one, n) => {
    for (const other of tins.slice(n + 1))
      for (const unit of units(one))
        for (const more of units(other)) {
          if (unit < 1 && more < 1) continue;
          for (let a = 1; a < 20; a += 1)
            for (let b = 1; a + b <= 20; b += 1) {
              const colour = mixedFrom([
                { ...one, parts: a * unit },
                { ...other, parts: b * more },
              ]);
              least = Math.min(least, colourDistance(colour, wanted));
            }
        }
  });
  return least;
}

describe('mixes as painters make them', () => {
  const strong = ['#0d2347', '#0b3b33', '#8a1a4b'].map(tin);
  it('a grey is made of black, white and umber, not of three strong tints', () => {
    const [first] = recipesFor('#8c8a87', [...strong, white, black!, umber!]);
    expect(first!.deltaE).toBeLessThan(2);
    expect(first!.parts.map(({ colour }) => colour)).not.toEqual(
      expect.arrayContaining([expect.stringMatching(/^#(0d2347|0b3b33|8a1a4b)$/)]),
    );
  });
  it('a yellow is shaded with umber or ochre where that comes as near as black', () => {
    // An ochre yellow made of the yellow and umber: black with the yellow would be an olive.
    const wanted = mixedFrom([
      { ...yellow!, parts: 6 },
      { ...umber!, parts: 1 },
    ]);
    const [first] = recipesFor(wanted, [white, black!, yellow!, umber!]);
    expect(first!.parts.map(({ colour }) => colour)).not.toContain(black!.colour);
    expect(first!.deltaE).toBeLessThan(2);
  });
});

describe('recipesFor', () => {
  it('finds the nearest of all, as brute force does', () => {
    const tins = [white, yellow!, red!, umber!];
    for (const wanted of ['#d98c3a', '#e7c9a5', '#7a5230', '#c94a35', '#efe4b0']) {
      const found = recipesFor(wanted, tins, { mostTins: 2 });
      const nearest = Math.min(...found.map(({ deltaE }) => deltaE));
      // Rounding to eight bits a channel, and a part fewer where that is hardly further off.
      expect(Math.abs(nearest - bruteForce(wanted, tins))).toBeLessThan(0.35);
    }
  });

  it('tells whole parts, at most twenty, or drops of what is dark, and never all drops', () => {
    const tins = [white, black!, yellow!, red!, blue!, umber!];
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
        const wanted = `#${value.toString(16).padStart(6, '0')}`;
        for (const { parts, colour, deltaE } of recipesFor(wanted, tins)) {
          const counts = parts.map(({ parts: own, drops }) => drops ?? own);
          expect(counts.every((count) => Number.isInteger(count) && count >= 1)).toBe(true);
          expect(counts.reduce((sum, count) => sum + count)).toBeLessThanOrEqual(20);
          expect(parts.length).toBeLessThanOrEqual(3);
          expect(parts.some(({ drops }) => drops === undefined)).toBe(true);
          expect(colour).toBe(mixedFrom(parts));
          expect(colourDistance(colour, wanted)).toBe(deltaE);
        }
      }),
      { numRuns: 20 },
    );
  });

  it('takes one tin where that is the colour, and tells no mix that only adds to it', () => {
    const found = recipesFor('#b2202c', [white, red!, blue!]);
    expect(found[0]!.parts).toEqual([{ ...red, parts: 1 }]);
    // Nor one that is another colour: white and blue make no red.
    expect(found).toHaveLength(1);
    expect(recipesFor('#b2202c', [white, blue!])[0]!.deltaE).toBeGreaterThan(10);
  });

  it('starts with the weak colour and adds the strong one by drops', () => {
    const [sky] = recipesFor('#a9c6dc', [tin('#0d2347'), white]);
    expect(sky!.parts.map(({ colour }) => colour)).toEqual([white.colour, '#0d2347']);
    expect(sky!.parts[1]!.drops).toBeGreaterThanOrEqual(1);
    expect(sky!.parts[1]!.parts).toBe(sky!.parts[1]!.drops! / 20);
  });

  it('is nothing without tins', () => {
    expect(recipesFor('#a9c6dc', [])).toEqual([]);
  });
});

describe('a mix', () => {
  it('hides and tints by volume', () => {
    // White 55 · 0.9 = 49.5 µm, yellow 55 · 2.6 = 143 µm: 4 ÷ (3/49.5 + 1/143) = 59.17 µm.
    const parts = [
      { ...white, parts: 3 },
      { ...yellow!, parts: 1 },
    ];
    expect(mixedHideUm(parts)).toBeCloseTo(59.17, 1);
    // 3/4 · 1 + 1/4 · 0.8.
    expect(mixedStrength(parts)).toBeCloseTo(0.95, 9);
    expect(
      mixedHideUm([{ material: catalogueById.get('satin-varnish')!, colour: '#ffffff', parts: 1 }]),
    ).toBeUndefined();
  });
});
