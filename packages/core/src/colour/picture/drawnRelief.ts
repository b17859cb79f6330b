import type { PieceDrawing } from '../../model/drawingSchema';
import type { Area } from '../../shapes/clip';
import { partArea, zonePlaces } from '../../shapes/drawing';
import { boundsOf, type Line, type Ring } from '../../shapes/rings';
import { standsOut, type Relief } from './relief';

/** What lies outside of the outline. */
export const OUTSIDE = 255;
/** Room round the outline, of the side of the square. */
const MARGIN = 0.04;
/** How wide the rounded edge is, and how far it falls; how wide and deep a groove is, in sides of the square. */
const EDGE = 0.016;
const EDGE_DROP = 0.02;
const GROOVE = 0.009;
const GROOVE_DROP = 0.014;

/**
 * The relief of a piece as it is drawn: its outline with rounded edges, and its grooves cut in; zones lie where they were drawn.
 * @param zoneIds its zones in order; none for a piece of one finish
 * @param size pixels along a side, at least 16
 */
export function reliefOfDrawing(drawing: PieceDrawing, zoneIds: readonly string[], size: number): Relief {
  const { left, top, right, bottom } = boundsOf(drawing.parts.map(({ outer }) => outer));
  const span = Math.max(right - left, bottom - top) / (1 - 2 * MARGIN);
  const [middleX, middleY] = [(left + right) / 2, (top + bottom) / 2];
  const scale = size / span;
  const onto = (line: Line): Ring =>
    line.map(([x, y]) => [(x - middleX) * scale + size / 2, (y - middleY) * scale + size / 2]);
  const zoneOf = new Uint8Array(size * size).fill(OUTSIDE);
  const areas: { zone: number; area: Area }[] =
    zoneIds.length > 0
      ? zonePlaces(drawing, zoneIds).map(({ zone, area }) => ({ zone: zoneIds.indexOf(zone), area }))
      : drawing.parts.map((part) => ({ zone: 0, area: partArea(part) }));
  for (const { zone, area } of areas) fill(zoneOf, size, area.map(onto), zone);
  const toEdge = distances(size, (at) => zoneOf[at] === OUTSIDE);
  const grooved = new Uint8Array(size * size);
  for (const { grooves = [] } of drawing.parts)
    for (const groove of grooves) trace(grooved, size, onto(groove));
  const toGroove = distances(size, (at) => grooved[at] === 1);
  const height = new Float32Array(size * size);
  const rim = new Float32Array(size * size);
  for (let at = 0; at < height.length; at += 1) {
    const edge = toEdge[at]! / size;
    height[at] = -EDGE_DROP * fall(edge / EDGE) - GROOVE_DROP * fall(toGroove[at]! / size / GROOVE);
    rim[at] = zoneOf[at] === OUTSIDE ? 1 : 1 - Math.min(1, edge / 0.5);
  }
  return { kind: 'drawing', size, height, rim, zoneOf, ...standsOut(height, size) };
}

/** From 1 at nought down to 0 from 1 on. */
const fall = (share: number): number => {
  const left = Math.max(0, 1 - share);
  return left * left * (3 - 2 * left);
};

/** Fills rings, holes left out by the even-odd rule, row by row. */
function fill(map: Uint8Array, size: number, rings: readonly Ring[], value: number): void {
  for (let row = 0; row < size; row += 1) {
    const y = row + 0.5;
    const across: number[] = [];
    for (const ring of rings)
      for (let at = 0; at < ring.length; at += 1) {
        const [ax, ay] = ring[at]!;
        const [bx, by] = ring[(at + 1) % ring.length]!;
        if (ay > y !== by > y) across.push(ax + ((bx - ax) * (y - ay)) / (by - ay));
      }
    across.sort((a, b) => a - b);
    for (let at = 0; at + 1 < across.length; at += 2) {
      const from = Math.max(0, Math.ceil(across[at]! - 0.5));
      const to = Math.min(size, Math.ceil(across[at + 1]! - 0.5));
      for (let x = from; x < to; x += 1) map[row * size + x] = value;
    }
  }
}

/** Marks the pixels that a line goes through. */
function trace(map: Uint8Array, size: number, line: Line): void {
  for (let at = 1; at < line.length; at += 1) {
    const [ax, ay] = line[at - 1]!;
    const [bx, by] = line[at]!;
    const steps = Math.min(4 * size, Math.max(1, Math.ceil(Math.hypot(bx - ax, by - ay) * 1.5)));
    for (let n = 0; n <= steps; n += 1) {
      const x = Math.floor(ax + ((bx - ax) * n) / steps);
      const y = Math.floor(ay + ((by - ay) * n) / steps);
      if (x >= 0 && y >= 0 && x < size && y < size) map[y * size + x] = 1;
    }
  }
}

/** How far every pixel is from the nearest that is meant, in pixels, within a few per cent: two passes with steps of 1 and √2. */
function distances(size: number, isMeant: (at: number) => boolean): Float32Array {
  const far = new Float32Array(size * size);
  for (let at = 0; at < far.length; at += 1) far[at] = isMeant(at) ? 0 : size * 2;
  const nearer = (at: number, other: number, step: number) => {
    if (far[other]! + step < far[at]!) far[at] = far[other]! + step;
  };
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const at = y * size + x;
      if (x > 0) nearer(at, at - 1, 1);
      if (y > 0) nearer(at, at - size, 1);
      if (x > 0 && y > 0) nearer(at, at - size - 1, Math.SQRT2);
      if (x < size - 1 && y > 0) nearer(at, at - size + 1, Math.SQRT2);
    }
  for (let y = size - 1; y >= 0; y -= 1)
    for (let x = size - 1; x >= 0; x -= 1) {
      const at = y * size + x;
      if (x < size - 1) nearer(at, at + 1, 1);
      if (y < size - 1) nearer(at, at + size, 1);
      if (x < size - 1 && y < size - 1) nearer(at, at + size + 1, Math.SQRT2);
      if (x > 0 && y < size - 1) nearer(at, at + size - 1, Math.SQRT2);
    }
  return far;
}
