import { distanceMm, isInside, type Point } from './rings';

/** From places on a photo, pixels, to places on the work, mm. */
export type ToWork = (place: Point) => Point;

/** Two points on a photo that are so far apart on the work. Without a second direction the photo counts as taken from straight above. */
export interface Ruler {
  from: Point;
  to: Point;
  mm: number;
}

/** Four corners of something square on a photo, in order round it, and how large it is. */
export interface Mat {
  corners: readonly [Point, Point, Point, Point];
  widthMm: number;
  heightMm: number;
}

/** Scale from a ruler; undefined where its points are one, or its length is nothing. */
export function byRuler({ from, to, mm }: Ruler): ToWork | undefined {
  const pixels = distanceMm(from, to);
  if (!(pixels > 0) || !(mm > 0)) return undefined;
  const scale = mm / pixels;
  return ([x, y]) => [x * scale, y * scale];
}

/**
 * Straightened by a mat: its corners become those of its rectangle, and what lies in the same plane true to size. Undefined where the four are no
 * quadrilateral that bulges outwards everywhere.
 */
export function byMat({ corners, widthMm, heightMm }: Mat): ToWork | undefined {
  if (!(widthMm > 0) || !(heightMm > 0) || !isConvex(corners)) return undefined;
  const seen = squareTo(corners);
  const back = adjugate(seen);
  return ([x, y]) => {
    const [u, v, w] = [0, 1, 2].map(
      (row) => back[row * 3]! * x + back[row * 3 + 1]! * y + back[row * 3 + 2]!,
    ) as [number, number, number];
    return [(u / w) * widthMm, (v / w) * heightMm];
  };
}

/** A map of the plane that keeps lines straight: three by three numbers, row by row. */
type Projective = readonly number[];

/** The map from a square of 1 by 1 to four corners in order (Heckbert 1989, "Fundamentals of Texture Mapping", section 2.2.3). */
function squareTo([[x0, y0], [x1, y1], [x2, y2], [x3, y3]]: Mat['corners']): Projective {
  const [sumX, sumY] = [x0 - x1 + x2 - x3, y0 - y1 + y2 - y3];
  const [dx1, dy1, dx2, dy2] = [x1 - x2, y1 - y2, x3 - x2, y3 - y2];
  const below = dx1 * dy2 - dx2 * dy1;
  const g = (sumX * dy2 - dx2 * sumY) / below;
  const h = (dx1 * sumY - sumX * dy1) / below;
  return [x1 - x0 + g * x1, x3 - x0 + h * x3, x0, y1 - y0 + g * y1, y3 - y0 + h * y3, y0, g, h, 1];
}

/** The way back of such a map, but for a factor, which does not matter to it. */
function adjugate([a, b, c, d, e, f, g, h, i]: Projective): Projective {
  const [A, B, C] = [a!, b!, c!];
  const [D, E, F] = [d!, e!, f!];
  const [G, H, I] = [g!, h!, i!];
  return [
    E * I - F * H,
    C * H - B * I,
    B * F - C * E,
    F * G - D * I,
    A * I - C * G,
    C * D - A * F,
    D * H - E * G,
    B * G - A * H,
    A * E - B * D,
  ];
}

/** Whether four corners in order make a quadrilateral without a dent or a crossing. */
export function isConvex(corners: Mat['corners']): boolean {
  const turns = corners.map(([x, y], at) => {
    const [bx, by] = corners[(at + 1) % 4]!;
    const [cx, cy] = corners[(at + 2) % 4]!;
    return (bx - x) * (cy - by) - (by - y) * (cx - bx);
  });
  return turns.every((turn) => turn > 0) || turns.every((turn) => turn < 0);
}

/** Corners in order round their middle, the one nearest to the top left first: however they were pressed. */
export function inOrder(corners: Mat['corners']): Mat['corners'] {
  const [mx, my] = [0, 1].map((axis) => corners.reduce((sum, corner) => sum + corner[axis]!, 0) / 4) as [
    number,
    number,
  ];
  const round = [...corners].sort(
    (a, b) => Math.atan2(a[1] - my, a[0] - mx) - Math.atan2(b[1] - my, b[0] - mx),
  );
  const first = round.reduce((best, [x, y], at) => {
    const [bx, by] = round[best]!;
    return x + y < bx + by ? at : best;
  }, 0);
  return [0, 1, 2, 3].map((n) => round[(first + n) % 4]!) as unknown as Mat['corners'];
}

/** Whether a place lies on the mat. */
export const isOnMat = (place: Point, { corners }: Mat): boolean => isInside(place, corners);

/** How many times as large a face is as what is drawn of it from above (docs/domain.md, "From drawings to areas"). */
export const bulges = [
  { id: 'flat', word: 'flat', times: 1 },
  { id: 'dome', word: 'domed', times: 1.3 },
  { id: 'half-tube', word: 'a half tube', times: 1.57 },
] as const;
