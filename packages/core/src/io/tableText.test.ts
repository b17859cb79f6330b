import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { fromTableText, tableText } from './tableText';

test.each([
  ['-12A', "'-12A"],
  ['=x', "'=x"],
  ["'=x", "''=x"],
  ['a;=b', "a;'=b"],
  ['a; +b', "a; '+b"],
  ['plain -12', 'plain -12'],
  ["'90s green", "'90s green"],
])('%s is written as %s and comes back', (text, cell) => {
  expect(tableText(text)).toBe(cell);
  expect(fromTableText(cell)).toBe(text);
});

test('whatever it is comes back as it went, and begins no formula', () => {
  const random = xoroshiro128plus(7);
  for (let n = 0; n < 5000; n += 1) {
    const text = Array.from(
      { length: uniformInt(random, 0, 8) },
      () => "=+-@';\t a1"[uniformInt(random, 0, 9)],
    ).join('');
    const cell = tableText(text);
    expect([text, fromTableText(cell)]).toEqual([text, text]);
    for (const part of cell.split(/[;\t]/)) expect([text, /^\s*[=+\-@]/.test(part)]).toEqual([text, false]);
  }
});
