import { sayColour } from './sayColour';

it('a colour is called by its name in the palette, however it is written, and else in plain words', () => {
  const palette = [{ id: 'bark', name: 'Bark', role: 'base' as const, colour: '#6B4A2F' }];
  expect(sayColour('#6b4a2f', palette)).toBe('Bark');
  // CIELAB of #6b4a2f: L 34, a 11, b 22: chroma 24 at 63°, dark enough to be brown, not below L 32.
  expect(sayColour('#6b4a2f')).toBe('brown');
  // #8aa08a: L 64, a −12, b 9: chroma 15 at 143°, a muted green.
  expect(sayColour('#8aa08a', palette)).toBe('greyish green');
});
