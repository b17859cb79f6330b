import { findUnit, inUnitOf, unitOf, type Quantity, type UnitSystem } from './units';

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
  // "cm2" and "cm^2" are read like cm²: the 2 is no number there.
  const said = text.trim().replace(/([a-z])\s*\^?2(?![\d.,])/gi, '$1²');
  const parts = [
    ...said.matchAll(new RegExp(`(${NUMBER})\\s*([^\\d\\s¼½¾⅛⅜⅝⅞.,/+−-][^\\d¼½¾⅛⅜⅝⅞]*)?`, 'gi')),
  ];
  if (
    parts.length === 0 ||
    parts.length > 2 ||
    parts
      .map(([all]) => all)
      .join('')
      .replace(/\s/g, '') !== said.replace(/\s/g, '')
  )
    return undefined;
  let sum = 0;
  for (const [at, [, number = '', word]] of parts.entries()) {
    const value = numberOf(number);
    const usual = at === 1 && quantity === 'lengthMm' ? 'in' : unitOf(quantity, system);
    const unit = findUnit(quantity, word ?? usual);
    if (value === undefined || !unit) return undefined;
    // Two together are feet and inches, and nothing else.
    if (parts.length === 2 && unit !== findUnit('lengthMm', at === 0 ? 'ft' : 'in')) return undefined;
    sum += value * unit.times + (unit.plus ?? 0);
  }
  return sum;
}

/** Places behind the point that are shown. */
const DIGITS: Readonly<Record<UnitSystem, Readonly<Record<Quantity, number>>>> = {
  metric: { lengthMm: 1, areaCm2: 1, volumeMl: 1, temperatureC: 1, warmerC: 1, massG: 1 },
  imperial: { lengthMm: 3, areaCm2: 2, volumeMl: 2, temperatureC: 1, warmerC: 1, massG: 2 },
};

/** A stored value as a number of its system's unit, without the unit: what stands in a field. */
export const measureText = (value: number, quantity: Quantity, system: UnitSystem): string =>
  String(Number(inUnitOf(value, quantity, system).toFixed(DIGITS[system][quantity])));

/** A stored value with its unit: "600 cm²", "93 in²". */
export const sayMeasure = (value: number, quantity: Quantity, system: UnitSystem): string =>
  `${measureText(value, quantity, system)} ${unitOf(quantity, system)}`;
