/**
 * How label times grow with a film, against those of one normal coat. `f` is the wet film over the normal one, or the real
 * thickness over the usual one for what is laid by thickness (docs/domain.md, "The drying model").
 */

/** Times to touch grow with the film. */
export const touchFactor = (f: number): number => f;

/** Times to recoat: `f^1.5`. */
export const recoatFactor = (f: number): number => f ** 1.5;

/** However thin a film is, drying through takes this share of its label time. */
const THINNEST_SHARE = 0.5;

/** Times to tape-safe and all later milestones: `f^1.5`, and never below half. */
export const throughFactor = (f: number): number => Math.max(THINNEST_SHARE, f ** 1.5);
