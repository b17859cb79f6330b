import { inSight } from './inSight';

const spanOf = ([from, to]: [number, number]) => ({ from, to });

describe('what of a row is drawn', () => {
  it('is what touches the time in sight, the next on either side, the first and the last', () => {
    const row: [number, number][] = [
      [0, 1],
      [2, 3],
      [4, 5],
      // Touches the beginning of what is in sight, 10 to 20.
      [8, 10],
      [12, 13],
      [20, 30],
      [31, 32],
      [33, 34],
      [40, 41],
    ];
    expect(inSight(row, spanOf, { from: 10, until: 20 })).toEqual([
      [0, 1],
      [4, 5],
      [8, 10],
      [12, 13],
      [20, 30],
      [31, 32],
      [40, 41],
    ]);
  });
  it('stays in the order it came in', () => {
    const row: [number, number][] = [
      [40, 41],
      [12, 13],
      [0, 1],
      [4, 5],
      [31, 32],
      [2, 3],
    ];
    expect(inSight(row, spanOf, { from: 10, until: 20 })).toEqual([
      [40, 41],
      [12, 13],
      [0, 1],
      [4, 5],
      [31, 32],
    ]);
  });
  it('is nothing of nothing', () => {
    expect(inSight([], spanOf, { from: 0, until: 1 })).toEqual([]);
  });
});
