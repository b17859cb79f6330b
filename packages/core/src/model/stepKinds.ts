import type { Method } from './methods';
import type { Milestone } from './milestones';
import { columnOf, idsOf, tableOf } from './table';

/**
 * What must be reached below before work begins. `top`: by the newest coat of each spot; `all`: by every coat of it; `fills`: by
 * every filler that nothing lies on yet.
 */
export interface Wait {
  milestone: Milestone;
  coats: 'top' | 'all' | 'fills';
  /** On the spots that are worked on, on those of the other face, on the whole unit, or in its glued joints. */
  where: 'here' | 'other-face' | 'everywhere' | 'bonds';
  /** Not before twice as long has gone by since the coat was laid. */
  twice?: boolean;
  /** Nor before so many minutes have gone by since then, whatever the air. */
  leastMinutes?: number;
}

/**
 * Hands-on minutes of a batch of units that are done together (docs/domain.md, "Other formulas"): getting ready once, then for each unit
 * taking it up, and its size.
 */
export interface BatchHands {
  readyMinutes: number;
  eachMinutes?: number;
  per500Cm2Minutes?: number;
  /** Along what is taped, pulled, filled or joined. */
  mmPerHour?: number;
  perFixingMinutes?: number;
}

/** Covering closures and tabs, each for itself, as against taping along an edge. */
export const spotMaskHands: BatchHands = { readyMinutes: 1, eachMinutes: 0.5 };

/** A kind of step: all that the program knows of it. */
export interface StepKindDefinition {
  /** On a button or a tag. */
  word: string;
  /** How it is done where neither the step nor its material says. */
  method: Method;
  /** Hands-on minutes of work that lays no film; what has none goes by the pace of its method. */
  hands?: BatchHands;
  /** What it waits for when it lays no film; coats wait for `coatWaits`. */
  waits: readonly Wait[];
  /** It warms the foam itself. */
  heats?: boolean;
  /** It wears something away and makes dust. */
  abrades?: boolean;
}

/** Caulk, filler and clay are dry through before anything heats them, wherever they sit; and to be ground as their label says. */
const fillsDry: Wait = { milestone: 'recoat', coats: 'fills', where: 'here' };
const fillsSandable: Wait = { milestone: 'sand', coats: 'fills', where: 'here' };
const handled: readonly Wait[] = [{ milestone: 'handle', coats: 'all', where: 'everywhere' }];

/** What every coat waits for: the window of what it lands on, and that the piece can lie on its other face. */
export const coatWaits: readonly Wait[] = [
  { milestone: 'recoat', coats: 'top', where: 'here' },
  { milestone: 'handle', coats: 'all', where: 'other-face' },
];

/** In the usual order of work (docs/domain.md, "The order of work" and "Planner constraints"). */
export const stepKindTable = tableOf<StepKindDefinition>()({
  prep: {
    word: 'Prep',
    method: 'hand',
    hands: { readyMinutes: 4, eachMinutes: 0.3, per500Cm2Minutes: 3 },
    waits: handled,
  },
  fill: {
    word: 'Fill',
    method: 'tool',
    hands: { readyMinutes: 3, eachMinutes: 0.5, mmPerHour: 6000 },
    waits: handled,
  },
  sand: {
    word: 'Sand',
    method: 'sand',
    hands: { readyMinutes: 3, eachMinutes: 0.3, per500Cm2Minutes: 4 },
    waits: [{ milestone: 'sand', coats: 'top', where: 'here' }, fillsSandable],
    abrades: true,
  },
  texture: { word: 'Texture', method: 'stamp', waits: [...handled, fillsDry, fillsSandable] },
  'heat-seal': { word: 'Heat-seal', method: 'hot-air', waits: [...handled, fillsDry], heats: true },
  seal: { word: 'Seal', method: 'brush', waits: handled },
  prime: { word: 'Prime', method: 'brush', waits: handled },
  base: { word: 'Base colour', method: 'brush', waits: handled },
  mask: {
    word: 'Mask',
    method: 'hand',
    hands: { readyMinutes: 2, eachMinutes: 0.3, mmPerHour: 4000 },
    waits: [{ milestone: 'tape', coats: 'all', where: 'here' }],
  },
  unmask: {
    word: 'Pull the tape',
    method: 'hand',
    hands: { readyMinutes: 1, eachMinutes: 0.2, mmPerHour: 20_000 },
    waits: [{ milestone: 'touch', coats: 'top', where: 'everywhere' }],
  },
  detail: { word: 'Detail', method: 'brush', waits: handled },
  weather: {
    word: 'Weather',
    method: 'brush',
    hands: { readyMinutes: 2, eachMinutes: 0.2 },
    waits: [{ milestone: 'touch', coats: 'top', where: 'here' }],
  },
  topcoat: { word: 'Topcoat', method: 'brush', waits: handled },
  attach: {
    word: 'Attach',
    method: 'hand',
    hands: { readyMinutes: 3, mmPerHour: 4000, perFixingMinutes: 1.5 },
    waits: handled,
  },
  join: { word: 'Join', method: 'hand', hands: { readyMinutes: 5, mmPerHour: 4000 }, waits: handled },
  inspect: {
    word: 'Look over',
    method: 'hand',
    hands: { readyMinutes: 2, eachMinutes: 0.1, per500Cm2Minutes: 0.5 },
    waits: handled,
  },
});

export type StepKind = keyof typeof stepKindTable;
export const stepKinds = idsOf(stepKindTable);
/** What a step is called on a button or a tag. */
export const stepKindWords = columnOf(stepKindTable, 'word');
