import { converter, differenceCiede2000, formatHex } from 'culori';
import type { Material } from '../model/materialSchema';

/** The difference, ΔE00, under which a film hides what is below it (docs/domain.md, "Other formulas"). */
export const HIDDEN_DELTA_E = 2;
/** Up to this difference a colour is only a shade off; beyond it the ground plainly shows. */
export const PLAIN_DELTA_E = 5;
/** The contrast ratio that the hide figure of a material stands for. */
const HIDE_CONTRAST = 0.98;
// The model has no answer for perfect black and perfect white.
const DARKEST = 0.005;
const LIGHTEST = 0.97;

const linear = converter('lrgb');
const deltaE = differenceCiede2000();
const clampReflectance = (value: number) => Math.min(LIGHTEST, Math.max(DARKEST, value));

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
  const a = 1 + (1 - masstone) ** 2 / (2 * masstone);
  const b = Math.sqrt(a * a - 1);
  const bCoth = b / Math.tanh(b * scatter);
  return (1 - ground * (a - bCoth)) / (a - ground + bCoth);
}

const scatterCache = new Map<string, number>();

/**
 * Scattering of a material, 1/µm of dry film: such that a film of its hide figure in its usual colour reaches a contrast
 * ratio of 98 % over black and white. Undefined for what is clear.
 */
export function scatterPerUm({ hideUm, colour }: Pick<Material, 'hideUm' | 'colour'>): number | undefined {
  if (hideUm === undefined) return undefined;
  const key = `${hideUm} ${colour}`;
  const known = scatterCache.get(key);
  if (known !== undefined) return known;
  const { r, g, b } = linear(colour)!;
  // Luminance weights of sRGB primaries (IEC 61966-2-1).
  const masstone = clampReflectance(0.2126 * r + 0.7152 * g + 0.0722 * b);
  const contrast = (scatter: number) =>
    filmReflectance(masstone, 0, scatter) / filmReflectance(masstone, 1, scatter);
  let low = 0;
  let high = 1000;
  for (let n = 0; n < 60; n += 1) {
    const middle = (low + high) / 2;
    if (contrast(middle) < HIDE_CONTRAST) low = middle;
    else high = middle;
  }
  const scatter = high / hideUm;
  scatterCache.set(key, scatter);
  return scatter;
}

/**
 * The colour that shows when a film lies over a ground, `#rrggbb`; the ground itself for a clear material.
 * @param colour what the film is mixed to
 */
export function colourOver(
  ground: string,
  colour: string,
  material: Pick<Material, 'hideUm' | 'colour'>,
  filmUm: number,
): string {
  const scatter = scatterPerUm(material);
  if (scatter === undefined) return ground;
  const top = linear(colour)!;
  const below = linear(ground)!;
  const band = (masstone: number, under: number) =>
    filmReflectance(clampReflectance(masstone), Math.max(0, Math.min(1, under)), scatter * filmUm);
  return formatHex({
    mode: 'lrgb',
    r: band(top.r, below.r),
    g: band(top.g, below.g),
    b: band(top.b, below.b),
  });
}

/** How far two colours are apart, ΔE00. */
export const colourDistance = (one: string, other: string): number => deltaE(one, other);

/**
 * The fewest coats that hide a ground; undefined when `most` do not.
 * @param coatUm dry film of one coat, µm
 * @param within how near they have to come, ΔE00
 */
export function coatsToHide(
  ground: string,
  colour: string,
  material: Pick<Material, 'hideUm' | 'colour'>,
  coatUm: number,
  most = 20,
  within = HIDDEN_DELTA_E,
): number | undefined {
  for (let coats = 1; coats <= most; coats += 1) {
    if (colourDistance(colourOver(ground, colour, material, coatUm * coats), colour) < within) return coats;
  }
  return undefined;
}
