import { dryingFamily } from '../materials/material';
import { milestoneTable, type Milestone } from '../model/milestones';
import type { Material } from '../model/materialSchema';

/** However thin a film is, drying through takes this share of its label time. */
const THINNEST_SHARE = 0.5;

/**
 * What cures by reaction alone keeps little of its own warmth in a film thinner than this, µm, and takes so much longer where that is
 * thinner than usual.
 */
const THIN_CURE_UM = 300;
const THIN_CURE = 1.25;

type Filmed = Pick<Material, 'carrier' | 'potLife' | 'wftUm'>;

/**
 * How a label time grows with the film, against that of one normal coat: by the power its milestone has, and for the later ones never
 * below half. Two-part materials cure by reaction, as soon in a thick film as in a thin one. `f` is the wet film over the normal one,
 * or the real thickness over the usual one for what is laid by thickness (docs/domain.md, "The drying model").
 */
function grown(milestone: Milestone, material: Filmed, f: number): number {
  if (dryingFamily(material) === 'two-part') {
    const isThin = material.carrier === 'none' && f < 1 && f * material.wftUm < THIN_CURE_UM;
    return isThin ? THIN_CURE : 1;
  }
  const { clock, filmPower } = milestoneTable[milestone];
  const factor = f ** filmPower;
  return clock === 'late' ? Math.max(THINNEST_SHARE, factor) : factor;
}

/** For times to touch. */
export const touchFactor = (material: Filmed, f: number): number => grown('touch', material, f);

/** For times to recoat. */
export const recoatFactor = (material: Filmed, f: number): number => grown('recoat', material, f);

/** For times to tape-safe and all later milestones, which grow alike. */
export const throughFactor = (material: Filmed, f: number): number => grown('tape', material, f);
