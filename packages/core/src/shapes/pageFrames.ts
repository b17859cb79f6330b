import { boundsOf, ringAreaCm2, type Bounds } from './rings';
import type { SheetPage, Stroke } from './sheet';

/** A box is at the same place of two pages where its sides differ by less than this share of the page. */
const SAME_SHARE = 0.003;
/** On so many of the pages, and on two at least, it is no part of the drawing. */
const MOST_PAGES = 0.6;
/** A frame goes round so much of the page each way. */
const LEAST_SHARE = 0.5;
/** Four lines that make one frame end this near to each other, as a share of the page. */
const CORNER_SHARE = 0.004;

/** Pages without what is printed round each of them. */
export interface Unframed {
  pages: SheetPage[];
  /** How many frames were left out. */
  frames: number;
}

/**
 * Leaves out what stands at the same place of most pages and belongs to the paper: a frame round the page, drawn as a box or as four lines,
 * and words, whatever numbers they count up. Of one page nothing is left out.
 */
export function unframed(pages: readonly SheetPage[]): Unframed {
  if (pages.length < 2) return { pages: [...pages], frames: 0 };
  const size = Math.max(...pages.map(({ width, height }) => Math.max(width, height)), 0);
  if (size <= 0) return { pages: [...pages], frames: 0 };
  const near = size * SAME_SHARE;
  const boxes = pages.map((page) => framesOf(page, size * CORNER_SHARE));
  const repeats = (box: Bounds) =>
    isOften(boxes.filter((own) => own.some((other) => isSame(other.box, box, near))).length, pages.length);
  const words = pages.map(({ texts }) =>
    texts.map(({ x, y, text }) => ({ x, y, text: text.replace(/\d+/g, '#') })),
  );
  const isRepeated = ({ x, y, text }: SheetPage['texts'][number]) => {
    const said = text.replace(/\d+/g, '#');
    return isOften(
      words.filter((own) =>
        own.some((one) => one.text === said && Math.abs(one.x - x) <= near && Math.abs(one.y - y) <= near),
      ).length,
      pages.length,
    );
  };
  let frames = 0;
  const bare = pages.map((page, at) => {
    const gone = new Set<Stroke>();
    for (const { box, strokes } of boxes[at]!)
      if (repeats(box)) {
        frames += 1;
        for (const stroke of strokes) gone.add(stroke);
      }
    return {
      ...page,
      strokes: page.strokes.filter((stroke) => !gone.has(stroke)),
      texts: page.texts.filter((text) => !isRepeated(text)),
    };
  });
  return { pages: bare, frames };
}

const isOften = (count: number, pages: number): boolean => count >= 2 && count >= MOST_PAGES * pages;
const isSame = (one: Bounds, other: Bounds, near: number): boolean =>
  Math.abs(one.left - other.left) <= near &&
  Math.abs(one.top - other.top) <= near &&
  Math.abs(one.right - other.right) <= near &&
  Math.abs(one.bottom - other.bottom) <= near;

/** The large boxes on a page that stand straight: closed ones, and those of four lines. */
function framesOf({ strokes, width, height }: SheetPage, near: number): { box: Bounds; strokes: Stroke[] }[] {
  const isLarge = ({ left, top, right, bottom }: Bounds) =>
    right - left >= width * LEAST_SHARE && bottom - top >= height * LEAST_SHARE;
  const found = strokes.flatMap((stroke) => {
    const { points } = stroke;
    const box = boundsOf([points]);
    const isWhole =
      points.length >= 4 &&
      ringAreaCm2(points) * 100 >= (box.right - box.left) * (box.bottom - box.top) * 0.995;
    return isWhole && isLarge(box) ? [{ box, strokes: [stroke] }] : [];
  });
  const straight = strokes.flatMap((stroke) => {
    const box = boundsOf([stroke.points]);
    const isFlat = box.right - box.left <= near || box.bottom - box.top <= near;
    return stroke.points.length === 2 && isFlat ? [{ stroke, box }] : [];
  });
  const across = straight.filter(({ box }) => box.right - box.left >= width * LEAST_SHARE);
  const down = straight.filter(({ box }) => box.bottom - box.top >= height * LEAST_SHARE);
  for (const top of across)
    for (const bottom of across) {
      if (bottom.box.top - top.box.top < height * LEAST_SHARE) continue;
      const sides = down.filter(
        ({ box }) => Math.abs(box.top - top.box.top) <= near && Math.abs(box.bottom - bottom.box.top) <= near,
      );
      const left = sides.find(({ box }) => Math.abs(box.left - top.box.left) <= near);
      const right = sides.find(({ box }) => Math.abs(box.left - top.box.right) <= near);
      if (left && right)
        found.push({
          box: { left: left.box.left, right: right.box.left, top: top.box.top, bottom: bottom.box.top },
          strokes: [top.stroke, bottom.stroke, left.stroke, right.stroke],
        });
    }
  return found;
}
