import { keptBackups } from './keptBackups';

const day = 86_400_000;
const at = (daysAgo: number, hour = 12) =>
  new Date(Date.parse('2027-03-31T00:00:00Z') - daysAgo * day + hour * 3_600_000).toISOString();

describe('keptBackups', () => {
  // One a day for 400 days up to Wednesday 31 March 2027. Days: 31 to 25 March. Weeks: of 29 March (31), 22 (28), 15 (21), 8 (14).
  // Months: March (31), February (28), January (31) … back to April 2026 (30). Days 31 and 28 March count once.
  it('keeps seven days, four weeks and twelve months of one a day', () => {
    const made = new Map(Array.from({ length: 400 }, (_, n) => [at(n).slice(0, 10), at(n)]));
    expect([...keptBackups(made)].sort()).toEqual([
      '2026-04-30',
      '2026-05-31',
      '2026-06-30',
      '2026-07-31',
      '2026-08-31',
      '2026-09-30',
      '2026-10-31',
      '2026-11-30',
      '2026-12-31',
      '2027-01-31',
      '2027-02-28',
      '2027-03-14',
      '2027-03-21',
      '2027-03-25',
      '2027-03-26',
      '2027-03-27',
      '2027-03-28',
      '2027-03-29',
      '2027-03-30',
      '2027-03-31',
    ]);
  });

  it('keeps the newest of a day, but the five newest in any case', () => {
    const made = new Map(Array.from({ length: 8 }, (_, n) => [`${n}`, at(0, n)]));
    expect([...keptBackups(made)].sort()).toEqual(['3', '4', '5', '6', '7']);
  });

  it('keeps nothing of nothing', () => {
    expect(keptBackups(new Map()).size).toBe(0);
  });
});
