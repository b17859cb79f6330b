import type { AmountMeasuredEntry, Method } from '@fixatum/core';
import { learnedWords } from './learnedWords';

const once = (usedMl: number, method?: Method): AmountMeasuredEntry => ({
  id: 'a',
  material: 'x',
  ...(method ? { method } : {}),
  reckonedMl: 10,
  usedMl,
  on: '2027-02-15',
});
const material = { id: 'x', methods: ['brush', 'sponge'] as Method[] };

describe('what was learned of amounts', () => {
  it('is said of each way that was measured, and of no other material', () => {
    // (3 + 1.6 + 1.4) / 5 = 1.2 and (3 + 0.6) / 4 = 0.9.
    const amounts = [
      once(16, 'brush'),
      once(14, 'brush'),
      once(6, 'sponge'),
      { ...once(99, 'brush'), material: 'y' },
    ];
    expect(learnedWords(amounts, material)).toEqual([
      'by brush you take 1.2 times the book, measured 2 times',
      'by sponge you take 0.9 times the book, measured once',
    ]);
  });

  it('is said of the usual way where the way was not written down', () => {
    // (3 + 1.4) / 4 = 1.1.
    expect(learnedWords([once(14)], material)).toEqual([
      'by brush you take 1.1 times the book, measured once',
    ]);
  });

  it('is not said where it is what the book says', () => {
    // (3 + 1.19) / 4 = 1.0475 is as good as the book, (3 + 1.21) / 4 = 1.0525 is not.
    expect(learnedWords([once(11.9, 'brush')], material)).toEqual([]);
    expect(learnedWords([once(12.1, 'brush')], material)).toHaveLength(1);
    expect(learnedWords(undefined, material)).toEqual([]);
  });
});
