import { idsOf, tableOf } from '../model/table';
import { sure } from '../model/sure';
import { BANDS, bandNm, daylightWeights, hexOf, xyzOf, type Spectrum, type Xyz } from './spectrum';

/** A light that a piece is looked at in. */
export interface LightDefinition {
  word: string;
  /** Power of each band against that of daylight, in any unit. */
  againstDaylight: readonly number[];
}

/** Relative power of average daylight, D65, at each band (CIE 15:2004, table T.1). */
const d65 = [
  49.98, 54.65, 82.75, 91.49, 93.43, 86.68, 104.87, 117.01, 117.81, 114.86, 115.92, 108.81, 109.35, 107.8,
  104.79, 107.69, 104.41, 104.05, 100, 96.33, 95.79, 88.69, 90.01, 89.6, 87.7, 83.29, 83.7, 80.03, 80.21,
  82.28, 78.28, 69.72, 71.61, 74.35, 61.6, 69.89, 75.09, 63.59,
];
const against = (power: (nm: number) => number): number[] =>
  Array.from({ length: BANDS }, (_, band) => power(bandNm(band)) / d65[band]!);

/** What a glowing body throws out at a wavelength, in any unit (Planck): lamps with a filament, and warm halls. */
const glowing = (kelvin: number) => (nm: number) => {
  const metres = nm * 1e-9;
  return 1e-30 / (metres ** 5 * Math.expm1(0.014388 / (metres * kelvin)));
};
const bell = (nm: number, middle: number, width: number) => Math.exp(-(((nm - middle) / width) ** 2) / 2);
/** A cold white LED: a narrow blue that shines through, and the broad yellow-green it wakes up. */
const coldLed = (nm: number) => bell(nm, 452, 11) + 0.62 * bell(nm, 545, 55);

/** The lights a finish is shown in (docs/domain.md, "Light"). */
export const lightTable = tableOf<LightDefinition>()({
  daylight: { word: 'daylight', againstDaylight: new Array<number>(BANDS).fill(1) },
  'warm-hall': { word: 'a warm hall', againstDaylight: against(glowing(3000)) },
  'cold-led': { word: 'cold LED', againstDaylight: against(coldLed) },
});
export type Light = keyof typeof lightTable;
export const lights = idsOf(lightTable);

/** What each band adds to X, Y and Z in a light; the Y of a perfect white is 1. */
function weightsOf(light: Light): readonly Xyz[] {
  const { againstDaylight } = lightTable[light];
  const raw = daylightWeights.map(([x, y, z], band): Xyz => {
    const power = againstDaylight[band]!;
    return [x * power, y * power, z * power];
  });
  const all = raw.reduce((sum, [, y]) => sum + y, 0);
  return raw.map(([x, y, z]): Xyz => [x / all, y / all, z / all]);
}
const weights = new Map(lights.map((light) => [light, weightsOf(light)]));

/** From X, Y and Z to what the three kinds of cones take in (Bradford). */
const toCones = [
  [0.8951, 0.2664, -0.1614],
  [-0.7502, 1.7135, 0.0367],
  [0.0389, -0.0685, 1.0296],
] as const;
const fromCones = [
  [0.9869929, -0.1470543, 0.1599627],
  [0.4323053, 0.5183603, 0.0492912],
  [-0.0085287, 0.0400428, 0.9684867],
] as const;
type Matrix = readonly (readonly [number, number, number])[];
const times = (matrix: Matrix, [x, y, z]: Xyz): Xyz =>
  matrix.map(([p, q, r]) => p * x + q * y + r * z) as unknown as Xyz;

/** The eye gets used to a light, but not all the way: white still looks a little warm in a warm hall. */
const USED_TO_IT = 0.8;
const white: Spectrum = new Array<number>(BANDS).fill(1);

/**
 * What a spectrum looks like in some light to an eye that has got used to it, `#rrggbb`. In daylight it is `colourOf`. Two paints that look
 * alike in one light may differ in another.
 */
export function colourUnder(spectrum: Spectrum, light: Light): string {
  const own = sure(weights.get(light), 'the weights of a light');
  const lamp = times(toCones, xyzOf(white, own));
  const daylight = times(toCones, xyzOf(white));
  const cones = times(toCones, xyzOf(spectrum, own));
  const seen = cones.map((value, at) => value * (1 - USED_TO_IT + (USED_TO_IT * daylight[at]!) / lamp[at]!));
  return hexOf(times(fromCones, seen as unknown as Xyz));
}
