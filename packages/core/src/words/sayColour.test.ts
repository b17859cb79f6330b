import { sayColour } from './sayColour';

it('a colour is called by its name in the palette, however it is written, and else in plain words', () => {
  const palette = [{ id: 'bark', name: 'Bark', role: 'base' as const, colour: '#6B4A2F' }];
  expect(sayColour('#6b4a2f', { palette })).toBe('Bark');
  // CIELAB of #6b4a2f: L 34, a 11, b 22: chroma 24 at 63°, dark enough to be brown, not below L 32.
  expect(sayColour('#6b4a2f')).toBe('brown');
  // #8aa08a: L 64, a −12, b 9: chroma 15 at 143°, a muted green.
  expect(sayColour('#8aa08a', { palette })).toBe('greyish green');
});

it.each([
  ['#c9d2c2', 'pale green'],
  ['#a07850', 'light brown'],
  ['#2a1a10', 'dark brown'],
  ['#d9cdae', 'bone'],
  ['#a8c83a', 'lime'],
])('%s is called %s', (colour, word) => {
  expect(sayColour(colour)).toBe(word);
});

it.each([
  // CIELAB lightness, chroma and hue, by culori: what somebody who paints armour would say to it.
  ['#dfe3e6', 'silver'],
  ['#a7abae', 'steel'],
  ['#4b5054', 'gunmetal'],
  ['#d4af37', 'gold'],
  ['#d9c27a', 'pale gold'],
  ['#a8803a', 'brass'],
  ['#b87333', 'copper'],
  ['#6e5442', 'bronze'],
  ['#3d6f86', 'greyish blue metal'],
])('a metal of %s is called %s', (colour, word) => {
  expect(sayColour(colour, { isMetal: true })).toBe(word);
});
