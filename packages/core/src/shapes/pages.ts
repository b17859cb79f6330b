import { linesInBox } from './clip';
import { boundsOf, holdsBox, lineUnder, movedBy, type Bounds } from './rings';
import type { SheetPage, Stroke } from './sheet';

/** How pages lie beside each other. */
export interface PageLayout {
  /** How many stand in a row. */
  columns: number;
  /** How far each reaches over the one beside and below it, in the units of the pages. */
  overlap: number;
}

/**
 * Pages laid side by side as one, row by row: for a template that was cut up to be printed. Each page counts up to the middle of where it overlaps
 * the next, so that nothing is there twice, whether lines end at the edge of the paper or run on unseen; there their pieces meet.
 */
export function laidTogether(pages: readonly SheetPage[], { columns, overlap }: PageLayout): SheetPage {
  const [first] = pages;
  const [stepX, stepY] = [(first?.width ?? 0) - overlap, (first?.height ?? 0) - overlap];
  const rows = Math.ceil(pages.length / columns);
  const moved = pages.map(({ strokes, texts, width, height }, at) => {
    const [column, row] = [at % columns, Math.floor(at / columns)];
    const [x, y] = [column * stepX, row * stepY];
    const map = movedBy(x, y);
    const cell: Bounds = {
      left: x + (column > 0 ? overlap / 2 : 0),
      top: y + (row > 0 ? overlap / 2 : 0),
      right: x + width - (column < columns - 1 ? overlap / 2 : 0),
      bottom: y + height - (row < rows - 1 ? overlap / 2 : 0),
    };
    return {
      right: x + width,
      bottom: y + height,
      strokes: strokes.flatMap((stroke) =>
        inCell({ ...stroke, points: lineUnder(stroke.points, map) }, cell),
      ),
      texts: texts
        .map((text) => ({ ...text, x: text.x + x, y: text.y + y }))
        .filter((text) => holdsBox(cell, { left: text.x, right: text.x, top: text.y, bottom: text.y })),
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

/** What of a stroke lies in a cell; one that lies in it whole stays as it is. */
function inCell(stroke: Stroke, cell: Bounds): Stroke[] {
  const { points, closed, kind } = stroke;
  if (holdsBox(cell, boundsOf([points]))) return [stroke];
  const line = closed && points[0] ? [...points, points[0]] : points;
  return linesInBox([line], cell).map((piece) => ({ kind, points: piece, closed: false }));
}
