import { recoatWords } from './materialFigures';

it.each([
  // As the catalogue writes them: minutes, open-ended or closed, one after the other.
  ['45-', 'after 45 min'],
  ['0-60|2880-', 'within 1 h, or after 2 days'],
  ['15-60|2880-', '15 min to 1 h, or after 2 days'],
  ['0-', 'at once'],
])('says the windows %s as “%s”', (recoat, words) => {
  expect(recoatWords({ recoat })).toBe(words);
});
