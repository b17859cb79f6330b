import { converter, formatHex } from 'culori';

const linear = converter('lrgb');

/**
 * Takes the tint of the light out of colours of a picture, by something in it that is known to be neutral: every channel is scaled so that
 * this comes out grey of the lightness that it has (von Kries).
 * @param neutral what it looks like in the picture
 * @param isWhite it is white paper: then all is scaled up so that it comes out as paper white
 */
export function withoutTint(colour: string, neutral: string, isWhite = false): string {
  const grey = linear(neutral)!;
  const is = linear(colour)!;
  // Luminance weights of sRGB primaries (IEC 61966-2-1).
  const level = isWhite ? PAPER : 0.2126 * grey.r + 0.7152 * grey.g + 0.0722 * grey.b;
  const scale = (value: number, by: number) => Math.min(1, (value * level) / Math.max(by, LEAST));
  return formatHex({
    mode: 'lrgb',
    r: scale(is.r, grey.r),
    g: scale(is.g, grey.g),
    b: scale(is.b, grey.b),
  });
}

/** What white paper throws back. */
const PAPER = 0.88;
/** Something this dark tells nothing of the light. */
const LEAST = 0.01;
