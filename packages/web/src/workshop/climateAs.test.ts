import { climateSeries, epochMinute, type Climate } from '@fixatum/core';
import { climateAs } from './climateAs';

const zone = 'Europe/Lisbon';
const now = epochMinute('2027-02-20T15:20', zone);
const daily: Climate = { kind: 'daily', meanC: 12, swingC: 6, humidityPct: 70 };

describe('climateAs', () => {
  it('leaves what is told that way already as it is', () => {
    expect(climateAs('daily', daily, zone, now)).toBe(daily);
  });

  it('makes the air of now steady', () => {
    // Warmest at 15:00: 12 + 6 °C, a little less in the quarter of an hour from 15:15.
    expect(climateAs('constant', daily, zone, now)).toMatchObject({ kind: 'constant', temperatureC: 18 });
  });

  it('lays a week of hours from the hour at hand, each as it was assumed', () => {
    const hours = climateAs('hourly', daily, zone, now) as Extract<Climate, { kind: 'hourly' }>;
    expect([hours.start, hours.temperatureC.length]).toEqual(['2027-02-20T15:00', 168]);
    const night = epochMinute('2027-02-21T03:00', zone);
    expect(hours.temperatureC[12]).toBeCloseTo(climateSeries(daily, zone).airAt(night).temperatureC, 1);
  });

  it('gives a swing to what was steady, about the same mean', () => {
    const steady: Climate = { kind: 'constant', temperatureC: 19.25, humidityPct: 55 };
    expect(climateAs('daily', steady, zone, now)).toEqual({
      kind: 'daily',
      meanC: 19.3,
      swingC: 4,
      humidityPct: 55,
    });
  });
});
