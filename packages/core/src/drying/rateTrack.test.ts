import fc from 'fast-check';
import { climateSeries, cutSeries } from './climateSeries';
import { withReadings } from './readings';
import { rateTrack } from './rateTrack';

const hourly = (temperatures: number[]) =>
  climateSeries(
    {
      kind: 'hourly',
      start: '2027-02-15T00:00',
      temperatureC: temperatures,
      humidityPct: temperatures.map(() => 50),
    },
    'UTC',
  );
const origin = Date.UTC(2027, 1, 15) / 60_000;

describe('rateTrack', () => {
  it('adds up hour by hour and back', () => {
    // Rates 1, 0, 2 an hour each: 60, then nothing, then 120; the last value holds on.
    const track = rateTrack(hourly([1, 0, 2]), (air) => air.temperatureC, origin);
    expect(track.progressAt(origin + 60)).toBe(60);
    expect(track.progressAt(origin + 120)).toBe(60);
    expect(track.progressAt(origin + 180)).toBe(180);
    expect(track.minuteAt(60)).toBe(origin + 60);
    expect(track.minuteAt(61)).toBe(origin + 120.5);
    expect(track.minuteAt(300)).toBe(origin + 240);
  });

  it('never gets there when the clock stands still for good', () => {
    expect(rateTrack(hourly([1, 0]), (air) => air.temperatureC, origin).minuteAt(61)).toBe(Infinity);
  });

  it('inverts itself and never runs backwards', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.1, max: 3, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.integer({ min: 0, max: 6000 }),
        (rates, ahead) => {
          const track = rateTrack(hourly(rates), (air) => air.temperatureC, origin);
          const minute = origin + ahead;
          expect(track.minuteAt(track.progressAt(minute))).toBeCloseTo(minute, 5);
          expect(track.progressAt(minute + 1)).toBeGreaterThan(track.progressAt(minute));
        },
      ),
    );
  });
});

describe('climateSeries', () => {
  it('swings round its mean, warmest at 15:00 local time, with the dew point staying', () => {
    const series = climateSeries({ kind: 'daily', meanC: 12, swingC: 6, humidityPct: 75 }, 'Europe/Lisbon');
    const at = (hour: number) => series.airAt(Date.UTC(2027, 1, 15, hour) / 60_000);
    // Lisbon is on UTC in February. Peak 12 + 6, trough at 03:00 12 − 6, the mean at 09:00; steps of a quarter hour.
    expect(at(15).temperatureC).toBeCloseTo(18, 1);
    expect(at(3).temperatureC).toBeCloseTo(6, 1);
    expect(Math.abs(at(9).temperatureC - 12)).toBeLessThan(0.3);
    expect(Math.abs(at(9).humidityPct - 75)).toBeLessThan(1.5);
    // Vapour 0.75·e_s(12) = 0.75·14.01 = 10.51 hPa; at 18 °C e_s = 20.61, so 51 %.
    expect(at(15).humidityPct).toBeCloseTo(51, 0);
    // e_s(6) = 9.35 hPa is less than the vapour there is: saturated.
    expect(at(3).humidityPct).toBe(100);
  });

  it('is cut where it passes a temperature, however short it is warmer', () => {
    // 8 ± 2.001 °C is above 10 °C while cos > 2/2.001: acos(0.9995003) = 0.031615, of 2π a day, to either side of 15:00: 7.246 min.
    const series = climateSeries(
      { kind: 'daily', meanC: 8, swingC: 2.001, humidityPct: 75 },
      'Europe/Lisbon',
    );
    const midnight = Date.UTC(2027, 1, 15) / 60_000;
    const warmIn = (one: typeof series): number => {
      let warm = 0;
      for (let minute = midnight; minute < midnight + 1440;) {
        const next = one.nextChangeAfter(minute);
        if (one.airAt(minute).temperatureC >= 10) warm += next - minute;
        minute = next;
      }
      return warm;
    };
    expect(warmIn(series)).toBe(0);
    expect(warmIn(cutSeries(series, 10))).toBeCloseTo(2 * 7.2456, 2);
    // Where it is always or never so warm there is nothing to cut.
    expect(warmIn(cutSeries(series, 10.5))).toBe(0);
    expect(cutSeries(series, 2).nextChangeAfter(midnight)).toBe(midnight + 15);
    const measured = withReadings(series, [{ at: midnight, temperatureC: 12, humidityPct: 50 }]);
    expect(warmIn(cutSeries(measured, 10))).toBeCloseTo(30 + 2 * 7.2456, 2);
  });

  it('keeps the warmest hour at 15:00 local time after the clocks change', () => {
    const series = climateSeries({ kind: 'daily', meanC: 12, swingC: 6, humidityPct: 75 }, 'Europe/Lisbon');
    // In June Lisbon is an hour ahead of UTC.
    expect(series.airAt(Date.UTC(2027, 5, 15, 14) / 60_000).temperatureC).toBeCloseTo(18, 1);
  });
});
