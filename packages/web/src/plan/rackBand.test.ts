import { fullRuns, takenAt, takenPath } from './rackBand';

// A rack of four: two at 100, full from 160 over 200, where one more is squeezed in, until 260; full again at 300.
const band = {
  slots: 4,
  rack: [
    { from: 100, taken: 2 },
    { from: 160, taken: 4 },
    { from: 200, taken: 5 },
    { from: 260, taken: 1 },
    { from: 300, taken: 4 },
  ],
};

describe('a rack along time', () => {
  it('is full in runs, the last until the end', () => {
    expect(fullRuns(band, 400)).toEqual([
      { from: 160, to: 260 },
      { from: 300, to: 400 },
    ]);
    expect(fullRuns({ slots: 9, rack: band.rack }, 400)).toEqual([]);
  });
  it('has so many places taken at a moment, and none before the first', () => {
    expect([99, 100, 159, 160, 299, 1000].map((minute) => takenAt(band, minute))).toEqual([0, 2, 2, 4, 1, 4]);
    // Five small ones that stand three to a place take two.
    expect(takenAt({ rack: [{ from: 0, taken: 5 / 3 }] }, 1)).toBe(2);
  });
  it('is an area that is as high as it is full', () => {
    // 100 to 400 over 300 px: a minute a pixel; 20 px high, of which 2 of 4 are the half, 5 of 4 no more than all.
    expect(takenPath(band, { from: 100, until: 400, wide: 300, high: 20 })).toBe(
      'M0.0 20H0.0V10.0H60.0V0.0H100.0V0.0H160.0V15.0H200.0V0.0H300.0V20Z',
    );
    expect(takenPath({ slots: 4, rack: [] }, { from: 0, until: 1, wide: 1, high: 1 })).toBe('');
  });
});
