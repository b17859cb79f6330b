import { lineUnder, movedBy } from './rings';
import type { SheetPage } from './sheet';

/** How pages lie beside each other. */
export interface PageLayout {
  /** How many stand in a row. */
  columns: number;
  /** How far each reaches over the one beside and below it, in the units of the pages. */
  overlap: number;
}

/**
 * Pages laid side by side as one, row by row: for a template that was cut up to be printed. What is drawn on two of them, where they
 * overlap, is found again as one by `foundOutlines`.
 */
export function laidTogether(pages: readonly SheetPage[], { columns, overlap }: PageLayout): SheetPage {
  const first = pages[0];
  const [stepX, stepY] = [(first?.width ?? 0) - overlap, (first?.height ?? 0) - overlap];
  const moved = pages.map(({ strokes, texts, width, height }, at) => {
    const [x, y] = [(at % columns) * stepX, Math.floor(at / columns) * stepY];
    const map = movedBy(x, y);
    return {
      right: x + width,
      bottom: y + height,
      strokes: strokes.map((stroke) => ({ ...stroke, points: lineUnder(stroke.points, map) })),
      texts: texts.map((text) => ({ ...text, x: text.x + x, y: text.y + y })),
    };
  });
  return {
    name: 'all pages',
    width: Math.max(0, ...moved.map(({ right }) => right)),
    height: Math.max(0, ...moved.map(({ bottom }) => bottom)),
    strokes: moved.flatMap(({ strokes }) => strokes),
    texts: moved.flatMap(({ texts }) => texts),
  };
}
