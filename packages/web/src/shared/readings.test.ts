import type { PlaceReadings } from './api';
import { mergeReadings } from './readings';

const reading = (at: number, temperatureC: number) => ({ at, temperatureC, humidityPct: 50 });
const room = (changes: Partial<PlaceReadings> = {}): PlaceReadings => ({
  place: 'room',
  readings: [reading(0, 20), reading(15, 21)],
  last: reading(20, 21),
  gaps: [{ from: 2, to: 9 }],
  thrownOut: [{ at: '2027-02-20T19:00', fault: 'absurd', why: 'no' }],
  ...changes,
});

describe('mergeReadings', () => {
  it('lays what is new behind what is known, and the quarter that went on in its place', () => {
    const news = room({
      readings: [reading(15, 21.4), reading(30, 22)],
      last: reading(31, 22),
      gaps: [],
      thrownOut: [{ at: '2027-02-20T19:20', fault: 'jump', why: 'too far' }],
    });
    expect(mergeReadings([room()], { from: 15, until: 31, places: [news] })).toEqual([
      {
        place: 'room',
        readings: [reading(0, 20), reading(15, 21.4), reading(30, 22)],
        last: reading(31, 22),
        gaps: [{ from: 2, to: 9 }],
        thrownOut: [
          { at: '2027-02-20T19:00', fault: 'absurd', why: 'no' },
          { at: '2027-02-20T19:20', fault: 'jump', why: 'too far' },
        ],
      },
    ]);
  });

  it('keeps what nothing new is said of, and takes places that are new', () => {
    const porch = room({ place: 'porch' });
    expect(mergeReadings([room()], { from: 15, until: 31, places: [porch] })).toEqual([room(), porch]);
  });
});
