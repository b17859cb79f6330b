import { catalogueById } from '../materials/catalogue';
import { climateSeries } from './climateSeries';
import { placeAir } from './placeAir';
import { gapsIn, readingFault, thinned, withReadings, type Reading } from './readings';

const at = (minute: number, temperatureC = 19, humidityPct = 55): Reading => ({
  at: minute,
  temperatureC,
  humidityPct,
});
const assumed = climateSeries({ kind: 'constant', temperatureC: 21, humidityPct: 50 }, 'UTC');

describe('readingFault', () => {
  it.each([
    ['hotter than any room', at(10, 85), 'absurd'],
    ['damper than air can be', at(10, 19, 120), 'absurd'],
    ['what a dead sensor says', at(10, 0, 0), 'absurd'],
    ['no number', at(10, Number.NaN), 'absurd'],
    ['nine degrees in a minute', at(1, 28), 'jump'],
    ['thirty per cent in a minute', at(1, 19, 85), 'jump'],
    ['two degrees in a minute, as when a door opens', at(1, 17), undefined],
    ['nine degrees in ten minutes', at(10, 28), undefined],
  ])('%s', (_what, reading, fault) => {
    expect(readingFault(reading, [at(0)])).toBe(fault);
  });

  it('calls a sensor stuck that says the same for three hours, and not one that moves a hair', () => {
    const same = Array.from({ length: 36 }, (_, n) => at(n * 5));
    expect(readingFault(at(180), same)).toBe('stuck');
    expect(readingFault(at(180, 19.01), same)).toBeUndefined();
    const moved = same.map((reading, n) => (n === 20 ? at(reading.at, 19.1) : reading));
    expect(readingFault(at(180), moved)).toBeUndefined();
    expect(readingFault(at(60), same.slice(0, 12))).toBeUndefined();
  });
});

describe('withReadings', () => {
  it('counts a reading for half an hour at most, then what was assumed', () => {
    const series = withReadings(assumed, [at(100, 10), at(110, 12)]);
    expect([99, 100, 109, 110, 139, 140].map((minute) => series.airAt(minute).temperatureC)).toEqual([
      21, 10, 10, 12, 12, 21,
    ]);
    expect([0, 100, 110, 140].map((minute) => series.nextChangeAfter(minute))).toEqual([
      100,
      110,
      140,
      Infinity,
    ]);
  });

  it('moves the drying of a coat that lies there', () => {
    // Touch 20 min at label air. Ten minutes at 21 °C and 50 %, then readings with half the deficit: 10 + 10/0.5 = 30 min.
    const craft = catalogueById.get('craft-acrylic')!;
    const place = { id: 'p', climate: { kind: 'constant' as const, temperatureC: 21, humidityPct: 50 } };
    const touchAt = (readings: Reading[]) =>
      placeAir(place, 'UTC', 0, readings).track(craft, 'early').minuteAt(20);
    expect(touchAt([])).toBe(20);
    expect(touchAt([at(10, 21, 75), at(35, 21, 75)])).toBeCloseTo(30, 9);
  });
});

describe('gapsIn', () => {
  it('says where no reading holds', () => {
    expect(gapsIn([at(0), at(20), at(100)], 0, 160)).toEqual([
      { from: 50, to: 100 },
      { from: 130, to: 160 },
    ]);
    expect(gapsIn([], 0, 60)).toEqual([{ from: 0, to: 60 }]);
    expect(gapsIn([at(10)], 0, 30)).toEqual([{ from: 0, to: 10 }]);
  });
});

describe('thinned', () => {
  it('gives the mean of each quarter of an hour', () => {
    expect(thinned([at(0, 18, 50), at(5, 19, 52), at(10, 20, 54), at(17, 10, 60)])).toEqual([
      { at: 0, temperatureC: 19, humidityPct: 52 },
      { at: 15, temperatureC: 10, humidityPct: 60 },
    ]);
  });
});
