/** What a field measures; each is stored in one unit. */
export const quantities = ['lengthMm', 'areaCm2', 'volumeMl', 'temperatureC', 'warmerC', 'massG'] as const;
export type Quantity = (typeof quantities)[number];

/** Units people measure in: metric, or inches, ounces and degrees Fahrenheit. */
export const unitSystems = ['metric', 'imperial'] as const;
export type UnitSystem = (typeof unitSystems)[number];

export interface Unit {
  /** How it is written, the first as it is shown. */
  words: readonly string[];
  /** Of the stored unit, by definition: 1 inch is 25.4 mm, 1 US fluid ounce 29.5735 ml, 1 ounce 28.3495 g. */
  times: number;
  /** What is added after that, for degrees. */
  plus?: number;
}

const MM2_PER_SQUARE_INCH = 25.4 * 25.4;

/** Every unit that is understood, by what it measures (docs/domain.md, "Measures"). */
const units: Readonly<Record<Quantity, readonly Unit[]>> = {
  lengthMm: [
    { words: ['mm'], times: 1 },
    { words: ['cm'], times: 10 },
    { words: ['m'], times: 1000 },
    { words: ['in', '"', '”', '″', 'inch', 'inches'], times: 25.4 },
    { words: ['ft', "'", '’', '′', 'foot', 'feet'], times: 304.8 },
  ],
  areaCm2: [
    { words: ['cm²', 'cm2', 'sq cm'], times: 1 },
    { words: ['m²', 'm2', 'sq m'], times: 10_000 },
    { words: ['mm²', 'mm2', 'sq mm'], times: 0.01 },
    { words: ['in²', 'in2', 'sq in', 'inch²'], times: MM2_PER_SQUARE_INCH / 100 },
    { words: ['ft²', 'ft2', 'sq ft'], times: (144 * MM2_PER_SQUARE_INCH) / 100 },
  ],
  volumeMl: [
    { words: ['ml'], times: 1 },
    { words: ['l', 'litre', 'liter'], times: 1000 },
    { words: ['fl oz', 'oz', 'floz'], times: 29.5735295625 },
    { words: ['pt', 'pint'], times: 473.176473 },
    { words: ['qt', 'quart'], times: 946.352946 },
    { words: ['gal', 'gallon'], times: 3785.411784 },
  ],
  temperatureC: [
    { words: ['°C', 'c', '°'], times: 1 },
    { words: ['°F', 'f'], times: 5 / 9, plus: -160 / 9 },
  ],
  // How much warmer, which knows no nought of its own.
  warmerC: [
    { words: ['°C', 'c', '°'], times: 1 },
    { words: ['°F', 'f'], times: 5 / 9 },
  ],
  massG: [
    { words: ['g'], times: 1 },
    { words: ['kg'], times: 1000 },
    { words: ['oz'], times: 28.349523125 },
    { words: ['lb', 'lbs'], times: 453.59237 },
  ],
};

const shown: Readonly<Record<UnitSystem, Readonly<Record<Quantity, string>>>> = {
  metric: { lengthMm: 'mm', areaCm2: 'cm²', volumeMl: 'ml', temperatureC: '°C', warmerC: '°C', massG: 'g' },
  imperial: {
    lengthMm: 'in',
    areaCm2: 'in²',
    volumeMl: 'fl oz',
    temperatureC: '°F',
    warmerC: '°F',
    massG: 'oz',
  },
};

/** The unit that a system shows something in. */
export const unitOf = (quantity: Quantity, system: UnitSystem): string => shown[system][quantity];

/** A unit by one of the words it is written with. */
export const findUnit = (quantity: Quantity, word: string): Unit | undefined =>
  units[quantity].find(({ words }) => words.some((one) => one.toLowerCase() === word.toLowerCase().trim()));

/** A stored value in its system's unit, unrounded. */
export function inUnitOf(value: number, quantity: Quantity, system: UnitSystem): number {
  const unit = findUnit(quantity, unitOf(quantity, system))!;
  return (value - (unit.plus ?? 0)) / unit.times;
}
