import type { Point } from './rings';

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
