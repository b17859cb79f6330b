import { converter, formatHex } from 'culori';
import { Color } from 'spectral.js';

/**
 * Reflectances, 0–1, of 38 bands from 380 to 750 nm, every 10 nm. Never changed in place.
 */
export type Spectrum = readonly number[];

export const BANDS = 38;
/** The middle of a band, nm. */
export const bandNm = (band: number): number => 380 + 10 * band;

// No paint is perfectly black or perfectly white, and the film model has no answer for either.
const DARKEST = 1e-4;
const LIGHTEST = 0.9995;
const clamp = (value: number) => Math.min(LIGHTEST, Math.max(DARKEST, value));

const known = new Map<string, Spectrum>();
const MOST_KNOWN = 4000;

/**
 * The smooth spectrum that looks like a screen colour in daylight: the same colour always gets the same, and `colourOf` gives it back.
 * @param colour `#rrggbb`
 */
export function spectrumOf(colour: string): Spectrum {
  const key = colour.toLowerCase();
  const found = known.get(key);
  if (found) return found;
  const spectrum = new Color(key).R.map(clamp);
  if (known.size >= MOST_KNOWN) known.clear();
  known.set(key, spectrum);
  return spectrum;
}

export type Xyz = readonly [number, number, number];

/** What each band adds to X, Y and Z in daylight (D65); the Y of all bands add up to 1. */
export const daylightWeights: readonly Xyz[] = Array.from({ length: BANDS }, (_, band) => {
  const only = Array.from({ length: BANDS }, (__, at) => (at === band ? 1 : 0));
  return new Color(only).XYZ;
});

/** X, Y and Z of a spectrum, by the weights of a light. */
export function xyzOf(spectrum: Spectrum, weights: readonly Xyz[] = daylightWeights): Xyz {
  let [x, y, z] = [0, 0, 0];
  for (let band = 0; band < BANDS; band += 1) {
    const reflected = spectrum[band]!;
    const weight = weights[band]!;
    x += weight[0] * reflected;
    y += weight[1] * reflected;
    z += weight[2] * reflected;
  }
  return [x, y, z];
}

/** How light it is to the eye: 1 is a perfect white in the same light. */
export const luminanceOf = (spectrum: Spectrum): number => xyzOf(spectrum)[1];

const toRgb = converter('rgb');

/** A screen colour, `#rrggbb`, from X, Y and Z under D65. What no screen shows comes as near as it can. */
export const hexOf = ([x, y, z]: Xyz): string => formatHex(toRgb({ mode: 'xyz65', x, y, z }));

/** What a spectrum looks like in daylight, `#rrggbb`. */
export const colourOf = (spectrum: Spectrum): string => hexOf(xyzOf(spectrum));
