import type { Layer } from '../facts/spots';
import { layerUm } from '../facts/spots';
import type { Material } from '../model/materialSchema';
import { colourOver } from './hiding';

/** The colour that a layer is mixed to: what its step says, or else what is usual for its material. */
export const mixedColour = ({ step, material }: Pick<Layer, 'step' | 'material'>): string =>
  step.colour ?? material.colour;

/** What lies in fewer places than this leaves the colour of the whole as it was. */
const MOST_OF_IT = 0.5;

/** The colour that shows once a film lies over another: the one below where it is clear or lies in few places. */
export const seenOver = (
  below: string,
  { material, colour, share, filmUm }: { material: Material; colour: string; share: number; filmUm: number },
): string =>
  material.hideUm === undefined || share < MOST_OF_IT ? below : colourOver(below, colour, material, filmUm);

/**
 * The colour a stack shows, each film over what is below it; undefined where nothing that lies on most of it has a colour of its
 * own and the ground has none.
 * @param ground the colour of what the piece is made of, if that is known
 */
export function seenColour(layers: readonly Layer[], ground?: string): string | undefined {
  return layers.reduce((below: string | undefined, layer) => {
    const { material, share } = layer;
    const colour = mixedColour(layer);
    if (below !== undefined) return seenOver(below, { material, colour, share, filmUm: layerUm(layer) });
    return material.hideUm === undefined || share < MOST_OF_IT ? undefined : colour;
  }, ground);
}
