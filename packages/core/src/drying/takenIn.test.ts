import type { Climate } from '../model/schema';
import { epochMinute } from '../model/wallTime';
import { climateSeries, cutSeries } from './climateSeries';
import { takenIn } from './takenIn';

const at = (wall: string) => epochMinute(wall, 'UTC');
const steady: Climate = { kind: 'constant', temperatureC: 12, humidityPct: 60 };
const hours = (start: string, ...temperatureC: number[]) => ({
  kind: 'hourly' as const,
  start,
  temperatureC,
  humidityPct: temperatureC.map(() => 50),
});
const airOf = (climate: Climate) => {
  const series = climateSeries(climate, 'UTC');
  return (wall: string) => series.airAt(at(wall)).temperatureC;
};

describe('a forecast that is taken in', () => {
  const forecast = takenIn(steady, hours('2027-03-08T00:00', 5, 6, 7), steady, 'UTC');
  const air = airOf(forecast);

  it('says the air of its hours, and of no other: coats of before are as they were, and its last hour ends', () => {
    expect(['2027-03-08T00:00', '2027-03-08T01:59', '2027-03-08T02:59'].map(air)).toEqual([5, 6, 7]);
    expect(['2027-03-02T12:00', '2027-03-07T23:59', '2027-03-08T03:00', '2027-03-20T12:00'].map(air)).toEqual(
      [12, 12, 12, 12],
    );
  });

  it('changes at its hours and where it begins and ends, and at no other moment', () => {
    const series = climateSeries(forecast, 'UTC');
    expect(series.nextChangeAfter(at('2027-03-02T00:00'))).toBe(at('2027-03-08T00:00'));
    expect(series.nextChangeAfter(at('2027-03-08T00:30'))).toBe(at('2027-03-08T01:00'));
    expect(series.nextChangeAfter(at('2027-03-08T02:00'))).toBe(at('2027-03-08T03:00'));
    expect(series.nextChangeAfter(at('2027-03-08T03:00'))).toBe(Infinity);
  });

  it('leaves an earlier one what the air was where it says nothing itself', () => {
    const next = takenIn(forecast, hours('2027-03-08T02:00', 20, 21), steady, 'UTC');
    expect(
      ['2027-03-08T01:00', '2027-03-08T02:00', '2027-03-08T03:00', '2027-03-08T04:00'].map(airOf(next)),
    ).toEqual([6, 20, 21, 12]);
    expect(next.earlier).toHaveLength(1);
    // One that covers it whole takes its place.
    const wide = takenIn(next, hours('2027-03-07T23:00', 1, 1, 1, 1, 1, 1), steady, 'UTC');
    expect(wide.earlier).toBeUndefined();
    expect(['2027-03-07T22:00', '2027-03-08T02:00', '2027-03-08T05:00'].map(airOf(wide))).toEqual([
      12, 1, 12,
    ]);
  });

  it('over hours of a file of before goes on with what is usual, and a file of before opens as it was', () => {
    const before = hours('2027-03-01T00:00', 3, 4);
    expect(['2027-02-01T00:00', '2027-04-01T00:00'].map(airOf(before))).toEqual([3, 4]);
    const over = takenIn(before, hours('2027-03-05T00:00', 9), steady, 'UTC');
    expect(
      ['2027-03-01T01:00', '2027-03-03T00:00', '2027-03-05T00:00', '2027-03-06T00:00'].map(airOf(over)),
    ).toEqual([4, 12, 9, 12]);
  });

  it('is cut where the air beside it passes a temperature', () => {
    // 10 ± 5 °C, warmest at 15:00: it passes 10 °C at 09:00 and at 21:00.
    const swinging = takenIn(
      { kind: 'daily', meanC: 10, swingC: 5, humidityPct: 60 },
      hours('2027-03-08T00:00', 2),
      steady,
      'UTC',
    );
    const cut = cutSeries(climateSeries(swinging, 'UTC'), 10);
    expect(cut.airAt(at('2027-03-08T00:30')).temperatureC).toBe(2);
    expect(cut.nextChangeAfter(at('2027-03-08T08:50'))).toBe(at('2027-03-08T09:00'));
  });

  it('keeps forty sets of hours at most', () => {
    let climate: Climate = steady;
    for (let day = 1; day <= 60; day += 1)
      climate = takenIn(
        climate,
        hours(
          `2027-0${day <= 30 ? 4 : 6}-${String(day <= 30 ? day : day - 30).padStart(2, '0')}T00:00`,
          day % 20,
        ),
        steady,
        'UTC',
      );
    expect(climate.kind === 'hourly' && climate.earlier?.length).toBe(40);
  });
});
