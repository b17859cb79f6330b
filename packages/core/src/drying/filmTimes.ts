import { milestoneTable, type Milestone } from '../model/milestones';

/** However thin a film is, drying through takes this share of its label time. */
const THINNEST_SHARE = 0.5;

/**
 * How a label time grows with the film, against that of one normal coat: by the power its milestone has, and for the later ones never
 * below half. `f` is the wet film over the normal one, or the real thickness over the usual one for what is laid by thickness
 * (docs/domain.md, "The drying model").
 */
function grown(milestone: Milestone, f: number): number {
  const { clock, filmPower } = milestoneTable[milestone];
  const factor = f ** filmPower;
  return clock === 'late' ? Math.max(THINNEST_SHARE, factor) : factor;
}

/** For times to touch. */
export const touchFactor = (f: number): number => grown('touch', f);

/** For times to recoat. */
export const recoatFactor = (f: number): number => grown('recoat', f);

/** For times to tape-safe and all later milestones, which grow alike. */
export const throughFactor = (f: number): number => grown('tape', f);
