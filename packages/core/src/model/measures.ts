/** What a field measures; each is stored in one unit. */
export const quantities = ['lengthMm', 'areaCm2', 'volumeMl', 'temperatureC', 'warmerC', 'massG'] as const;
export type Quantity = (typeof quantities)[number];

/** Units people measure in: metric, or inches, ounces and degrees Fahrenheit. */
export const unitSystems = ['metric', 'imperial'] as const;
export type UnitSystem = (typeof unitSystems)[number];

interface Unit {
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

const find = (quantity: Quantity, word: string): Unit | undefined =>
  units[quantity].find(({ words }) => words.some((one) => one.toLowerCase() === word.toLowerCase().trim()));

/** `5`, `5.5`, `5,5`, `1/2`, `5 1/2`, `5½`. */
const NUMBER = String.raw`[-−+]?(?:\d+(?:[.,]\d+)?\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d*[.,]?\d+\s*[¼½¾⅛⅜⅝⅞]?|[¼½¾⅛⅜⅝⅞])`;
const FRACTIONS: Readonly<Record<string, number>> = {
  '¼': 1 / 4,
  '½': 1 / 2,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
};

function numberOf(text: string): number | undefined {
  const clean = text.trim().replace('−', '-').replace(',', '.');
  const sign = clean.startsWith('-') ? -1 : 1;
  const [whole = '', glyph = ''] = clean.replace(/^[-+]\s*/, '').split(/(?=[¼½¾⅛⅜⅝⅞])/);
  const only = FRACTIONS[whole];
  if (only !== undefined) return sign * only;
  const mixed = /^(?:(\d+(?:\.\d+)?)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(whole.trim());
  if (mixed) {
    const [, full = '0', over = '0', under = '1'] = mixed;
    return Number(under) === 0 ? undefined : sign * (Number(full) + Number(over) / Number(under));
  }
  const value = Number(whole.trim() === '' ? NaN : whole);
  return Number.isFinite(value) ? sign * (value + (FRACTIONS[glyph] ?? 0)) : undefined;
}

/**
 * What was typed, in the unit it is stored in: with or without a unit of its own, with a point or a comma, fractions, feet and inches.
 * Undefined for what can't be read.
 * @param system whose unit is meant where none is typed
 * @example readMeasure('5 1/2"', 'lengthMm', 'metric') // 139.7
 */
export function readMeasure(text: string, quantity: Quantity, system: UnitSystem): number | undefined {
  const parts = [
    ...text.trim().matchAll(new RegExp(`(${NUMBER})\\s*([^\\d\\s¼½¾⅛⅜⅝⅞.,/+−-][^\\d¼½¾⅛⅜⅝⅞]*)?`, 'gi')),
  ];
  if (
    parts.length === 0 ||
    parts.length > 2 ||
    parts
      .map(([all]) => all)
      .join('')
      .replace(/\s/g, '') !== text.replace(/\s/g, '')
  )
    return undefined;
  let sum = 0;
  for (const [at, [, number = '', word]] of parts.entries()) {
    const value = numberOf(number);
    const usual = at === 1 && quantity === 'lengthMm' ? 'in' : unitOf(quantity, system);
    const unit = find(quantity, word ?? usual);
    if (value === undefined || !unit) return undefined;
    // Two together are feet and inches, and nothing else.
    if (parts.length === 2 && unit !== find('lengthMm', at === 0 ? 'ft' : 'in')) return undefined;
    sum += value * unit.times + (unit.plus ?? 0);
  }
  return sum;
}

/** Places behind the point that are shown. */
const DIGITS: Readonly<Record<UnitSystem, Readonly<Record<Quantity, number>>>> = {
  metric: { lengthMm: 1, areaCm2: 1, volumeMl: 1, temperatureC: 1, warmerC: 1, massG: 1 },
  imperial: { lengthMm: 3, areaCm2: 2, volumeMl: 2, temperatureC: 1, warmerC: 1, massG: 2 },
};

/** A stored value in its system's unit, unrounded. */
export function inUnitOf(value: number, quantity: Quantity, system: UnitSystem): number {
  const unit = find(quantity, unitOf(quantity, system))!;
  return (value - (unit.plus ?? 0)) / unit.times;
}

/** A stored value as a number of its system's unit, without the unit: what stands in a field. */
export const measureText = (value: number, quantity: Quantity, system: UnitSystem): string =>
  String(Number(inUnitOf(value, quantity, system).toFixed(DIGITS[system][quantity])));

/** A stored value with its unit: "600 cm²", "93 in²". */
export const sayMeasure = (value: number, quantity: Quantity, system: UnitSystem): string =>
  `${measureText(value, quantity, system)} ${unitOf(quantity, system)}`;
