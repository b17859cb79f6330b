import { inUnitOf, unitOf, type Quantity, type UnitSystem } from './units';

let system: UnitSystem = 'metric';

/** Says measures in another system from now on, everywhere this copy of the core speaks: a worker has to be told by itself. */
export function speakMeasuresAs(next: UnitSystem): void {
  system = next;
}

/** The system measures are said in now, to tell another copy of the core. */
export const measureSystem = (): UnitSystem => system;

/** Places behind the point in the middle of a sentence: enough to tell two tins or two sheets of foam from each other. */
const digitsOf = (value: number): number => (value >= 10 ? 0 : value >= 1 ? 1 : 2);

/** In the unit of the system as it is now, rounded as people say it. */
function imperially(value: number, quantity: Quantity): string {
  const exact = inUnitOf(value, quantity, 'imperial');
  return rounded(exact, digitsOf(Math.abs(exact)), unitOf(quantity, 'imperial'));
}
/** So many places behind the point; what is some is never said as none, but as the least that can be said. */
function rounded(value: number, digits: number, unit: string): string {
  const said = Number(value.toFixed(digits));
  return `${said === 0 && value > 0 ? 10 ** -digits : said} ${unit}`;
}
const toTenth = (value: number): number => Math.round(value * 10) / 10;

/** An amount as people say it: "7 ml", "0.4 ml", "1.2 l"; or "0.24 fl oz". */
export function sayMl(ml: number): string {
  if (system === 'imperial') return imperially(ml, 'volumeMl');
  if (ml >= 1000) return `${Number((ml / 1000).toFixed(1))} l`;
  return rounded(ml, ml >= 10 ? 0 : 1, 'ml');
}

/** What it weighs: "25 g", "1.2 g"; or "0.88 oz". */
export function sayG(g: number): string {
  if (system === 'imperial') return imperially(g, 'massG');
  return rounded(g, g >= 20 ? 0 : 1, 'g');
}

/** A length: "5 mm", "12.5 mm"; or "0.2 in". */
export const sayMm = (mm: number): string =>
  system === 'imperial' ? imperially(mm, 'lengthMm') : `${toTenth(mm)} mm`;

/** How long something is that is unrolled: "4.3 m"; or "14 ft". */
export function sayM(m: number): string {
  if (system !== 'imperial') return `${Number.isInteger(m) ? m : m.toFixed(1)} m`;
  const feet = m / 0.3048;
  return `${Number(feet.toFixed(digitsOf(feet)))} ft`;
}

/** An area: "600 cm²"; or "93 in²". */
export const sayCm2 = (cm2: number): string =>
  system === 'imperial' ? imperially(cm2, 'areaCm2') : `${toTenth(cm2)} cm²`;

/** A temperature without its unit, where others share it: "18.4"; or "65". */
export const degreesOf = (temperatureC: number): number =>
  system === 'imperial'
    ? Math.round(inUnitOf(temperatureC, 'temperatureC', 'imperial'))
    : toTenth(temperatureC) + 0;

/** The unit of temperatures: "°C" or "°F". */
export const degreeUnit = (): string => unitOf('temperatureC', system);

/** A temperature: "8.5 °C"; or "47 °F". */
export const sayC = (temperatureC: number): string => `${degreesOf(temperatureC)} ${degreeUnit()}`;

/** How much warmer or colder: "3 °C"; or "5 °F". */
export const sayWarmerC = (byC: number): string =>
  system === 'imperial' ? `${Math.round(inUnitOf(byC, 'warmerC', 'imperial'))} °F` : `${toTenth(byC)} °C`;

/** A mil is a thousandth of an inch. */
const UM_PER_MIL = 25.4;

/** How thick a film is: "12 µm", "4.5 µm"; or "0.5 mil". */
export const sayUm = (um: number): string =>
  system === 'imperial'
    ? `${Number((um / UM_PER_MIL).toFixed(um / UM_PER_MIL < 1 ? 2 : 1))} mil`
    : `${um < 10 ? Number(um.toFixed(1)) : Math.round(um)} µm`;
