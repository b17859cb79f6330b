import { climateZones } from '../model/fields';
import { epochMinute } from '../model/wallTime';
import { climateSeries } from './climateSeries';
import { latitudeOf, seasonAir, seasonExtremesC } from './seasons';

describe('the usual air of a season', () => {
  it.each([
    // The middle of a month has its own air; halfway to the next it is between both.
    ['mild', 'north', 1, 15, 3, 3, 86],
    ['mild', 'north', 12, 15, 4, 3, 88],
    // 30 January: half of the way from 3 to 4 °C, 86 to 82 %.
    ['mild', 'north', 1, 30, 3.5, 3, 84],
    // 1 December: 14 of 30 days back towards November's 6 °C, from 4 °C.
    ['mild', 'north', 12, 1, 4 + (14 / 30) * 2, 3, 88 - (14 / 30) * 1],
    // South of the equator July is January.
    ['mild', 'south', 7, 15, 3, 3, 86],
    ['cold', 'north', 1, 15, -6, 3, 86],
    ['warm', 'north', 7, 15, 26, 6, 55],
    ['hot', 'south', 1, 15, 30, 4, 76],
  ] as const)(
    '%s, %s, month %d, day %d: %d ± %d °C, %d %%',
    (zone, half, month, day, meanC, swingC, humidityPct) => {
      const air = seasonAir(zone, half, month, day);
      expect(air.meanC).toBeCloseTo(meanC, 9);
      expect(air.swingC).toBeCloseTo(swingC, 9);
      expect(air.humidityPct).toBeCloseTo(humidityPct, 9);
    },
  );

  it('has its extremes and its latitude', () => {
    expect(climateZones.map((zone) => seasonExtremesC(zone))).toEqual([
      { coldest: -9, warmest: 24 },
      { coldest: 0, warmest: 24 },
      { coldest: 5, warmest: 32 },
      { coldest: 15, warmest: 34 },
    ]);
    expect(climateZones.map((zone) => latitudeOf(zone, 'north'))).toEqual([57, 49, 38, 20]);
    expect(latitudeOf('mild', 'south')).toBe(-49);
  });

  it('swings round its mean every day: warmest at 15:00, coldest twelve hours before', () => {
    const series = climateSeries({ kind: 'season', zone: 'mild', half: 'north' }, 'UTC');
    const at = (moment: string) => series.airAt(epochMinute(moment, 'UTC'));
    // 15 January: 3 ± 3 °C; steps of a quarter of an hour are a little below the peak.
    expect(at('2027-01-15T15:00').temperatureC).toBeCloseTo(6, 1);
    expect(at('2027-01-15T03:00').temperatureC).toBeCloseTo(0, 1);
    expect(at('2027-07-15T15:00').temperatureC).toBeCloseTo(24, 1);
    // It changes at the quarter, and goes on over midnight.
    expect(series.nextChangeAfter(epochMinute('2027-01-15T23:50', 'UTC'))).toBe(
      epochMinute('2027-01-16T00:00', 'UTC'),
    );
  });
});
