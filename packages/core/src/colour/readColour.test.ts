import { readColour } from './readColour';

it.each([
  ['black', '#000000'],
  ['Olive', '#808000'],
  ['dark red', '#8b0000'],
  ['dark-olive green', '#556b2f'],
  ['#8A6F3B', '#8a6f3b'],
  ['8a6f3b', '#8a6f3b'],
  ['abc', '#aabbcc'],
  ['', ''],
  ['no such colour', 'no such colour'],
])('%j is %s', (text, hex) => expect(readColour(text)).toBe(hex));
