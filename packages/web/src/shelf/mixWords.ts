import { sayG, sayMl, type Material, type Mix, type MixPart } from '@fixatum/core';

const number = (value: number) => `${Number(value.toFixed(2))}`;

/** What goes into a mix, in parts: "6 Craft acrylic #ffffff : 1 Craft acrylic #c08a2e". */
export const recipeWords = (mix: Pick<Mix, 'parts'>, materials: ReadonlyMap<string, Material>): string =>
  mix.parts
    .map(({ material, colour, parts }) =>
      [number(parts), materials.get(material)?.name ?? material, colour].filter(Boolean).join(' '),
    )
    .join(' : ');

export const partWords = ({ ml, g }: Pick<MixPart, 'ml' | 'g'>): string => `${sayMl(ml)}, ${sayG(g)}`;
