import {
  sayDate,
  sayDayOf,
  sayMoment,
  sayMomentFrom,
  sayTimeOfDay,
  sayWallTime,
  sayWeekdayDate,
  speakMomentsAs,
} from './sayMoment';
import { epochMinute } from './wallTime';

const usual = { monthFirst: false, hours: 24 } as const;
afterEach(() => speakMomentsAs(usual));

const zone = 'Europe/Lisbon';
// 4 March 2027 is a Thursday.
const evening = epochMinute('2027-03-04T21:40', zone);

describe('moments as people read them', () => {
  it('are said day first and by 24 hours, as long as nothing else is asked for', () => {
    expect(sayMoment(evening, zone)).toBe('Thu 4 Mar, 21:40');
    expect(sayTimeOfDay(evening, zone)).toBe('21:40');
    expect(sayDayOf(evening, zone)).toBe('Thu 4 Mar');
    expect(sayDate('2027-03-04')).toBe('4 Mar 2027');
    expect(sayWeekdayDate('2027-03-04', true)).toBe('Thu 4 Mar 2027');
    expect(sayWallTime('21:40')).toBe('21:40');
  });

  it('name the year where it is another one', () => {
    const newYear = epochMinute('2028-01-02T08:31', zone);
    expect(sayMomentFrom(evening, epochMinute('2027-12-31T23:00', zone), zone)).toBe('Thu 4 Mar, 21:40');
    // 2 January 2028 is a Sunday.
    expect(sayMomentFrom(newYear, evening, zone)).toBe('Sun 2 Jan 2028, 08:31');
    speakMomentsAs({ monthFirst: true, hours: 12 });
    expect(sayMomentFrom(newYear, evening, zone)).toBe('Sun Jan 2, 2028, 8:31 am');
  });

  it('are said month first and by 12 hours where people do, also what was said before', () => {
    sayMoment(evening, zone);
    speakMomentsAs({ monthFirst: true, hours: 12 });
    expect(sayMoment(evening, zone)).toBe('Thu Mar 4, 9:40 pm');
    expect(sayTimeOfDay(evening, zone)).toBe('9:40 pm');
    expect(sayDayOf(evening, zone)).toBe('Thu Mar 4');
    expect(sayDate('2027-03-04')).toBe('Mar 4, 2027');
    expect(sayWeekdayDate('2027-03-04', false)).toBe('Thu Mar 4');
    expect(sayWeekdayDate('2027-03-04', true)).toBe('Thu Mar 4, 2027');
    expect(['00:00', '12:05', '24:00', 'soon'].map(sayWallTime)).toEqual([
      '12:00 am',
      '12:05 pm',
      '24:00',
      'soon',
    ]);
  });
});
