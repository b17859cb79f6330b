import type { Tin } from '../model/schema';
import { colourDistance } from './distance';

/** Two tints that nobody would buy apart, ΔE00. */
const SAME_TINT_DELTA_E = 2;

/** Whether two colours would be bought as one; what has none is only like what has none. */
export const sameTint = (one: string | undefined, other: string | undefined): boolean =>
  one === other ||
  (one !== undefined && other !== undefined && colourDistance(one, other) < SAME_TINT_DELTA_E);

/** Whether a tin can be used where some material is wanted in some colour; a tin without one is taken for any. */
export const serves = (
  tin: Pick<Tin, 'material' | 'colour'>,
  materialId: string,
  colour: string | undefined,
): boolean =>
  tin.material === materialId &&
  (tin.colour === undefined || colour === undefined || sameTint(tin.colour, colour));
