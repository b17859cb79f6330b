import { placeAir } from './placeAir';
import { catalogueById } from '../materials/catalogue';
import type { Climate } from '../model/schema';
import { entryOf } from '../model/sure';
import { faultOfAir, firstGoodAir, unfitSpans, warmedAir } from './goodAir';

const origin = Date.UTC(2027, 1, 15) / 60_000;
const dip = catalogueById.get('rubber-dip-spray')!;
const air = (climate: Climate) => placeAir({ id: 'porch', climate }, 'UTC', origin);
const hours = (temperatureC: number[], humidityPct = temperatureC.map(() => 50)): Climate => ({
  kind: 'hourly',
  start: '2027-02-15T00:00',
  temperatureC,
  humidityPct,
});

// Rubber dip spray: 10 to 32 °C, at most 80 %, touch-dry after 20 label minutes.
describe('air for a coat', () => {
  it('names what is wrong', () => {
    const at = (temperatureC: number, humidityPct: number) => faultOfAir(dip, { temperatureC, humidityPct });
    expect(at(9.9, 50)).toBe('too-cold');
    expect(at(32.1, 50)).toBe('too-hot');
    expect(at(20, 81)).toBe('too-damp');
    expect(at(10, 80)).toBeUndefined();
  });

  it('minds the dew point: a surface less than 3 °C above it gets wet, powders do not care', () => {
    const alkyd = catalogueById.get('alkyd-flat-spray')!;
    // At 15 °C and 84 % the dew point is 12.3 °C: alkyd stands 85 %, but not 2.7 °C above it. At 80 % it is 11.6 °C.
    expect(faultOfAir(alkyd, { temperatureC: 15, humidityPct: 84 })).toBe('near-dew');
    expect(faultOfAir(alkyd, { temperatureC: 15, humidityPct: 80 })).toBeUndefined();
    expect(
      faultOfAir(catalogueById.get('graphite-powder')!, { temperatureC: 15, humidityPct: 84 }),
    ).toBeUndefined();
  });

  it('is told in spans of one fault each', () => {
    const place = air(hours([12, 8, 8, 35, 12]));
    expect(
      unfitSpans(dip, place, origin, origin + 300).map((span) => [
        span.from - origin,
        span.to - origin,
        span.fault,
      ]),
    ).toEqual([
      [60, 180, 'too-cold'],
      [180, 240, 'too-hot'],
    ]);
    expect(unfitSpans(dip, place, origin + 240, origin + 300)).toEqual([]);
  });

  it('is found at once where it is always good, and never where it is always bad', () => {
    expect(
      firstGoodAir(dip, air({ kind: 'constant', temperatureC: 20, humidityPct: 50 }), origin + 7, 5, 1),
    ).toBe(origin + 7);
    expect(firstGoodAir(dip, air({ kind: 'constant', temperatureC: 5, humidityPct: 50 }), origin, 5, 1)).toBe(
      Infinity,
    );
  });

  it('waits for the hour that is warm enough', () => {
    expect(firstGoodAir(dip, air(hours([5, 8, 12, 14])), origin, 5, 1)).toBe(origin + 120);
  });

  it('looks ahead until the coat is touch-dry', () => {
    // Good for one hour only. At 21 °C a coat takes 5 min of laying and 20 of drying: the last start that fits is 00:35.
    const climate = hours([21, 5, 5, 21]);
    expect(firstGoodAir(dip, air(climate), origin + 35, 5, 1)).toBe(origin + 35);
    expect(firstGoodAir(dip, air(climate), origin + 36, 5, 1)).toBe(origin + 180);
  });

  it('keeps water-borne films from the cold until they have formed, which is when they can be coated', () => {
    // Craft acrylic is touch-dry 20 min and recoatable 45 min after it is laid: 10 min into the hour 5 min of work leave just those.
    const acrylic = catalogueById.get('craft-acrylic')!;
    const climate = air(hours([21, 5, 21]));
    expect(firstGoodAir(acrylic, climate, origin + 10, 5, 1)).toBe(origin + 10);
    expect(firstGoodAir(acrylic, climate, origin + 11, 5, 1)).toBe(origin + 120);
    // A dust coat is through that in 45·0.35^1.5 = 9.3 min.
    expect(firstGoodAir(acrylic, climate, origin + 45, 5, 0.35)).toBe(origin + 45);
    // Damp matters only until it is touch-dry.
    const damp = air(hours([21, 21, 21], [50, 90, 50]));
    expect(firstGoodAir(acrylic, damp, origin + 35, 5, 1)).toBe(origin + 35);
    expect(firstGoodAir(acrylic, damp, origin + 36, 5, 1)).toBe(origin + 120);
  });

  it('minds damp as well as cold', () => {
    expect(firstGoodAir(dip, air(hours([20, 20, 20], [95, 85, 60])), origin, 5, 1)).toBe(origin + 120);
  });
});

describe('a heated room', () => {
  // PVA foam primer: 10 to 35 °C, at most 75 %. Saturation by the Magnus form, hPa: 9 °C 11.47, 11 °C 13.12, 12 °C 14.02, 13 °C 14.97.
  const primer = entryOf(catalogueById, 'pva-flex-primer');
  const at = (temperatureC: number, humidityPct: number) => {
    const warm = warmedAir(primer, { temperatureC, humidityPct });
    return warm && [warm.temperatureC, Math.round(warm.humidityPct)];
  };

  it('is warm enough with a degree to spare, and drier for it', () => {
    // 78·13.12/14.02 = 73 % at 12 °C would do; at 13 °C it is 78·13.12/14.97 = 68.
    expect(at(11, 78)).toEqual([13, 68]);
    // 10 °C are enough; at 11 °C 50·11.47/13.12 = 44 %.
    expect(at(9, 50)).toEqual([11, 44]);
  });

  it('is nothing to say where it would have to be hotter than anybody heats, or is too hot already', () => {
    expect(at(22, 99)).toBeUndefined();
    expect(at(36, 40)).toBeUndefined();
  });
});
