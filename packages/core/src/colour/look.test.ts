import { lab65 } from 'culori';
import { catalogueById } from '../materials/catalogue';
import { apartAtThreeMetres } from './contrast';
import { cameOutAs, corrections, wrongs } from './correction';
import { colourDistance } from './distance';
import { colourUnder, lights } from './light';
import { withoutTint } from './neutral';
import { schemeOf } from './scheme';
import { colourOf, spectrumOf } from './spectrum';
import { wetColour } from './wetDry';

const craft = catalogueById.get('craft-acrylic')!;

describe('other lights', () => {
  it('leave a colour as it is in daylight', () => {
    for (const colour of ['#3f7f72', '#f5f5f1', '#1f2a7d'])
      expect(colourUnder(spectrumOf(colour), 'daylight')).toBe(colourOf(spectrumOf(colour)));
  });

  it('make white warm in a hall and cool under cold LED, and both still white to the eye', () => {
    const b = (light: (typeof lights)[number]) => lab65(colourUnder(spectrumOf('#f2f2ef'), light))!.b;
    expect(b('warm-hall')).toBeGreaterThan(b('daylight') + 4);
    expect(b('warm-hall')).toBeLessThan(b('daylight') + 20);
    expect(b('cold-led')).toBeLessThan(b('daylight'));
  });

  it('bring out reds where it is warm, and dull blues', () => {
    const chroma = (colour: string, light: (typeof lights)[number]) => {
      const { a, b } = lab65(colourUnder(spectrumOf(colour), light))!;
      return Math.hypot(a, b);
    };
    expect(chroma('#b2202c', 'warm-hall')).toBeGreaterThan(chroma('#b2202c', 'cold-led'));
    expect(chroma('#1f2a7d', 'warm-hall')).toBeLessThan(chroma('#1f2a7d', 'daylight'));
  });
});

describe('wet and dry', () => {
  const lighter = (colour: string) => lab65(wetColour(craft, colour))!.l - lab65(colour)!.l;

  it('are near each other for an opaque white, far for a dark clear colour', () => {
    // White: L* 96.4, hides at 0.9: 1 + 5 · (0.036 + 0)/2 = 1.09.
    expect(lighter('#f5f5f1')).toBeCloseTo(1.09, 0);
    // Phthalo blue: L* 14, hides at 2: 1 + 5 · (0.86 + 1.1/2.1)/2 = 4.46.
    expect(lighter('#0d2347')).toBeGreaterThan(4.1);
    expect(lighter('#0d2347')).toBeLessThan(4.8);
  });

  it('are the same where no water dries off', () => {
    expect(wetColour(catalogueById.get('acrylic-spray')!, '#0d2347')).toBe('#0d2347');
  });
});

describe('a scheme', () => {
  const steps = (base: string, isMetallic = false) => {
    const { shade, mid, light } = schemeOf(base, isMetallic);
    return [shade, mid, light].map((colour) => lab65(colour)!);
  };

  it('is 15 L* darker and 12 lighter, the shade towards violet, the light towards yellow', () => {
    const [shade, mid, light] = steps('#8b8d8e');
    expect(shade!.l - mid!.l).toBeCloseTo(-15, 0);
    expect(light!.l - mid!.l).toBeCloseTo(12, 0);
    // 15 % of the way from about 0 to −30 and to 45.
    expect(shade!.b - mid!.b).toBeCloseTo(-4.5, 0);
    expect(light!.b - mid!.b).toBeCloseTo(6.8, 0);
  });

  it('has a brown shade for a warm metal', () => {
    const [brass, , ,] = steps('#a8803a', true);
    const [paint] = steps('#a8803a');
    expect(brass!.b).toBeGreaterThan(paint!.b + 5);
    // Steel has none.
    expect(schemeOf('#9da0a3', true).shade).toBe(schemeOf('#9da0a3').shade);
  });
});

describe('a picture with something neutral in it', () => {
  it('loses the tint of its light', () => {
    // A card that is grey came out as #a08060; scaled by channel it is neutral, of the lightness that it had.
    const grey = withoutTint('#a08060', '#a08060');
    const { a, b, l } = lab65(grey)!;
    expect(Math.hypot(a, b)).toBeLessThan(0.5);
    expect(l).toBeCloseTo(lab65('#a08060')!.l, 0);
    // White paper comes out as 88 % of white: 1.055 · 0.88^(1/2.4) − 0.055 = 0.945, which is #f1.
    expect(withoutTint('#a08060', '#a08060', true)).toBe('#f1f1f1');
  });
});

describe('neighbours at three metres', () => {
  it('read as one, as a hint, or as two', () => {
    expect(apartAtThreeMetres('#3f7f72', '#438375')).toBe('one');
    expect(apartAtThreeMetres('#3f7f72', '#2c6a5e')).toBe('hint');
    expect(apartAtThreeMetres('#3f7f72', '#d9cfb4')).toBe('clear');
    // Hues of one lightness run into each other before light and dark do.
    // (colours that are the same ΔE00 apart close by).
    expect(colourDistance('#8a6f5a', '#7b7556')).toBeGreaterThan(colourDistance('#6a6a6a', '#858585'));
    expect(apartAtThreeMetres('#8a6f5a', '#7b7556')).toBe('hint');
    expect(apartAtThreeMetres('#6a6a6a', '#858585')).toBe('clear');
  });
});

describe('what to add to a pot that came out wrong', () => {
  const tins = ['#f5f5f1', '#1b1b1c', '#f2c418', '#b2202c', '#1f2a7d', '#0b3b33', '#4a2f22'].map(
    (colour) => ({
      material: craft,
      colour,
    }),
  );
  const pot = { ml: 40, strength: 1 };

  it('brings it nearer, with little', () => {
    for (const wrong of wrongs) {
      const cameOut = cameOutAs('#7a6a52', wrong);
      const before = colourDistance(cameOut, '#7a6a52');
      const found = corrections('#7a6a52', cameOut, pot, tins);
      expect(found.length).toBeGreaterThan(0);
      for (const { add, colour } of found) {
        expect(colourDistance(colour, '#7a6a52')).toBeLessThan(before);
        expect(add.length).toBeLessThanOrEqual(2);
        for (const { ml, drops } of add) if (ml < 2) expect(drops).toBe(Math.max(1, Math.round(ml * 20)));
      }
    }
  });

  it('is green against too much red, and never more red', () => {
    const [first] = corrections('#7a6a52', cameOutAs('#7a6a52', 'red'), pot, tins);
    const added = first!.add.map(({ colour }) => colour);
    // Or what makes green.
    expect(added.includes('#0b3b33') || (added.includes('#f2c418') && added.includes('#1f2a7d'))).toBe(true);
    expect(added).not.toContain('#b2202c');
  });

  it('is nothing where it came out right', () => {
    expect(corrections('#7a6a52', '#7a6a52', pot, tins)).toEqual([]);
  });
});
