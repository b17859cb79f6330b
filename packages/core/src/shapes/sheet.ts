import type { Line } from './rings';

/** A stroke of a template: one open or closed line in the units of its page, y down. */
export interface Stroke {
  points: Line;
  closed: boolean;
  /** What it is of: its layer, or the colour it is drawn in. Strokes of one kind belong together. */
  kind: string;
}

/** Words on a template, at the middle of their line. */
export interface SheetText {
  x: number;
  y: number;
  text: string;
}

/** One page of a template. */
export interface SheetPage {
  name: string;
  /** In the units of its strokes; 0 where the file says nothing of a page. */
  width: number;
  height: number;
  strokes: Stroke[];
  texts: SheetText[];
}

/** How many kinds there are, with the colour each is drawn in where it has one. */
export interface SheetKind {
  id: string;
  name: string;
  colour: string | undefined;
}

/** A template as it was read, of whatever format. */
export interface Sheet {
  pages: SheetPage[];
  kinds: SheetKind[];
  /** Millimetres in one unit; undefined where the file does not say. */
  mmPerUnit: number | undefined;
  /** What the reader of it should know: what was left out, or taken to be. */
  notes: string[];
}

/** A template that can't be read, with what to do about it. */
export class SheetFault extends Error {}

/** More strokes, and more points, than a template ever has: a map, or a traced photo. */
export const MOST_STROKES = 20_000;
export const MOST_POINTS = 400_000;

/** Collects strokes, and stops with a sentence where there are too many. */
export class StrokeCounter {
  private strokes = 0;
  private points = 0;

  count(points: number): void {
    this.strokes += 1;
    this.points += points;
    if (this.strokes > MOST_STROKES || this.points > MOST_POINTS)
      throw new SheetFault(
        `This file has more than ${this.strokes > MOST_STROKES ? `${MOST_STROKES} lines` : `${MOST_POINTS} points`}. It may be a traced picture: export only the cutting lines.`,
      );
  }
}
