import Flatbush from 'flatbush';
import { boundsOf, ringAreaCm2, ringMm, type Bounds, type Ring } from './rings';

/** Letters on a template are no higher than this, mm, */
const HIGHEST_MM = 45;
/** and stand no further apart than this share of their height, */
const APART_SHARE = 0.9;
/** on one line but for this share of it, */
const LINE_SHARE = 0.3;
/** none of them so many times as high as another. */
const HEIGHTS = 2.4;
/** So many in a row are writing. */
const LEAST_LETTERS = 3;
/** Shapes whose size differs by less than this share are one shape: a row of those are holes for laces or rivets. */
const SAME_SHARE = 0.03;
/** A circle has 1, a square 0.79: what is rounder than this (4π·area / length²) is as likely a hole. */
const ROUND = 0.7;
/** So many of a row have to be less round than that. */
const LEAST_ODD_SHARE = 0.34;

interface Small {
  at: number;
  bounds: Bounds;
  highMm: number;
  cm2: number;
  round: number;
}

/**
 * Which of some closed outlines are letters: small ones in a row, on one line, that are not all alike and not all round. Words that run across
 * and words that run down are found, those at a slant are not.
 * @returns their places in the list, with what lies inside them
 */
export function lettersAmong(rings: readonly Ring[]): Set<number> {
  const small = rings.flatMap((ring, at): Small[] => {
    const bounds = boundsOf([ring]);
    const [wide, high] = [bounds.right - bounds.left, bounds.bottom - bounds.top];
    if (Math.max(wide, high) > HIGHEST_MM || Math.min(wide, high) <= 0) return [];
    const cm2 = ringAreaCm2(ring);
    return [{ at, bounds, highMm: high, cm2, round: (4 * Math.PI * cm2 * 100) / ringMm(ring) ** 2 }];
  });
  const isIn = (one: Small, other: Small) =>
    other !== one &&
    one.cm2 < other.cm2 &&
    one.bounds.left >= other.bounds.left &&
    one.bounds.right <= other.bounds.right &&
    one.bounds.top >= other.bounds.top &&
    one.bounds.bottom <= other.bounds.bottom;
  if (small.length < LEAST_LETTERS) return new Set();
  const index = new Flatbush(small.length);
  for (const { bounds } of small) index.add(bounds.left, bounds.top, bounds.right, bounds.bottom);
  index.finish();
  const outer: Small[] = [];
  const inner = new Map<Small, Small[]>();
  for (const one of small) {
    const { left, top, right, bottom } = one.bounds;
    const around = index
      .search(left, top, right, bottom)
      .map((at) => small[at]!)
      .find((other) => isIn(one, other));
    if (around) inner.set(around, [...(inner.get(around) ?? []), one]);
    else outer.push(one);
  }
  const found = new Set<number>();
  for (const turned of [false, true])
    for (const row of rowsOf(outer, turned)) {
      if (row.length < LEAST_LETTERS || !isWriting(row)) continue;
      for (const one of row) {
        found.add(one.at);
        for (const own of inner.get(one) ?? []) found.add(own.at);
      }
    }
  return found;
}

/** Outlines that stand in a row, one after the other: across the page, or down it. */
function rowsOf(list: readonly Small[], down: boolean): Small[][] {
  const spans = list
    .map((one) => {
      const { left, top, right, bottom } = one.bounds;
      // The foot of a letter; where it reads down the page, what was its head.
      return down
        ? { one, from: top, to: bottom, high: right - left, foot: left }
        : { one, from: left, to: right, high: bottom - top, foot: bottom };
    })
    .sort((a, b) => a.from - b.from);
  const rows: { letters: Small[]; last: (typeof spans)[number]; high: number; low: number }[] = [];
  /** Those that the next one may still belong to. */
  let near: typeof rows = [];
  for (const next of spans) {
    near = near.filter(({ last }) => next.from - last.to <= APART_SHARE * HIGHEST_MM);
    const row = near.find(({ last, high, low }) => {
      const most = Math.max(high, next.high);
      return (
        Math.abs(next.foot - last.foot) <= LINE_SHARE * most &&
        next.from > last.from &&
        next.from - last.to <= APART_SHARE * most &&
        most <= HEIGHTS * Math.min(low, next.high)
      );
    });
    if (row) {
      row.letters.push(next.one);
      row.last = next;
      row.high = Math.max(row.high, next.high);
      row.low = Math.min(row.low, next.high);
      continue;
    }
    const begun = { letters: [next.one], last: next, high: next.high, low: next.high };
    rows.push(begun);
    near.push(begun);
  }
  return rows.map(({ letters }) => letters);
}

function isWriting(row: readonly Small[]): boolean {
  const isAlike = row.every(
    ({ cm2, highMm }) =>
      Math.abs(cm2 - row[0]!.cm2) <= SAME_SHARE * row[0]!.cm2 &&
      Math.abs(highMm - row[0]!.highMm) <= SAME_SHARE * row[0]!.highMm,
  );
  const odd = row.filter(({ round }) => round < ROUND).length;
  return !isAlike && odd >= LEAST_ODD_SHARE * row.length;
}
