import { absorption, masstoneOf } from './film';
import { labOf, type LabD65 } from './lab';
import { BANDS, daylightWeights, type Spectrum } from './spectrum';

/** What goes into a blend. */
export interface BlendPart {
  masstone: Spectrum;
  /** Tinting strength, titanium white 1. */
  strength: number;
  /** Its share of the volume; any unit, as only the shares count. */
  parts: number;
}

/**
 * The masstone of paints that are stirred together: `(K/S)mix = Σ c·s·(K/S) ÷ Σ c·s` in every band, c the volume and s the tinting
 * strength (docs/domain.md, "Pigments and mixes"). The order does not matter, and nothing is changed by a part of nothing.
 * @param parts at least one of more than nothing
 */
export function blend(parts: readonly BlendPart[]): Spectrum {
  const all = parts.reduce((sum, one) => sum + one.parts * one.strength, 0);
  return Array.from({ length: BANDS }, (_, band) =>
    masstoneOf(
      parts.reduce((sum, one) => sum + one.parts * one.strength * absorption(one.masstone[band]!), 0) / all,
    ),
  );
}

/** What goes into a blend, made ready for thousands of tries. */
export interface Tint {
  /** Of one unit of it. */
  strength: number;
  /** K/S times that strength, by band. */
  ks: Float64Array;
}

export const tintOf = (masstone: Spectrum, strength: number): Tint => ({
  strength,
  ks: Float64Array.from(masstone, (value) => absorption(value) * strength),
});

/** The eye sees next to nothing beyond these bands, 400 to 700 nm. */
const [FIRST_BAND, LAST_BAND] = [2, 32];
const sum = new Float64Array(BANDS);
const [weightX, weightY, weightZ] = [0, 1, 2].map((at) =>
  Float64Array.from(daylightWeights, (weight) => weight[at as 0 | 1 | 2]),
) as [Float64Array, Float64Array, Float64Array];

/** L*a*b* of a `blend`, quickly. @param units of each tint, in its order; one at least of more than nothing */
export function labOfBlend(tints: readonly Tint[], units: readonly number[]): LabD65 {
  const { ks: first, strength } = tints[0]!;
  const own = units[0]!;
  let all = strength * own;
  for (let band = FIRST_BAND; band <= LAST_BAND; band += 1) sum[band] = first[band]! * own;
  for (let n = 1; n < tints.length; n += 1) {
    const { ks } = tints[n]!;
    const more = units[n]!;
    all += tints[n]!.strength * more;
    for (let band = FIRST_BAND; band <= LAST_BAND; band += 1) sum[band]! += ks[band]! * more;
  }
  let [x, y, z] = [0, 0, 0];
  for (let band = FIRST_BAND; band <= LAST_BAND; band += 1) {
    const reflected = masstoneOf(sum[band]! / all);
    x += weightX[band]! * reflected;
    y += weightY[band]! * reflected;
    z += weightZ[band]! * reflected;
  }
  return labOf([x, y, z]);
}
