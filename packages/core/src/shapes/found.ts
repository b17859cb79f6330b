import Flatbush from 'flatbush';
import { chained } from './chain';
import { uncrossed } from './clip';
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
import type { SheetPage, Stroke } from './sheet';

/** What lines of one kind are for. */
export const kindUses = ['cut', 'zone', 'groove', 'leave'] as const;
export type KindUse = (typeof kindUses)[number];

/** An area drawn inside a piece, which is painted in its own way. */
export interface FoundZone {
  kind: string;
  ring: Point[];
  name: string | undefined;
}

/** One closed outline of a template, in mm, with what is drawn inside it. */
export interface FoundOutline {
  outer: Point[];
  holes: Point[][];
  grooves: Point[][];
  zones: FoundZone[];
  kind: string;
  /** Words that stand inside it, or nearest to it. */
  name: string | undefined;
  /** How many the words say are cut, and whether half of them are turned over. */
  count: number;
  pairs: boolean;
  /** It crosses itself; each of its loops is an outline of its own. */
  crosses: boolean;
}

/** What was found on a page. */
export interface Found {
  outlines: FoundOutline[];
  /** Lines that lie in no outline. */
  loose: Line[];
  /** Outlines too small to be anything but letters and marks. */
  tiny: number;
  /** Frames round the whole page. */
  frames: number;
}

export interface FoundOptions {
  mmPerUnit: number;
  /** By kind; what is not named is cut, and where it lies inside what is cut, drawn on it. */
  uses?: Readonly<Record<string, KindUse>>;
  /** For a body larger or smaller than it was drawn for, %. */
  scalePct?: number;
  /** Ends of lines this near to each other meet, mm. */
  gapMm?: number;
}

/** Smaller than this it is a letter or a mark, cm². */
const LEAST_PIECE_CM2 = 1;
const LEAST_HOLE_CM2 = 0.03;
const USUAL_GAP_MM = 0.3;
/** Two outlines that differ by less than this were drawn twice, mm. */
const SAME_MM = 0.4;
/** A box that fills so much of the page each way is its frame. */
const FRAME_SHARE = 0.88;
/** Words further from an outline than this are not about it, mm. */
const NEAR_MM = 25;

interface Closed extends Placed {
  ring: Point[];
  kind: string;
  use: KindUse | undefined;
  areaCm2: number;
  crosses: boolean;
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
  const joined = chained(withoutDoubles(strokes, gapMm), gapMm);
  const pageBox = { width: page.width * map[0], height: page.height * map[0] };
  let [tiny, frames] = [0, 0];
  const closed: Closed[] = [];
  const open: (Placed & { line: Point[] })[] = [];
  for (const { points, kind, closed: isClosed } of joined) {
    const use = useOf(kind);
    if (!isClosed) {
      open.push({ line: [...points], bounds: boundsOf([points]), tells: middleOf(points) });
      continue;
    }
    if (isFrame(points, pageBox)) {
      frames += 1;
      continue;
    }
    const { crosses, loops } = uncrossed(points);
    for (const loop of crosses ? loops : [points]) {
      const bounds = boundsOf([loop]);
      const areaCm2 = ringAreaCm2(loop);
      closed.push({ ring: [...loop], kind, use, bounds, areaCm2, crosses, tells: placeInside(loop, bounds) });
    }
  }
  closed.sort((a, b) => b.areaCm2 - a.areaCm2);
  const once = withoutTwins(closed);
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
  once.forEach((one, at) => {
    const nearest = around(one, at);
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
  for (const one of open) {
    const nearest = around(one, once.length);
    if (nearest && nearest.depth % 2 === 0) outlines[nearest.owner]!.grooves.push(one.line);
    else loose.push(one.line);
  }
  const texts = page.texts.map(({ x, y, text }) => ({ at: lineUnder([[x, y]], map)[0]!, text: text.trim() }));
  name(outlines, texts);
  nameByLayer(outlines);
  return { outlines: outlines.map(({ bounds: _bounds, ...outline }) => outline), loose, tiny, frames };
}

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

/** Gives every outline the words inside it, or else the nearest that no other took; zones the words inside them. */
function name(
  outlines: (FoundOutline & { bounds: Bounds })[],
  texts: readonly { at: Point; text: string }[],
): void {
  const taken = new Set<number>();
  const give = (outline: FoundOutline, said: readonly number[]) => {
    const words = said.map((at) => texts[at]!.text);
    const read = words.map(readLabel);
    outline.name = read.map((one) => one.name).find((one) => one !== '');
    outline.count = read.find((one) => one.count !== undefined)?.count ?? 1;
    outline.pairs = read.some((one) => one.pairs);
    said.forEach((at) => taken.add(at));
  };
  // The smallest first: words in a part that lies in another's hole are its own.
  const bySize = [...outlines].sort((a, b) => ringAreaCm2(a.outer) - ringAreaCm2(b.outer));
  for (const outline of bySize) {
    const inside = texts.flatMap(({ at: place, text }, at) =>
      text !== '' && !taken.has(at) && isInside(place, outline.outer) ? [at] : [],
    );
    const inZones = new Set<number>();
    for (const zone of [...outline.zones].reverse()) {
      const own = inside.find((at) => !inZones.has(at) && isInside(texts[at]!.at, zone.ring));
      if (own === undefined) continue;
      zone.name = texts[own]!.text;
      inZones.add(own);
      taken.add(own);
    }
    give(
      outline,
      inside.filter((at) => !inZones.has(at)),
    );
  }
  // The nearest two go together first.
  const near = outlines
    .filter(({ name: own }) => own === undefined)
    .flatMap((outline) =>
      texts.flatMap(({ at: place, text }, at) => {
        const apart = apartFrom(place, outline.bounds);
        return text === '' || taken.has(at) || apart > NEAR_MM ? [] : [{ outline, at, apart }];
      }),
    )
    .sort((a, b) => a.apart - b.apart);
  for (const { outline, at } of near) if (outline.name === undefined && !taken.has(at)) give(outline, [at]);
}

/** An outline without words that lies alone on a layer is called by that. */
function nameByLayer(outlines: FoundOutline[]): void {
  for (const outline of outlines) {
    const { kind } = outline;
    const isAlone = outlines.every((other) => other === outline || other.kind !== kind);
    if (
      outline.name === undefined &&
      isAlone &&
      outlines.length > 1 &&
      !kind.startsWith('#') &&
      kind !== 'lines'
    )
      outline.name = kind.slice(0, 1).toUpperCase() + kind.slice(1);
  }
}

/** How far a place is from a box, mm. */
const apartFrom = ([x, y]: Point, { left, top, right, bottom }: Bounds): number =>
  Math.hypot(Math.max(left - x, 0, x - right), Math.max(top - y, 0, y - bottom));

const MOST_OF_A_KIND = 200;

/**
 * What the words at an outline say: its name, how many are cut, and whether half of those are turned over.
 * @example readLabel('Greave ×2 mirrored') // { name: 'Greave', count: 2, pairs: true }
 */
export function readLabel(text: string): { name: string; count: number | undefined; pairs: boolean } {
  const said = /(?:\bcut\s+|\b[x]\s*|×\s*)(\d{1,3})\b|\b(\d{1,3})\s*(?:[x]\b|×)/i.exec(text);
  const pairs = /\bmirror(?:ed|s)?\b|\bpair\b|\bL\s*[+/&]\s*R\b/i;
  const count = said ? Number(said[1] ?? said[2]) : undefined;
  const isPair = pairs.test(text);
  const name = text
    .replace(said?.[0] ?? '', ' ')
    .replace(pairs, ' ')
    .replace(/\s+/g, ' ')
    .replace(/^[\s,;:·–-]+|[\s,;:·–-]+$/g, '');
  return {
    name: name.slice(0, 120),
    count: count === undefined ? (isPair ? 2 : undefined) : Math.min(MOST_OF_A_KIND, Math.max(1, count)),
    pairs: isPair,
  };
}
