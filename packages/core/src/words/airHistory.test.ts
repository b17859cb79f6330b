import { describe, expect, it } from '@jest/globals';
import { airHistory, eraWords } from './airHistory';

const steady = (temperatureC: number) => ({ kind: 'constant' as const, temperatureC, humidityPct: 50 });
const words = (place: Parameters<typeof airHistory>[0]) =>
  airHistory(place, 'UTC').map((era) => eraWords(era, 'UTC'));

describe('the air of a place so far', () => {
  it('is one line where it was never changed', () => {
    expect(words({ climate: steady(20) })).toEqual(['All along: 20 °C, 50 %']);
  });

  it('tells what it was taken for until each change, and what holds now', () => {
    const climate = { kind: 'daily' as const, meanC: 14, swingC: 5, humidityPct: 65 };
    expect(words({ climate, airWas: [{ until: '2027-03-02T18:00', climate: steady(20) }] })).toEqual([
      'Until Tue 2 Mar, 18:00: 20 °C, 50 %',
      'From Tue 2 Mar, 18:00: 14 °C over the day, 65 %',
    ]);
  });

  it('tells hours that were taken in each with its own time', () => {
    const climate = {
      kind: 'hourly' as const,
      start: '2027-03-08T10:00',
      temperatureC: [9, 12, 11],
      humidityPct: [70, 60, 65],
      otherwise: { kind: 'season' as const, zone: 'mild' as const, half: 'north' as const },
      earlier: [{ start: '2027-03-05T10:00', temperatureC: [8, 8], humidityPct: [70, 70] }],
    };
    // Two values are one hour, three are two.
    expect(words({ climate })).toEqual([
      'From Fri 5 Mar, 10:00 until Fri 5 Mar, 11:00: hours that were taken in, 8 to 8 °C',
      'From Mon 8 Mar, 10:00 until Mon 8 Mar, 12:00: hours that were taken in, 9 to 12 °C',
      'All along: the usual air of the month, a guess (mild)',
    ]);
  });
});
