import { methodTable, type Method } from '../model/methods';
import { has } from '../model/traits';
import { colourDistance, HIDDEN_DELTA_E, PLAIN_DELTA_E, STREAK_DELTA_E } from './distance';
import { paintOver, type Paint } from './paint';
import { colourOf, spectrumOf } from './spectrum';

/**
 * The colour that shows when a film lies over a ground, `#rrggbb`; the ground itself for a clear material.
 * @param colour what the film is mixed to
 */
export function colourOver(ground: string, colour: string, material: Paint, filmUm: number): string {
  if (material.hideUm === undefined) return ground;
  const own = seenKnown.get(material) ?? new Map<string, string>();
  seenKnown.set(material, own);
  const key = `${ground} ${colour} ${filmUm.toFixed(3)}`;
  const known = own.get(key);
  if (known !== undefined) return known;
  const seen = colourOf(paintOver(spectrumOf(ground), material, colour, filmUm));
  if (own.size >= MOST_KNOWN) own.clear();
  own.set(key, seen);
  return seen;
}
/** The same stacks are asked for at every plan. */
const seenKnown = new WeakMap<Paint, Map<string, string>>();
const MOST_KNOWN = 2000;

/** Coats that are laid one over the other in one way. */
export interface Laying {
  /** Dry film of one coat, µm. */
  coatUm: number;
  method: Method;
}

/**
 * The film in the thinnest streaks of so many coats, µm. One coat is as uneven as its method lays it; streaks of several seldom fall on each
 * other, so that together they are more even by the root of their number.
 * @example two brushed coats of 20 µm, half as thick in the streaks of one: 40 · (1 − 0.5 ÷ √2) = 25.9 µm
 */
export const thinnestUm = ({ coatUm, method }: Laying, coats: number): number =>
  coatUm * coats * (1 - (1 - methodTable[method].evenness) / Math.sqrt(coats));

/** How far coats of a paint leave the colour from what was mixed, ΔE00: over all, and in their thinnest streaks. */
export interface Off {
  off: number;
  offInStreaks: number;
}

/** Whether coats hide what is below altogether: it can't be seen in their thinnest streaks either. */
export const isHidden = ({ offInStreaks }: Off): boolean => offInStreaks < HIDDEN_DELTA_E;

/** Whether coats cover: the colour is right, and no streak is seen from an arm's length. */
export const isCovered = ({ off, offInStreaks }: Off): boolean =>
  off < HIDDEN_DELTA_E && offInStreaks < STREAK_DELTA_E;

/** Whether coats come so near that the colour is only a shade off, and streaks are none. */
export const isNearlyCovered = ({ off, offInStreaks }: Off): boolean =>
  off < PLAIN_DELTA_E && offInStreaks < STREAK_DELTA_E;

/** How far what is below may be seen in a metal before it is another colour, ΔE00: over all, and in streaks. */
const [METAL_DELTA_E, METAL_STREAK_DELTA_E] = [10, 12];

/** How well coats have to cover. */
export interface CoverGrades {
  /** What is told as the coats that do it. */
  wanted: (off: Off) => boolean;
  /** Nothing is to be said of it. */
  enough: (off: Off) => boolean;
  /** It is a shade off, and no more. */
  slight: (off: Off) => boolean;
}

/** How well coats of a material have to cover: paint hides what is below, a metal has its depth from it. */
export const coverGrades = (material: Pick<Paint, 'traits'>): CoverGrades =>
  has(material, 'metallic')
    ? {
        wanted: isNearlyCovered,
        enough: isNearlyCovered,
        slight: ({ off, offInStreaks }) => off < METAL_DELTA_E && offInStreaks < METAL_STREAK_DELTA_E,
      }
    : { wanted: isHidden, enough: isCovered, slight: isNearlyCovered };

/** How far so many coats leave a colour from what was mixed. */
export function offOver(ground: string, colour: string, material: Paint, laying: Laying, coats: number): Off {
  const off = (filmUm: number) => colourDistance(colourOver(ground, colour, material, filmUm), colour);
  return { off: off(laying.coatUm * coats), offInStreaks: off(thinnestUm(laying, coats)) };
}

/** The fewest coats that hide a ground, or come as near as is enough; undefined when `most` do not. */
export function coatsToHide(
  ground: string,
  colour: string,
  material: Paint,
  laying: Laying,
  most = 20,
  isEnough: (off: Off) => boolean = isHidden,
): number | undefined {
  for (let coats = 1; coats <= most; coats += 1)
    if (isEnough(offOver(ground, colour, material, laying, coats))) return coats;
  return undefined;
}
