import type { Layer } from '../facts/spots';
import { layerUm } from '../facts/spots';
import { colourOver } from './hiding';

/** The colour that a layer is mixed to: what its step says, or else what is usual for its material. */
export const mixedColour = ({ step, material }: Pick<Layer, 'step' | 'material'>): string =>
  step.colour ?? material.colour;

/** What lies in fewer places than this leaves the colour of the whole as it was. */
const MOST_OF_IT = 0.5;

/**
 * The colour a stack shows, each film over what is below it; undefined where nothing that lies on most of it has a colour of its
 * own and the ground has none.
 * @param ground the colour of what the piece is made of, if that is known
 */
export function seenColour(layers: readonly Layer[], ground?: string): string | undefined {
  return layers.reduce((below: string | undefined, layer) => {
    if (layer.material.hideUm === undefined || layer.share < MOST_OF_IT) return below;
    const colour = mixedColour(layer);
    return below === undefined ? colour : colourOver(below, colour, layer.material, layerUm(layer));
  }, ground);
}
