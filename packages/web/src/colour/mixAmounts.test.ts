import { amountOf } from './mixAmounts';

// A millilitre is 20 drops; from two millilitres on it is measured.
it.each([
  [0.001, '1 drop'],
  [0.05, '1 drop'],
  [0.5, '10 drops'],
  [1.99, '40 drops'],
  [2, '2 ml'],
  [12.4, '12 ml'],
])('%d ml are %s', (ml, words) => {
  expect(amountOf(ml)).toBe(words);
});
