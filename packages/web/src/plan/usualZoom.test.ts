import { usualZoom } from './usualZoom';

describe('the zoom a plan opens in', () => {
  // By days an hour takes 14 px, by weeks 3.2: 700 px are 50 h, or 218.75 h.
  it.each([
    ['tonight is in sight by days', 90, 'days'],
    ['the last hour that fits by days', 50 * 60, 'days'],
    ['one more is seen by weeks', 51 * 60, 'weeks'],
    ['the last hour that fits by weeks', 218 * 60, 'weeks'],
    ['work of the month after next is seen as a whole', 220 * 60, 'all'],
    ['nothing left to do is seen by days', undefined, 'days'],
  ])('%s', (_what, minutes, zoom) => {
    expect(usualZoom(minutes, 700)).toBe(zoom);
  });
});
