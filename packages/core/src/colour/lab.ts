import { differenceCiede2000, type Lab65 } from 'culori';
import { type Xyz } from './spectrum';

/** CIE L*, a* and b* under D65. */
export type LabD65 = readonly [number, number, number];

/** The white of D65, as the spectra's weights add up to it. */
const WHITE: Xyz = [0.95047, 1, 1.08883];
const cubeRoot = (value: number) =>
  value > 216 / 24389 ? Math.cbrt(value) : (24389 / 27) * (value / 116) + 16 / 116;

/** CIE L*a*b* of X, Y and Z (CIE 15:2004), against the white of daylight. */
export function labOf([x, y, z]: Xyz): LabD65 {
  const [fx, fy, fz] = [cubeRoot(x / WHITE[0]), cubeRoot(y / WHITE[1]), cubeRoot(z / WHITE[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

/** The plain distance in L*a*b*, quick to reckon and seldom less than half of what the eye sees. */
export const labDistance = (one: LabD65, other: LabD65): number =>
  Math.sqrt((one[0] - other[0]) ** 2 + (one[1] - other[1]) ** 2 + (one[2] - other[2]) ** 2);

const deltaE = differenceCiede2000();
const asLab = ([l, a, b]: LabD65): Lab65 => ({ mode: 'lab65', l, a, b });

/** How far two colours are apart as the eye sees it, ΔE00. */
export const labDeltaE = (one: LabD65, other: LabD65): number => deltaE(asLab(one), asLab(other));
