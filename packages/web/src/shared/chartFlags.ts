import { epochMinute, type Build } from '@fixatum/core';

/** A moment with a word, marked along time by a line. */
export interface ChartFlag {
  key: string;
  word: string;
  /** Epoch minute. */
  at: number;
}

/** The dates of a build: when everything is to be packed, and when it is worn. */
export const datesOf = ({ events, timeZone }: Build): ChartFlag[] =>
  events.flatMap(({ id, name, packAt, wearAt }) => [
    ...(packAt === undefined
      ? []
      : [{ key: `${id} pack`, word: `pack for ${name}`, at: epochMinute(packAt, timeZone) }]),
    { key: id, word: name, at: epochMinute(wearAt, timeZone) },
  ]);

/** Where the word of a flag stands: in which row, from where to where, and whether it lies before its line. */
export interface PlacedFlag extends ChartFlag {
  row: number;
  /** Where its line is, px from the left. */
  px: number;
  before: boolean;
}

/** A letter of a flag is at most so wide, and its word keeps so far from the next. */
const LETTER_PX = 7.5;
const PADDING_PX = 14;

/**
 * Lays words beside their lines so that none covers another: each in the topmost row that has room for it, before its line where it would run
 * over the end, or off the chart on a chart too narrow for both.
 * @param pxOf where a moment lies, px from the left
 */
export function placeFlags(
  flags: readonly ChartFlag[],
  pxOf: (minute: number) => number,
  widthPx: number,
): PlacedFlag[] {
  const taken: { from: number; to: number }[][] = [];
  return [...flags]
    .sort((a, b) => a.at - b.at)
    .map((flag) => {
      const px = pxOf(flag.at);
      const longPx = flag.word.length * LETTER_PX + PADDING_PX;
      const before = px + longPx > widthPx && px - longPx >= 0;
      const span = before ? { from: px - longPx, to: px } : { from: px, to: px + longPx };
      const isFree = (row: { from: number; to: number }[]) =>
        row.every(({ from, to }) => to <= span.from || from >= span.to);
      const at = taken.findIndex(isFree);
      const row = at < 0 ? taken.length : at;
      (taken[row] ??= []).push(span);
      return { ...flag, row, px, before };
    });
}
