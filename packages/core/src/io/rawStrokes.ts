import type { Line } from '../shapes/rings';
import type { SheetKind, Stroke } from '../shapes/sheet';

/** A stroke with all that a file says of it. */
export interface RawStroke {
  page: number;
  points: Line;
  closed: boolean;
  layer: string | undefined;
  colour: string | undefined;
}

/**
 * Strokes by kind: by layer where lines lie on several, and otherwise by the colour they are drawn in.
 * @returns the strokes of each page, and the kinds in the order they first occur
 */
export function byKind(
  raw: readonly RawStroke[],
  pageCount: number,
): { strokes: Stroke[][]; kinds: SheetKind[] } {
  const layers = new Set(raw.map(({ layer }) => layer));
  const hasLayers = layers.size > 1;
  const kinds = new Map<string, SheetKind>();
  const strokes: Stroke[][] = Array.from({ length: pageCount }, () => []);
  for (const { page, points, closed, layer, colour } of raw) {
    const id = (hasLayers ? layer : colour) ?? 'lines';
    const known = kinds.get(id);
    if (!known) kinds.set(id, { id, name: hasLayers ? (layer ?? 'no layer') : id, colour });
    strokes[page]?.push({ points, closed, kind: id });
  }
  return { strokes, kinds: [...kinds.values()] };
}
