/** Units of CSS in one of their pixels, of which 96 are an inch. */
const PX_PER: Readonly<Record<string, number>> = {
  px: 1,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  in: 96,
  pt: 96 / 72,
  pc: 16,
  q: 96 / 101.6,
};
export const MM_PER_PX = 25.4 / 96;

/** What a length is a share of where it is said in per cent. */
export interface Viewport {
  width: number;
  height: number;
  fontSize: number;
}

/**
 * A length of an SVG in units of where it stands; in mm, inches and so on by 96 pixels an inch, as the format has it.
 * @param whole what 100 % of it is
 * @returns undefined for what is no length
 */
export function svgLength(said: string | undefined, whole: number, fontSize = 16): number | undefined {
  const found = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z]*|%)\s*$/i.exec(said ?? '');
  if (!found) return undefined;
  const value = Number(found[1]);
  const unit = found[2]!.toLowerCase();
  if (unit === '%') return (value / 100) * whole;
  if (unit === 'em' || unit === 'rem') return value * fontSize;
  if (unit === 'ex') return (value * fontSize) / 2;
  const times = unit === '' ? 1 : PX_PER[unit];
  return times === undefined ? undefined : value * times;
}

/** A length in a unit of the real world, mm; undefined in pixels, per cent or none. */
export function trueMm(said: string | undefined): number | undefined {
  const isTrue = /(?:mm|cm|in|pt|pc|q)\s*$/i.test(said ?? '');
  const px = isTrue ? svgLength(said, 0) : undefined;
  return px !== undefined && px > 0 ? px * MM_PER_PX : undefined;
}

/** A box that is drawn in: where it begins and how large it is, in its own units. */
export interface ViewBox {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** A view box as it is written; undefined for one that is none, or has no size. */
export function viewBoxOf(attribs: Record<string, string>): ViewBox | undefined {
  const [x, y, width, height, ...more] = (attribs.viewBox ?? attribs.viewbox ?? '')
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const isBox =
    more.length === 0 &&
    [x, y, width, height].every((one) => Number.isFinite(one)) &&
    width! > 0 &&
    height! > 0;
  return isBox ? { x: x!, y: y!, width: width!, height: height! } : undefined;
}

/** How a view box is laid into a space: its scale each way, and where its own nought then stands. */
export interface Fit {
  scaleX: number;
  scaleY: number;
  x: number;
  y: number;
}

/** How a view box lies in a space of so much width and height, by `preserveAspectRatio` (SVG 2, 8.2). */
export function fitted(box: ViewBox, width: number, height: number, said = ''): Fit {
  const [across, down] = [width / box.width, height / box.height];
  const words = said.trim().split(/\s+/);
  if (words.includes('none')) return { scaleX: across, scaleY: down, x: -box.x * across, y: -box.y * down };
  const scale = words.includes('slice') ? Math.max(across, down) : Math.min(across, down);
  const [, alongX = 'Mid', alongY = 'Mid'] = /x(Min|Mid|Max)Y(Min|Mid|Max)/.exec(said) ?? [];
  const share: Readonly<Record<string, number>> = { Min: 0, Mid: 0.5, Max: 1 };
  return {
    scaleX: scale,
    scaleY: scale,
    x: (width - box.width * scale) * share[alongX]! - box.x * scale,
    y: (height - box.height * scale) * share[alongY]! - box.y * scale,
  };
}

/** The page of a drawing: how large it is in units of the drawing, what one of those is, and how its own units lie on it. */
export interface Page {
  width: number;
  height: number;
  map: string | undefined;
  /** Undefined where the file does not say. */
  mmPerUnit: number | undefined;
  /** What lengths in per cent are of. */
  viewport: Viewport;
}

/**
 * The page of an SVG. A width in mm, inches or the like says what a unit is; with a box in it that is as large as the box is drawn. A width
 * in pixels says nothing: drawing programs have written 72, 90 and 96 of them to an inch.
 */
export function pageOf(attribs: Record<string, string>): Page {
  const box = viewBoxOf(attribs);
  const [wideMm, highMm] = [trueMm(attribs.width), trueMm(attribs.height)];
  const isPerCent = (said: string | undefined) => said === undefined || said.trim().endsWith('%');
  const plain = (said: string | undefined) => (isPerCent(said) ? 0 : (svgLength(said, 0) ?? 0));
  if (!box) {
    const [width, height] = [plain(attribs.width), plain(attribs.height)];
    return {
      width,
      height,
      map: undefined,
      mmPerUnit: (wideMm ?? highMm) ? MM_PER_PX : undefined,
      viewport: { width, height, fontSize: 16 },
    };
  }
  const viewport = { width: box.width, height: box.height, fontSize: 16 };
  const isTrue = wideMm !== undefined || highMm !== undefined;
  // Where only one way is said the other follows from the box.
  const width = wideMm ?? (isTrue ? (highMm! * box.width) / box.height : plain(attribs.width) || box.width);
  const height =
    highMm ?? (isTrue ? (wideMm! * box.height) / box.width : plain(attribs.height) || box.height);
  const fit = fitted(box, width, height, attribs.preserveAspectRatio);
  // A unit of the drawing is one of the box across; only a drawing that is pulled out of shape has other ones down.
  const per = fit.scaleX;
  const page = {
    width: width / per,
    height: height / per,
    mmPerUnit: isTrue ? per : undefined,
    viewport,
  };
  const map = `translate(${fit.x / per} ${fit.y / per}) scale(1 ${fit.scaleY / per})`;
  return { ...page, map: map === 'translate(0 0) scale(1 1)' ? undefined : map };
}

/**
 * How what is in an inner frame (`svg` or `symbol`) lies in what is round it, as a transform, and what lengths in it are shares of.
 * @param over what whoever copies it says of its size, which goes before its own
 */
export function innerFrame(
  attribs: Record<string, string>,
  around: Viewport,
  over: Record<string, string> = {},
): { transform: string; viewport: Viewport } {
  const length = (key: 'width' | 'height') =>
    svgLength(over[key], around[key], around.fontSize) ??
    svgLength(attribs[key], around[key], around.fontSize) ??
    around[key];
  const [width, height] = [length('width'), length('height')];
  const x = svgLength(attribs.x, around.width, around.fontSize) ?? 0;
  const y = svgLength(attribs.y, around.height, around.fontSize) ?? 0;
  const box = viewBoxOf(attribs);
  if (!box || !(width > 0) || !(height > 0))
    return { transform: `translate(${x} ${y})`, viewport: { ...around, width, height } };
  const fit = fitted(box, width, height, attribs.preserveAspectRatio);
  return {
    transform: `translate(${x + fit.x} ${y + fit.y}) scale(${fit.scaleX} ${fit.scaleY})`,
    viewport: { ...around, width: box.width, height: box.height },
  };
}
