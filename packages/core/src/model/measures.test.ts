import fc from 'fast-check';
import { measureText, readMeasure, sayMeasure } from './measures';
import { quantities, unitSystems } from './units';

describe('measures', () => {
  it.each([
    ['200', 'metric', 200],
    ['20 cm', 'metric', 200],
    ['20cm', 'imperial', 200],
    ['1,5 cm', 'metric', 15],
    ['0.4 m', 'metric', 400],
    ['8', 'imperial', 203.2],
    ['8 in', 'metric', 203.2],
    ['5 1/2"', 'metric', 139.7],
    ['5½ in', 'metric', 139.7],
    ['3/4 inch', 'metric', 19.05],
    ['½"', 'metric', 12.7],
    ['1\' 6"', 'metric', 457.2],
    ['5 ft 3 in', 'metric', 1600.2],
    ["2'", 'metric', 609.6],
    ['-3', 'metric', -3],
  ] as const)('%s, %s, is %d mm', (text, system, mm) =>
    expect(readMeasure(text, 'lengthMm', system)).toBeCloseTo(mm, 9),
  );
  it.each([
    ['4200 cm2', 4200],
    ['0.75 m2', 7500],
    ['2 in2', 12.9032],
    ['3 ft^2', 2787.0912],
    ['500mm2', 5],
    ['2', 2],
  ] as const)('%s is %d cm²', (text, cm2) => {
    expect(readMeasure(text, 'areaCm2', 'metric')).toBeCloseTo(cm2, 9);
  });
  it.each([
    ['68 °F', 'temperatureC', 20],
    ['-40f', 'temperatureC', -40],
    ['18', 'temperatureC', 18],
    ['9 °F', 'warmerC', 5],
    ['4 fl oz', 'volumeMl', 118.294],
    ['4oz', 'volumeMl', 118.294],
    ['1 l', 'volumeMl', 1000],
    ['1 qt', 'volumeMl', 946.353],
    ['2 sq ft', 'areaCm2', 1858.061],
    ['100 in²', 'areaCm2', 645.16],
    ['2 m²', 'areaCm2', 20_000],
    ['1 oz', 'massG', 28.35],
    ['1 lb', 'massG', 453.592],
  ] as const)('%s is %s %d', (text, quantity, value) =>
    expect(readMeasure(text, quantity, 'metric')).toBeCloseTo(value, 2),
  );
  it.each(['', 'abc', '5 bananas', '1/0', '5 cm 3', '1 2 3', '5 l', '--4', '5 mm 2 mm'])(
    'can’t read "%s" as a length',
    (text) => expect(readMeasure(text, 'lengthMm', 'metric')).toBeUndefined(),
  );
  it('shows a value in either system', () => {
    expect(sayMeasure(600, 'areaCm2', 'metric')).toBe('600 cm²');
    expect(sayMeasure(600, 'areaCm2', 'imperial')).toBe('93 in²');
    expect(sayMeasure(20, 'temperatureC', 'imperial')).toBe('68 °F');
    expect(sayMeasure(6, 'lengthMm', 'imperial')).toBe('0.236 in');
  });
  it('property: what is shown is read back as it was, but for what is not shown', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5000, noNaN: true }),
        fc.constantFrom(...quantities),
        fc.constantFrom(...unitSystems),
        (value, quantity, system) => {
          const back = readMeasure(measureText(value, quantity, system), quantity, system);
          // Half of the last digit, in the coarsest unit: a hundredth of a fluid ounce or of a square inch.
          expect(Math.abs((back ?? NaN) - value)).toBeLessThan(0.16);
        },
      ),
      { seed: 17 },
    ));
});
