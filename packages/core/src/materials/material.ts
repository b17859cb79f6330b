import type { Material } from '../model/materialSchema';

/** A span of label minutes in which the next coat may go on; `to` is Infinity when it stays open. */
export interface RecoatWindow {
  from: number;
  to: number;
}

/**
 * Reads recoat windows from their written form.
 * @example parseRecoat('15-60|2880-') // [{from: 15, to: 60}, {from: 2880, to: Infinity}]
 */
export function parseRecoat(text: string | undefined): RecoatWindow[] {
  if (!text) return [];
  let windows = parsed.get(text);
  if (!windows) {
    windows = text.split('|').map((part) => {
      const [from = '0', to = ''] = part.split('-');
      return { from: Number(from), to: to === '' ? Infinity : Number(to) };
    });
    parsed.set(text, windows);
  }
  return windows;
}

// Asked for at every coat of every plan.
const parsed = new Map<string, RecoatWindow[]>();

/** How a coat dries: by water leaving, by solvent leaving, by reaction, or on its own clock whatever the air. */
export type DryingFamily = 'water' | 'solvent' | 'two-part' | 'inert';

/**
 * The drying family that decides which rate formula applies. A pot life marks a two-part material even when
 * it is thinned with solvent; what has no carrier and no pot life (powders, hot glue) keeps its label times.
 */
export function dryingFamily(material: Pick<Material, 'carrier' | 'potLife'>): DryingFamily {
  if (material.potLife !== undefined) return 'two-part';
  if (material.carrier === 'water') return 'water';
  if (material.carrier === 'solvent') return 'solvent';
  return 'inert';
}

/** Label minutes to touch-dry of a normal coat: where the label gives none, those to the next coat. */
export const touchLabelMinutes = (material: Pick<Material, 'touch' | 'recoat'>): number =>
  material.touch ?? parseRecoat(material.recoat)[0]?.from ?? 0;
