import { BANDS, luminanceOf, type Spectrum } from './spectrum';

/** How much of the light a pigment takes up against what it throws back: `K/S = (1 − R)² / 2R`. */
export const absorption = (masstone: number): number => (1 - masstone) ** 2 / (2 * masstone);

/** The masstone of a given K/S: `R = 1 + K/S − √((K/S)² + 2·K/S)`. */
export const masstoneOf = (ks: number): number => 1 + ks - Math.sqrt(ks * ks + 2 * ks);

/**
 * Reflectance of a film over a ground by Kubelka and Munk:
 * `R = (1 − R_g(a − b·coth(bSX))) / (a − R_g + b·coth(bSX))` with `a = 1 + K/S`, `b = √(a² − 1)`
 * (docs/domain.md, "Other formulas").
 * @param masstone reflectance of a film so thick that nothing shows through, 0–1; it sets K/S
 * @param ground reflectance of what is below, 0–1
 * @param scatter S times film thickness, no unit
 */
export function filmReflectance(masstone: number, ground: number, scatter: number): number {
  if (scatter <= 0) return ground;
  const a = 1 + absorption(masstone);
  const b = Math.sqrt(a * a - 1);
  const bCoth = b / Math.tanh(b * scatter);
  return (1 - ground * (a - bCoth)) / (a - ground + bCoth);
}

/** A film over a ground, band by band. @param scatter S times film thickness, no unit */
export function filmOver(ground: Spectrum, masstone: Spectrum, scatter: number): Spectrum {
  if (scatter <= 0) return ground;
  const seen = new Array<number>(BANDS);
  for (let band = 0; band < BANDS; band += 1)
    seen[band] = filmReflectance(masstone[band]!, ground[band]!, scatter);
  return seen;
}

/** The contrast ratio over black and white at which a film is said to hide. */
const HIDE_CONTRAST = 0.98;
const black: Spectrum = new Array<number>(BANDS).fill(0);
const white: Spectrum = new Array<number>(BANDS).fill(1);

/** How light a film is over black against the same over white, 0–1. */
export const contrastRatio = (masstone: Spectrum, scatter: number): number =>
  luminanceOf(filmOver(black, masstone, scatter)) / luminanceOf(filmOver(white, masstone, scatter));

/** S times film thickness at which a colour reaches a contrast ratio of 98 %, no unit. */
export function hidingScatter(masstone: Spectrum): number {
  let low = 0;
  let high = 1000;
  for (let n = 0; n < 50; n += 1) {
    const middle = (low + high) / 2;
    if (contrastRatio(masstone, middle) < HIDE_CONTRAST) low = middle;
    else high = middle;
  }
  return high;
}
