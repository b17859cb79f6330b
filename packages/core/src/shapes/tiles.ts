import type { PageLayout } from './pages';
import { boundsOf } from './rings';
import type { SheetPage } from './sheet';

/** How the pages of a template may lie beside each other, and how well their lines meet there. */
export interface Tiling extends PageLayout {
  /** Lines that run over an edge between two pages, and those of them that go on on the next. */
  crossing: number;
  meeting: number;
}

/** Pages overlap by no more than this share of their width. */
const MOST_OVERLAP_SHARE = 0.3;
/** Overlaps are tried in steps of this share of the width, and the best made finer. */
const STEP_SHARE = 1 / 420;
const FINER = 10;
/** Lines are looked at this far from where two pages meet, as a share of the width: what ends there still reaches it. */
const BESIDE_SHARE = 0.0018;
/** Two ends are one line where they are no further apart than this share of the width. */
const MEETS_SHARE = 0.006;
/** Another overlap is better only where ends lie nearer to each other by this share of the width: straight lines meet at any. */
const NEARER_SHARE = 0.00025;
/** So many of the lines that run over an edge go on on the next page, or the pages were never one drawing; */
const LEAST_MEETING = 0.8;
/** and so many of them there are at least. */
const LEAST_LINES = 2;
const MOST_COLUMNS = 20;

/** A line that runs nearly along an edge is not followed further than at this slope. */
const STEEPEST = 3;

/** Where lines that cross an upright or a level line would meet one so far from it, as far along that. */
function crossings({ strokes }: SheetPage, axis: 0 | 1, at: number, ahead: number): number[] {
  const other = axis === 0 ? 1 : 0;
  const found: number[] = [];
  for (const { points, closed } of strokes)
    for (let n = closed ? 0 : 1; n < points.length; n += 1) {
      const from = points[n === 0 ? points.length - 1 : n - 1]!;
      const to = points[n]!;
      const [a, b] = [from[axis], to[axis]];
      if (a > at === b > at) continue;
      const slope = (to[other] - from[other]) / (b - a);
      const steep = Math.max(-STEEPEST, Math.min(STEEPEST, slope));
      found.push(from[other] + slope * (at - a) + steep * ahead);
    }
  return found.sort((one, two) => one - two);
}

/** How many of two lists of places are within so much of each other, each used once, and how far apart those are in all. */
function matched(
  one: readonly number[],
  other: readonly number[],
  within: number,
): { count: number; apart: number } {
  let [at, count, apart] = [0, 0, 0];
  for (const place of one) {
    while (at < other.length && other[at]! < place - within) at += 1;
    if (at < other.length && Math.abs(other[at]! - place) <= within) {
      count += 1;
      apart += Math.abs(other[at]! - place);
      at += 1;
    }
  }
  return { count, apart };
}

/** Where lines cross near the edges of pages, each worked out once. */
class Edges {
  private readonly known = new Map<string, number[]>();
  constructor(private readonly pages: readonly SheetPage[]) {}
  at(page: number, axis: 0 | 1, place: number, ahead: number): number[] {
    const key = `${page} ${axis} ${place} ${ahead}`;
    const found = this.known.get(key) ?? crossings(this.pages[page]!, axis, place, ahead);
    this.known.set(key, found);
    return found;
  }
}

/** How well the lines of pages meet when they lie so beside each other. */
export function meetingOf(pages: readonly SheetPage[], layout: PageLayout): Tiling & { apart: number } {
  return measured(pages, layout, new Edges(pages));
}

function measured(
  pages: readonly SheetPage[],
  { columns, overlap }: PageLayout,
  edges: Edges,
): Tiling & { apart: number } {
  const [first] = pages;
  const size = [first?.width ?? 0, first?.height ?? 0] as const;
  const [beside, within] = [size[0] * BESIDE_SHARE, size[0] * MEETS_SHARE];
  let [crossing, meeting, apart] = [0, 0, 0];
  pages.forEach((_, at) => {
    for (const [axis, next] of [
      [0, (at + 1) % columns === 0 ? undefined : at + 1],
      [1, at + columns],
    ] as const) {
      if (next === undefined || next >= pages.length) continue;
      const out = edges.at(at, axis, size[axis] - overlap / 2 - beside, beside);
      const on = edges.at(next, axis, overlap / 2 + beside, -beside);
      const both = matched(out, on, within);
      crossing += Math.max(out.length, on.length);
      meeting += both.count;
      apart += both.apart;
    }
  });
  return { columns, overlap, crossing, meeting, apart };
}

/** Whether the lines of pages that lie so go on from one to the next. */
export const isMeeting = ({ crossing, meeting }: Pick<Tiling, 'crossing' | 'meeting'>): boolean =>
  meeting >= LEAST_LINES && meeting >= LEAST_MEETING * crossing;

/**
 * How the pages of a cut-up drawing lie beside each other, told from where their lines run over the edge: how many in a row, and by how much they
 * overlap. Undefined where no way makes them meet: they are pages of their own.
 */
export function guessedTiling(pages: readonly SheetPage[]): Tiling | undefined {
  const [first] = pages;
  if (pages.length < 2 || !first || first.width <= 0 || first.height <= 0) return undefined;
  if (
    pages.some(
      ({ width, height }) => Math.abs(width - first.width) > 1 || Math.abs(height - first.height) > 1,
    )
  )
    return undefined;
  const edges = new Edges(pages);
  const step = first.width * STEP_SHARE;
  const nearer = first.width * NEARER_SHARE;
  let best: (Tiling & { apart: number }) | undefined;
  const offer = (columns: number, overlap: number) => {
    const own = measured(pages, { columns, overlap }, edges);
    if (isMeeting(own) && (!best || isBetter(own, best, nearer))) best = own;
  };
  for (let columns = 1; columns <= Math.min(MOST_COLUMNS, pages.length); columns += 1) {
    // Where lines end at a margin, their ends say to a hair by how much; where they run to the edge of the paper that is nought.
    offer(columns, marginsBetween(pages, columns));
    for (let overlap = 0; overlap <= first.width * MOST_OVERLAP_SHARE; overlap += step)
      offer(columns, overlap);
  }
  const rough = best;
  if (!rough) return undefined;
  for (let n = -FINER; n <= FINER; n += 1) {
    const overlap = rough.overlap + (n * step) / FINER;
    if (overlap >= 0) offer(rough.columns, overlap);
  }
  const { columns, overlap, crossing, meeting } = best!;
  return { columns, overlap, crossing, meeting };
}

/** More lines that meet are better, then fewer that don't, then ends that lie nearer to each other. */
function isBetter(
  one: Tiling & { apart: number },
  other: Tiling & { apart: number },
  nearer: number,
): boolean {
  const lost = (of: Tiling) => of.crossing - of.meeting;
  const worth = (of: Tiling) => of.meeting - 2 * lost(of);
  if (worth(one) !== worth(other)) return worth(one) > worth(other);
  return one.apart / one.meeting < other.apart / other.meeting - nearer;
}

/** What is left white between the lines of two pages beside each other: a margin on either side. */
function marginsBetween(pages: readonly SheetPage[], columns: number): number {
  let [right, left] = [-Infinity, Infinity];
  pages.forEach((page, at) => {
    if (pages[at + 1] && (at + 1) % columns !== 0) right = Math.max(right, boundsOf(linesOf(page)).right);
    if (at % columns !== 0) left = Math.min(left, boundsOf(linesOf(page)).left);
  });
  const [{ width = 0, height = 0 } = {}] = pages;
  if (columns > 1) return right > left ? Math.max(0, width - right + left) : 0;
  const bottom = Math.max(...pages.slice(0, -1).map((page) => boundsOf(linesOf(page)).bottom));
  const top = Math.min(...pages.slice(1).map((page) => boundsOf(linesOf(page)).top));
  return Math.max(0, height - bottom + top);
}
const linesOf = ({ strokes }: SheetPage) => strokes.map(({ points }) => points);
