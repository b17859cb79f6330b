import { momentStyleOf, unitSystemOf } from './deviceStyle';

it.each([
  ['en-GB', { monthFirst: false, hours: 24 }],
  ['en-US', { monthFirst: true, hours: 12 }],
  // Half past nine in the evening is "9:30 pm" in Australia, on 6/3.
  ['en-AU', { monthFirst: false, hours: 12 }],
  ['de-DE', { monthFirst: false, hours: 24 }],
  // The app speaks English: only where English is written with the month first are dates said so.
  ['ja-JP', { monthFirst: false, hours: 24 }],
] as const)('in %s moments are said %p', (locale, style) => {
  expect(momentStyleOf(locale)).toEqual(style);
});

it('goes by the clock that was chosen', () => {
  expect(momentStyleOf('en-US', '24').hours).toBe(24);
  expect(momentStyleOf('en-GB', '12').hours).toBe(12);
});

it.each([
  ['en-US', 'imperial'],
  ['es-US', 'imperial'],
  ['en-GB', 'metric'],
  ['de-DE', 'metric'],
  // A language alone is of many countries.
  ['en', 'metric'],
  [undefined, 'metric'],
] as const)('in %s people measure in the %s system', (locale, system) => {
  expect(unitSystemOf(locale)).toBe(system);
});
