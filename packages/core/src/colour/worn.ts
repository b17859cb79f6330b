import { formatHex, lab65 } from 'culori';

/** What years do to a colour: sun bleaches it, and dirt that lies on it takes its hue. */
export const wornTones = ['faded', 'dirty'] as const;
export type WornTone = (typeof wornTones)[number];

/** Sun takes a colour so far towards the lightness of chalk, and leaves so much of its chroma. */
const CHALK_L = 88;
const TO_CHALK = 0.45;
const FADED_CHROMA = 0.5;
/** What fades turns a little towards yellow, as blues and reds go before it: a red to pink-orange. */
const YELLOW_B = 45;
const TO_YELLOW = 0.15;
/** Dirt keeps so much of the lightness and chroma of what it lies on. */
const DIRTY_L = 0.4;
const DIRTY_CHROMA = 0.4;

/**
 * A colour as it looks where it is worn (docs/domain.md, "Schemes").
 * @param colour `#rrggbb`
 * @example wornColour('#b2202c', 'faded') // a chalky pink-orange
 */
export function wornColour(colour: string, tone: WornTone): string {
  const { l, a, b } = lab65(colour)!;
  if (tone === 'dirty')
    return formatHex({ mode: 'lab65', l: l * DIRTY_L, a: a * DIRTY_CHROMA, b: b * DIRTY_CHROMA });
  return formatHex({
    mode: 'lab65',
    l: l + (CHALK_L - l) * TO_CHALK,
    a: a * FADED_CHROMA * (1 - TO_YELLOW),
    b: b * FADED_CHROMA * (1 - TO_YELLOW) + YELLOW_B * TO_YELLOW,
  });
}
