import { placeFlags } from './chartFlags';

const flag = (word: string, at: number) => ({ key: word, word, at });
/** Ten pixels a minute. */
const pxOf = (minute: number) => minute * 10;

describe('words of the lines on the plan', () => {
  it('stand in one row where there is room', () => {
    // "now" takes 3 letters of 7.5 px and 14 px: 36.5 px, so that it ends at 36.5; "fair" begins at 100.
    const placed = placeFlags([flag('now', 0), flag('fair', 10)], pxOf, 1000);
    expect(placed.map(({ row, before }) => [row, before])).toEqual([
      [0, false],
      [0, false],
    ]);
  });

  it('go below each other where they would lie over each other', () => {
    // "pack for fair" is 13 letters: 111.5 px from 0; the next line is at 20, the third at 120.
    const placed = placeFlags([flag('pack for fair', 0), flag('fair', 2), flag('next', 12)], pxOf, 1000);
    expect(placed.map(({ row }) => row)).toEqual([0, 1, 0]);
  });

  it('lie before their line at the end of the chart, and not where there is no room before it', () => {
    // The chart is 100 px wide. "fair" is 44 px: at 90 it would end at 134; "a long name" is 96.5 px and has room on neither side.
    expect(placeFlags([flag('fair', 9)], pxOf, 100)[0]?.before).toBe(true);
    expect(placeFlags([flag('a long name', 5)], pxOf, 100)[0]?.before).toBe(false);
  });
});
