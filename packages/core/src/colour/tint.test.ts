import { boughtAsOne, sameTint, serves } from './tint';

describe('tints', () => {
  // ΔE00 by CIEDE2000: #2f2a1e and #2a1a10 are 9.2 apart, #2f2a1e and #6b3a1e 20, #a8803a and #a9813b 0.5.
  const umber = '#2f2a1e';
  const sepia = '#2a1a10';
  const rust = '#6b3a1e';

  it('are one where nobody would see them apart', () => {
    expect(sameTint('#a8803a', '#a9813b')).toBe(true);
    expect(sameTint(umber, sepia)).toBe(false);
    expect(sameTint(undefined, undefined)).toBe(true);
    expect(sameTint(undefined, umber)).toBe(false);
  });

  it('of what weathers are one where they do the same in a recess, of paint only where they are the same', () => {
    expect(boughtAsOne({ role: 'weather' }, umber, sepia)).toBe(true);
    expect(boughtAsOne({ role: 'weather' }, umber, rust)).toBe(false);
    // The bound is 10: soot on one side of it (9.7), another brown on the other (10.1).
    expect(boughtAsOne({ role: 'weather' }, '#2b2117', '#101010')).toBe(true);
    expect(boughtAsOne({ role: 'weather' }, umber, '#3a2412')).toBe(false);
    expect(boughtAsOne({ role: 'paint' }, umber, sepia)).toBe(false);
  });

  it('decide which tin serves; one without a colour serves any of its material', () => {
    const wash = { id: 'wash', role: 'weather' as const };
    expect(serves({ material: 'wash', colour: umber }, wash, sepia)).toBe(true);
    expect(serves({ material: 'wash', colour: umber }, wash, rust)).toBe(false);
    expect(serves({ material: 'wash' }, wash, rust)).toBe(true);
    expect(serves({ material: 'other' }, wash, rust)).toBe(false);
  });
});
