import type { Material } from '../model/materialSchema';
import type { Tin } from '../model/schema';
import { colourDistance } from './distance';

/** Two tints that nobody would buy apart, ΔE00. */
const SAME_TINT_DELTA_E = 2;
/** The same of washes, dry-brushing and powders, of which so little is seen that one dark brown does for another, and rust does not. */
const SAME_WEATHERING_DELTA_E = 10;

/** What a material is called and for, which is what its tints go by. */
export type Tinted = Pick<Material, 'id' | 'role'>;

/** Whether two colours are one; what has none is only like what has none. */
export const sameTint = (
  one: string | undefined,
  other: string | undefined,
  withinDeltaE = SAME_TINT_DELTA_E,
): boolean =>
  one === other || (one !== undefined && other !== undefined && colourDistance(one, other) < withinDeltaE);

/** Whether two colours of a material would be bought as one. */
export const boughtAsOne = (
  { role }: Pick<Tinted, 'role'>,
  one: string | undefined,
  other: string | undefined,
): boolean => sameTint(one, other, role === 'weather' ? SAME_WEATHERING_DELTA_E : SAME_TINT_DELTA_E);

/** Whether a tin can be used where some material is wanted in some colour; a tin without one is taken for any. */
export const serves = (
  tin: Pick<Tin, 'material' | 'colour'>,
  material: Tinted,
  colour: string | undefined,
): boolean =>
  tin.material === material.id &&
  (tin.colour === undefined || colour === undefined || boughtAsOne(material, tin.colour, colour));
