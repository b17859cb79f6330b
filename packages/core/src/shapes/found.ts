import Flatbush from 'flatbush';
import { groupBy } from '../model/groupBy';
import { chained } from './chain';
import { uncrossed } from './clip';
import { regionsOf } from './drawing';
import { nameByLayer, nameByWords } from './labels';
import { lettersAmong } from './letters';
import type { FoundOutline } from './outline';
import {
  boundsOf,
  distanceMm,
  holdsBox,
  isInside,
  lineMm,
  lineUnder,
  ringAreaCm2,
  scaledBy,
  type Bounds,
  type Line,
  type Point,
  type Ring,
} from './rings';
import { closedAlong, goesAcross } from './sharedLines';
import type { SheetPage, Stroke } from './sheet';
import { thinned } from './thinOutlines';

/** What lines of one kind are for. */
export const kindUses = ['cut', 'zone', 'groove', 'leave'] as const;
export type KindUse = (typeof kindUses)[number];

/** What was found on a page. */
export interface Found {
  outlines: FoundOutline[];
  /** Lines that lie in no outline. */
  loose: Line[];
  /** Outlines too small to be anything but letters and marks. */
  tiny: number;
  /** Frames round the whole page. */
  frames: number;
  /** Small outlines in a row that are taken to be letters, and left out. */
  letters: number;
  /** Lines that were drawn as thin outlines, and are taken as lines. */
  thin: number;
  /** Outlines that share a side with a neighbour, which closes them. */
  shared: number;
  /** Lines of the kind that is cut that go right across an outline, from edge to edge. */
  across: number;
  /** What was drawn a second time on the same place. */
  doubles: number;
}

export interface FoundOptions {
  mmPerUnit: number;
  /** By kind; what is not named is cut, and where it lies inside what is cut, drawn on it. */
  uses?: Readonly<Record<string, KindUse>>;
  /** For a body larger or smaller than it was drawn for, %. */
  scalePct?: number;
  /** Ends of lines this near to each other meet, mm. */
  gapMm?: number;
  /** What looks like letters is cut out as holes are. */
  lettersAreHoles?: boolean;
  /** Thin outlines are taken as they are drawn, and not as lines. */
  thinAsDrawn?: boolean;
  /** A line right across an outline parts it in two; without it, it is a groove. */
  acrossParts?: boolean;
}

/** Smaller than this it is a letter or a mark, cm². */
const LEAST_PIECE_CM2 = 1;
const LEAST_HOLE_CM2 = 0.03;
const USUAL_GAP_MM = 0.3;
/** Two outlines that differ by less than this were drawn twice, mm. */
const SAME_MM = 0.4;
/** A box that fills so much of the page each way is its frame. */
const FRAME_SHARE = 0.88;

interface Closed extends Placed {
  ring: Point[];
  kind: string;
  use: KindUse | undefined;
  areaCm2: number;
  crosses: boolean;
}

interface Open extends Placed {
  line: Point[];
  kind: string;
}

/**
 * The outlines of a page at their true size: what is closed, or closes once ends that meet are joined. What lies inside an outline is a
 * hole where it is of the same kind, and a zone drawn on it where it is of another; open lines in it are grooves. What was drawn twice
 * counts once.
 */
export function foundOutlines(page: SheetPage, options: FoundOptions): Found {
  const { mmPerUnit, uses = {}, scalePct = 100, gapMm = USUAL_GAP_MM } = options;
  const map = scaledBy((mmPerUnit * scalePct) / 100);
  const useOf = (kind: string): KindUse | undefined => (Object.hasOwn(uses, kind) ? uses[kind] : undefined);
  const strokes = page.strokes.flatMap((stroke): Stroke[] =>
    useOf(stroke.kind) === 'leave'
      ? []
      : [{ ...stroke, points: withoutRepeats(lineUnder(stroke.points, map), stroke.closed) }],
  );
  const single = withoutDoubles(strokes, gapMm);
  const joined = chained(single, gapMm);
  const pageBox = { width: page.width * map[0], height: page.height * map[0] };
  let [tiny, frames, thin, shared] = [0, 0, 0, 0];
  const closed: Closed[] = [];
  const open: Open[] = [];
  const addClosed = (points: readonly Point[], kind: string) => {
    const { crosses, loops } = uncrossed(points);
    for (const loop of crosses ? loops : [points]) closed.push(closedOf(loop, kind, useOf(kind), crosses));
  };
  const addOpen = (line: readonly Point[], kind: string) =>
    open.push({ line: [...line], kind, bounds: boundsOf([line]), tells: middleOf(line) });
  const rings: Stroke[] = [];
  for (const stroke of joined) {
    if (!stroke.closed) addOpen(stroke.points, stroke.kind);
    else if (isFrame(stroke.points, pageBox)) frames += 1;
    else rings.push(stroke);
  }
  for (const [kind, own] of groupBy(rings, (ring) => ring.kind)) {
    if (options.thinAsDrawn) {
      for (const { points } of own) addClosed(points, kind);
      continue;
    }
    const sorted = own.map(({ points }) => points).sort((a, b) => ringAreaCm2(b) - ringAreaCm2(a));
    const meant = thinned(sorted);
    for (const ring of meant.rings) if (ring) addClosed(ring, kind);
    for (const line of meant.lines.values()) addOpen(line, kind);
    thin += meant.merged + meant.lines.size;
  }
  // What closes with the side of a neighbour is an outline, too.
  for (const [at, { line, kind }] of [...open.entries()].reverse()) {
    const use = useOf(kind);
    if (use !== undefined && use !== 'cut') continue;
    const ring = closed
      .filter((other) => other.kind === kind)
      .map((other) => closedAlong(line, other.ring, gapMm))
      .find((made) => made !== undefined && ringAreaCm2(made) >= LEAST_PIECE_CM2);
    if (!ring) continue;
    open.splice(at, 1);
    closed.push(closedOf(ring, kind, use, false));
    shared += 1;
  }
  closed.sort((a, b) => b.areaCm2 - a.areaCm2);
  const once = withoutTwins(closed);
  const letters = options.lettersAreHoles ? new Set<number>() : lettersAmong(once.map(({ ring }) => ring));
  const outlines: (FoundOutline & { bounds: Bounds })[] = [];
  /** How deep each cut outline lies in others that are cut, and what each hole is in. */
  const depths = new Map<number, { closed: Closed; depth: number; owner: number }>();
  const index = indexOf(once);
  /** The smallest cut outline that something lies in, of those larger than it. */
  const around = (one: Placed, before: number) => {
    const [x, y] = one.tells;
    const near = index?.search(x, y, x, y, (at) => at < before && depths.has(at)) ?? [];
    const inner = Math.max(-1, ...near.filter((at) => lies(one, once[at]!)));
    return depths.get(inner);
  };
  let lettersLeft = 0;
  once.forEach((one, at) => {
    const nearest = around(one, at);
    // Letters that stand alone may be what is cut; on a part they are written.
    if (letters.has(at) && (nearest || one.areaCm2 < LEAST_PIECE_CM2)) {
      lettersLeft += 1;
      return;
    }
    if (one.use === 'groove') {
      if (nearest) outlines[nearest.owner]!.grooves.push([...one.ring, one.ring[0]!]);
      return;
    }
    const drawnOn = nearest !== undefined && one.use === undefined && nearest.closed.kind !== one.kind;
    if (one.use === 'zone' || drawnOn) {
      if (nearest && one.areaCm2 >= LEAST_HOLE_CM2)
        outlines[nearest.owner]!.zones.push({ kind: one.kind, ring: one.ring, name: undefined });
      return;
    }
    const depth = nearest ? nearest.depth + 1 : 0;
    if (nearest && depth % 2 === 1) {
      if (one.areaCm2 < LEAST_HOLE_CM2) return;
      outlines[nearest.owner]!.holes.push(one.ring);
      depths.set(at, { closed: one, depth, owner: nearest.owner });
      return;
    }
    if (one.areaCm2 < LEAST_PIECE_CM2) {
      tiny += 1;
      return;
    }
    depths.set(at, { closed: one, depth, owner: outlines.length });
    outlines.push({
      outer: one.ring,
      holes: [],
      grooves: [],
      zones: [],
      kind: one.kind,
      name: undefined,
      count: 1,
      pairs: false,
      crosses: one.crosses,
      bounds: one.bounds,
    });
  });
  const loose: Line[] = [];
  const acrossOf = new Map<FoundOutline, Line[]>();
  for (const one of open) {
    const nearest = around(one, once.length);
    if (!nearest || nearest.depth % 2 !== 0) {
      loose.push(one.line);
      continue;
    }
    const outline = outlines[nearest.owner]!;
    outline.grooves.push(one.line);
    if (
      one.kind === outline.kind &&
      useOf(one.kind) !== 'groove' &&
      goesAcross(one.line, outline.outer, gapMm)
    )
      acrossOf.set(outline, [...(acrossOf.get(outline) ?? []), one.line]);
  }
  const across = [...acrossOf.values()].reduce((sum, lines) => sum + lines.length, 0);
  const parted = options.acrossParts
    ? outlines.flatMap((outline) => partedBy(outline, acrossOf.get(outline) ?? []))
    : outlines;
  const texts = page.texts.map(({ x, y, text }) => ({ at: lineUnder([[x, y]], map)[0]!, text: text.trim() }));
  nameByWords(parted, texts);
  nameByLayer(parted);
  return {
    outlines: parted.map(({ bounds: _bounds, ...outline }) => outline),
    loose,
    tiny,
    frames,
    letters: lettersLeft,
    thin,
    shared,
    across,
    doubles: strokes.length - single.length + closed.length - once.length,
  };
}

/** An outline cut along lines that go right across it, with what is drawn on it by the part that it lies in. */
function partedBy<T extends FoundOutline & { bounds: Bounds }>(outline: T, lines: readonly Line[]): T[] {
  if (lines.length === 0) return [outline];
  const plain = (line: Line) => line.map(([x, y]): [number, number] => [x, y]);
  const parts = regionsOf({ outer: plain(outline.outer), grooves: lines.map(plain) });
  if (parts.length < 2) return [outline];
  const isIn = (points: Ring, part: Ring) => isInside(placeInside(points, boundsOf([points])), part);
  return parts.map((outer) => ({
    ...outline,
    outer,
    bounds: boundsOf([outer]),
    holes: outline.holes.filter((hole) => isIn(hole, outer)),
    zones: outline.zones.filter(({ ring }) => isIn(ring, outer)),
    grooves: outline.grooves.filter((line) => !lines.includes(line) && isInside(middleOf(line), outer)),
  }));
}

const closedOf = (
  ring: readonly Point[],
  kind: string,
  use: KindUse | undefined,
  crosses: boolean,
): Closed => {
  const bounds = boundsOf([ring]);
  return {
    ring: [...ring],
    kind,
    use,
    bounds,
    areaCm2: ringAreaCm2(ring),
    crosses,
    tells: placeInside(ring, bounds),
  };
};

/** Whether a line lies inside a closed outline: its box does, and a place that tells it. */
const lies = ({ bounds, tells }: Placed, { ring, bounds: around }: Closed): boolean =>
  holdsBox(grownBox(around), bounds) && isInside(tells, ring);

/** What lies somewhere: its box, and a place of its own that does not stand on the outline round it, as its ends may. */
interface Placed {
  bounds: Bounds;
  tells: Point;
}

/** A place inside a ring: the middle of the widest stretch of it across its middle. */
function placeInside(ring: Ring, { top, bottom }: Bounds): Point {
  // Not quite the middle, where corners like to stand.
  const y = top + (bottom - top) * 0.4987;
  const across: number[] = [];
  for (let at = 0; at < ring.length; at += 1) {
    const [ax, ay] = ring[at]!;
    const [bx, by] = ring[(at + 1) % ring.length]!;
    if (ay > y !== by > y) across.push(ax + ((bx - ax) * (y - ay)) / (by - ay));
  }
  across.sort((a, b) => a - b);
  let [best, widest] = [ring[0]![0], -1];
  for (let at = 0; at + 1 < across.length; at += 2) {
    const wide = across[at + 1]! - across[at]!;
    if (wide > widest) [best, widest] = [(across[at]! + across[at + 1]!) / 2, wide];
  }
  return [best, y];
}

/** The middle of an open line, halfway along it. */
function middleOf(line: Line): Point {
  let left = lineMm(line) / 2;
  for (let at = 1; at < line.length; at += 1) {
    const [from, to] = [line[at - 1]!, line[at]!];
    const long = distanceMm(from, to);
    if (long >= left && long > 0) {
      const share = left / long;
      return [from[0] + (to[0] - from[0]) * share, from[1] + (to[1] - from[1]) * share];
    }
    left -= long;
  }
  return line[0]!;
}
const grownBox = ({ left, top, right, bottom }: Bounds): Bounds => ({
  left: left - SAME_MM,
  top: top - SAME_MM,
  right: right + SAME_MM,
  bottom: bottom + SAME_MM,
});

/** A line without points that stand on the one before; a ring also without its last where that is its first. */
function withoutRepeats(points: readonly Point[], isClosed: boolean): Point[] {
  const kept = points.filter((point, at) => at === 0 || distanceMm(point, points[at - 1]!) > 1e-6);
  if (isClosed && kept.length > 1 && distanceMm(kept[0]!, kept[kept.length - 1]!) < 1e-6) kept.pop();
  return kept;
}

/** Open lines without those that were drawn a second time, either way round: they would be joined to each other at their ends. */
function withoutDoubles(strokes: readonly Stroke[], gapMm: number): Stroke[] {
  const grid = Math.max(gapMm, 1e-6);
  const seen = new Set<string>();
  return strokes.filter(({ points, closed, kind }) => {
    if (closed || points.length < 2) return true;
    const ends = [points[0]!, points[points.length - 1]!]
      .map(([x, y]) => `${Math.round(x / grid)},${Math.round(y / grid)}`)
      .sort();
    const key = [kind, ...ends, Math.round(lineMm(points) / grid)].join(' ');
    if (seen.has(key)) return false;
    seen.add(key);
    return true;
  });
}

function isFrame(ring: Ring, page: { width: number; height: number }): boolean {
  if (page.width <= 0 || page.height <= 0) return false;
  const { left, top, right, bottom } = boundsOf([ring]);
  const fills = right - left >= page.width * FRAME_SHARE && bottom - top >= page.height * FRAME_SHARE;
  return fills && ringAreaCm2(ring) * 100 >= (right - left) * (bottom - top) * 0.99;
}

/** Outlines without those drawn a second time on the same place: filled and stroked, or on two pages that overlap. */
function withoutTwins(sorted: readonly Closed[]): Closed[] {
  const index = indexOf(sorted);
  return sorted.filter(({ bounds }, at) => {
    const { left, top, right, bottom } = bounds;
    const twins = index?.search(left, top, right, bottom, (other) => {
      const one = sorted[other]!.bounds;
      return (
        other < at &&
        Math.abs(one.left - left) < SAME_MM &&
        Math.abs(one.top - top) < SAME_MM &&
        Math.abs(one.right - right) < SAME_MM &&
        Math.abs(one.bottom - bottom) < SAME_MM &&
        sorted[other]!.areaCm2 <= sorted[at]!.areaCm2 * 1.01 + 0.05
      );
    });
    return !twins?.length;
  });
}

/** An index of boxes; none of no boxes. */
function indexOf(list: readonly Placed[]): Flatbush | undefined {
  if (list.length === 0) return undefined;
  const index = new Flatbush(list.length);
  for (const { bounds } of list) index.add(bounds.left, bounds.top, bounds.right, bounds.bottom);
  index.finish();
  return index;
}
