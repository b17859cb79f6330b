import { formatHex, lab65, type Lab65 } from 'culori';

/** A colour in three steps of light. */
export interface Scheme {
  shade: string;
  mid: string;
  light: string;
}

/** L* of the shade and the light against the base (docs/domain.md, "Schemes"). */
const SHADE_L = -15;
const LIGHT_L = 12;
/** How far a shade and a light lean, as a share of the way to where they lean. */
const LEAN = 0.15;
const blueViolet = { a: 18, b: -30 };
const brown = { a: 18, b: 26 };
const yellow = { a: 0, b: 45 };
/** Under this chroma a metal is steel or silver, which has no brown in its shade. */
const WARM_CHROMA = 10;

const leaning = (base: Lab65, byL: number, to: { a: number; b: number }): string =>
  formatHex({
    mode: 'lab65',
    l: Math.min(98, Math.max(4, base.l + byL)),
    a: base.a + (to.a - base.a) * LEAN,
    b: base.b + (to.b - base.b) * LEAN,
  });

/**
 * Shade, mid and light from one base colour: the shade a little towards blue-violet, or towards brown for warm metals; the light a little
 * towards yellow. Laid darkest over most, each next over less, the lightest only where light falls.
 */
export function schemeOf(base: string, isMetallic = false): Scheme {
  const mid = lab65(base)!;
  const isWarm = Math.hypot(mid.a, mid.b) >= WARM_CHROMA && mid.b > 0;
  return {
    shade: leaning(mid, SHADE_L, isMetallic && isWarm ? brown : blueViolet),
    mid: base,
    light: leaning(mid, LIGHT_L, yellow),
  };
}
