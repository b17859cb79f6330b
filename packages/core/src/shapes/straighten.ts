import perspective from 'perspective-transform';
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
  const map = perspective(corners.flat(), [0, 0, widthMm, 0, widthMm, heightMm, 0, heightMm]);
  return ([x, y]) => map.transform(x, y);
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
