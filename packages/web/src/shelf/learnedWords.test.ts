import type { AmountMeasuredEntry, Method } from '@fixatum/core';
import { learnedWords } from './learnedWords';

const once = (usedMl: number, method?: Method): AmountMeasuredEntry => ({
  id: 'a',
  material: 'x',
  ...(method ? { method } : {}),
  // So much that each counts whole.
  reckonedMl: 100_000,
  usedMl: usedMl * 10_000,
  on: '2027-02-15',
});
const material = { id: 'x', methods: ['brush', 'sponge'] as Method[] };

describe('what was learned of amounts', () => {
  it('is said of each way that was measured, and of no other material', () => {
    // e^((ln 1.6 + ln 1.4) / 5) = 1.18 and e^(ln 0.6 / 4) = 0.88.
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
    // e^(ln 1.4 / 4) = 1.09.
    expect(learnedWords([once(14)], material)).toEqual([
      'by brush you take 1.1 times the book, measured once',
    ]);
  });

  it('is not said where it is what the book says', () => {
    // e^(ln 1.21 / 4) = 1.049 is as good as the book, e^(ln 1.22 / 4) = 1.051 is not.
    expect(learnedWords([once(12.1, 'brush')], material)).toEqual([]);
    expect(learnedWords([once(12.2, 'brush')], material)).toHaveLength(1);
    expect(learnedWords(undefined, material)).toEqual([]);
  });

  it('says where what was used is so far off that it is taken for a slip', () => {
    expect(learnedWords([once(300, 'brush')], material)).toEqual([
      'once by brush what was used is over four times off the book: it teaches nothing',
    ]);
  });
});
