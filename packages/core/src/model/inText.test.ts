import { substrateNames } from './substrates';
import { inText } from './inText';

test('names keep their capitals within a sentence', () => {
  expect(['Clear plastic', 'PLA print', 'EVA foam', 'X', ''].map(inText)).toEqual([
    'clear plastic',
    'PLA print',
    'EVA foam',
    'x',
    '',
  ]);
  // Nothing of what a piece can be made of is written small that is an abbreviation.
  for (const name of Object.values(substrateNames)) expect(inText(name)).not.toMatch(/\b(pla|pvc|eva)\b/);
});
