import type { Material } from '../model/materialSchema';
import type { Method } from '../model/methods';
import type { Placement } from '../model/placementIds';
import type { Step } from '../model/schema';

/** Small drawings of our own that a card can carry. */
export const drawings = [
  'spray',
  'crosswise',
  'tape',
  'pull',
  'wash',
  'dry-brush',
  'sponge',
  'airbrush',
  'heat',
  'pour',
  'chip',
  'fill',
] as const;
export type Drawing = (typeof drawings)[number];

/** What a card is chosen by: a step with all that it leaves to its kind and its material. */
export interface Work {
  step: Step;
  material: Material | undefined;
  method: Method;
  placement: Placement;
}

/** How one kind of work is done by hand: to be read in half a minute with a brush in the other hand. */
export interface TechniqueCard {
  id: string;
  title: string;
  /** What it is good for, in one line. */
  about: string;
  /** Four to six short lines, in the order they are needed. */
  lines: readonly string[];
  /** What goes wrong, and how it shows. */
  wrong: string;
  /** How it is saved. */
  rescue: string;
  drawing?: Drawing;
  /** Whether it tells how some work is done. Of several that do, the first counts. */
  tells(work: Work): boolean;
}
