import { entryOf, Missing, nth, sure } from './sure';

test('what is there comes back, falsy or not', () => {
  expect(sure(0, 'a count')).toBe(0);
  expect(sure('', 'a word')).toBe('');
  expect(nth(['a', 'b', 'c'], 1)).toBe('b');
  expect(nth(['a', 'b', 'c'], -1)).toBe('c');
  expect(entryOf(new Map([['a', 0]]), 'a')).toBe(0);
});

test('what is not there is said by name', () => {
  expect(() => sure(undefined, 'when it is laid')).toThrow(new Missing('Missing: when it is laid.'));
  expect(() => sure(null, 'a place')).toThrow('Missing: a place.');
  expect(() => nth(['a'], 3)).toThrow('Missing: item 3 of 1.');
  expect(() => entryOf(new Map<string, number>(), 'helm')).toThrow('Missing: the entry of helm.');
});
