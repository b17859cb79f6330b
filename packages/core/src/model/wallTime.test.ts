import { sayMoment } from './sayMoment';
import {
  compareLogged,
  epochMinute,
  sayWait,
  secondOfTwo,
  toEpochMinute,
  toLoggedTime,
  toWallTime,
  workdayBegan,
} from './wallTime';

describe('wall time', () => {
  it('goes to epoch minutes and back', () => {
    // Lisbon is on UTC in winter.
    expect(epochMinute('2027-03-05T19:00', 'Europe/Lisbon')).toBe(Date.UTC(2027, 2, 5, 19) / 60_000);
    expect(toWallTime(Date.UTC(2027, 5, 1, 12) / 60_000, 'Europe/Lisbon')).toBe('2027-06-01T13:00');
  });

  it('makes an hour of waiting an hour, also over a clock change', () => {
    // Clocks go from 01:00 to 02:00 on 28 March: 00:30 to 02:30 is one hour.
    expect(
      epochMinute('2027-03-28T02:30', 'Europe/Lisbon') - epochMinute('2027-03-28T00:30', 'Europe/Lisbon'),
    ).toBe(60);
    expect(toEpochMinute('2027-03-28T01:30', 'Europe/Lisbon')).toBeUndefined();
  });

  it('throws on a moment that does not exist', () => {
    expect(() => epochMinute('2027-02-29T10:00', 'UTC')).toThrow(RangeError);
  });

  // Lisbon sets its clocks back on 31 October 2027 at 02:00 summer time, 01:00 UTC: 01:30 comes at 00:30 UTC and at 01:30 UTC.
  it('tells autumn’s double hour apart where something happened in it', () => {
    const at = (utc: string) => Date.parse(`2027-10-31T${utc}:00Z`) / 60_000;
    const zone = 'Europe/Lisbon';
    const logged = ['00:30', '00:59', '01:00', '01:30', '02:00'].map((utc) => toLoggedTime(at(utc), zone));
    expect(logged).toEqual([
      '2027-10-31T01:30',
      '2027-10-31T01:59',
      '2027-10-31T01:00+00:00',
      '2027-10-31T01:30+00:00',
      '2027-10-31T02:00',
    ]);
    expect(logged.map((wall) => toEpochMinute(wall, zone))).toEqual(
      ['00:30', '00:59', '01:00', '01:30', '02:00'].map(at),
    );
    expect([...logged].reverse().sort(compareLogged)).toEqual(logged);
    expect(secondOfTwo('2027-10-31T01:30', zone)).toBe(at('01:30'));
    expect(secondOfTwo('2027-10-31T02:30', zone)).toBeUndefined();
    // An offset that the zone does not have then is no moment of it.
    expect(toEpochMinute('2027-10-31T01:30+05:00', zone)).toBeUndefined();
    expect(toEpochMinute('2027-10-30T01:30+00:00', zone)).toBeUndefined();
    // Lord Howe sets its clocks back by half an hour, on 4 April 2027 at 02:00, from +11:00 to +10:30.
    const howe = secondOfTwo('2027-04-04T01:45', 'Australia/Lord_Howe')!;
    expect(howe - toEpochMinute('2027-04-04T01:45', 'Australia/Lord_Howe')!).toBe(30);
  });

  it('is said plainly', () => {
    expect(sayMoment(epochMinute('2027-03-04T21:40', 'UTC'), 'UTC')).toBe('Thu 4 Mar, 21:40');
    expect([0, 0.2, 59, 60, 130, 2879, 2880, 3000, 5700].map(sayWait)).toEqual([
      '0 min',
      '1 min',
      '59 min',
      '1 h',
      '2 h 10',
      '47 h 59',
      '2 days',
      '2 days 2 h',
      '3 days 23 h',
    ]);
  });
});

describe('the day that is worked', () => {
  // Five hours into the night it is the evening before: 04:59 on the 21st belongs to the 20th, 05:00 to the 21st.
  it.each([
    ['2027-02-20T19:30', '2027-02-20T00:00'],
    ['2027-02-21T00:05', '2027-02-20T00:00'],
    ['2027-02-21T04:59', '2027-02-20T00:00'],
    ['2027-02-21T05:00', '2027-02-21T00:00'],
  ])('at %s began at %s', (now, began) => {
    for (const zone of ['UTC', 'America/New_York'])
      expect(toWallTime(workdayBegan(epochMinute(now, zone), zone), zone)).toBe(began);
  });
});
