import type { Method } from './methods';
import { methodTable } from './methods';

/** What a material can do to people, in the words that labels use. Rules and safety lines know these and no others. */
export const hazards = [
  'organic vapour',
  'vapour',
  'flammable',
  'particles',
  'dust',
  'skin',
  'sensitiser',
  'isocyanate',
  'latex allergy',
  'ammonia',
  'bonds skin',
  'burns',
  'self-heating rags',
  'metal powder',
] as const;

export type Hazard = (typeof hazards)[number];

/** Other words that own tins may carry for the same. */
const otherWords: Readonly<Record<string, Hazard>> = {
  latex: 'latex allergy',
  'organic vapours': 'organic vapour',
  'solvent vapour': 'organic vapour',
  resin: 'sensitiser',
  sensitizer: 'sensitiser',
  'self-heating': 'self-heating rags',
};

/** Isocyanates by their short names too, wherever on a label: "hardener with HDI", "polyisocyanate". */
const isocyanates = /isocyanat|\b(?:p?mdi|hdi|tdi|ipdi)\b/;

/** One hazard by whatever a label calls it; undefined for what nothing here knows. */
export function hazardNamed(text: string): Hazard | undefined {
  const name = text.trim().toLowerCase();
  if (isocyanates.test(name)) return 'isocyanate';
  return hazards.find((one) => one === name) ?? otherWords[name];
}

/**
 * The hazards of a material, put on by some method: those it names, isocyanate for any two-part urethane, and fire for
 * whatever a propellant drives.
 */
export function hazardsOf(
  material: { hazards: readonly string[]; binder: string; potLife?: number | undefined } | undefined,
  method?: Method,
): Set<Hazard> {
  const found = new Set((material?.hazards ?? []).flatMap((text) => hazardNamed(text) ?? []));
  if (material?.binder === 'urethane' && material.potLife !== undefined) found.add('isocyanate');
  if (method !== undefined && methodTable[method].hasPropellant) found.add('flammable');
  return found;
}
