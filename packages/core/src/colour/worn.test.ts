import { lab65 } from 'culori';
import { wornColour, wornTones } from './worn';

describe('a colour where it is worn', () => {
  it('fades to a lighter, chalkier tone of its own hue, a little yellower', () => {
    const red = lab65('#b2202c')!;
    const faded = lab65(wornColour('#b2202c', 'faded'))!;
    // Of the way from its own lightness to 88 it goes 0.45; half its chroma, and of that 0.15 towards 45 of yellow.
    expect(faded.l).toBeCloseTo(red.l + 0.45 * (88 - red.l), 0);
    expect(faded.a).toBeCloseTo(red.a * 0.425, 0);
    expect(faded.b).toBeCloseTo(red.b * 0.425 + 6.75, 0);
    // Pink-orange: redder than it is yellow, and both.
    expect(faded.a).toBeGreaterThan(faded.b);
    expect(faded.b).toBeGreaterThan(10);
  });

  it('is dirtied to a dark tone of its own hue', () => {
    const blue = lab65('#1f4aa0')!;
    const dirty = lab65(wornColour('#1f4aa0', 'dirty'))!;
    expect(dirty.l).toBeCloseTo(blue.l * 0.4, 0);
    expect(dirty.b).toBeCloseTo(blue.b * 0.4, 0);
  });

  it.each(wornTones)('is a colour for black, white and grey too: %s', (tone) => {
    for (const colour of ['#000000', '#ffffff', '#808080'])
      expect(wornColour(colour, tone)).toMatch(/^#[0-9a-f]{6}$/);
  });
});
