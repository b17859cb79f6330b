import { takenWords } from './takenWords';

it.each([
  // Before there is a plan nothing is said of it, least of all that it takes nothing.
  [undefined, 250, 1, 'what the plan takes of it is still being worked out'],
  [0, 250, 1, 'nothing planned takes any of it'],
  [0.04, 250, 1, 'nothing planned takes any of it'],
  [0.05, 250, 1, 'the plan takes up to 0.1 ml, 250 ml are left after'],
  [29, 250, 2, 'the plans take up to 29 ml, 221 ml are left after'],
])('of %p ml of %d, planned for %d builds: %s', (taken, left, builds, words) => {
  expect(takenWords(taken, left, builds)).toBe(words);
});
