import { columnOf, idsOf, tableOf } from './table';
import type { Tool } from './tools';

/** How a material is put on or a tool is used: all that the program knows of it. */
export interface MethodDefinition {
  /** In a line of a run sheet. */
  word: string;
  /** Getting ready and cleaning up, minutes, and how fast it goes, m² an hour. Starting values; a step's minutes override them. */
  setUpMinutes: number;
  cleanUpMinutes: number;
  rateM2PerHour: number;
  /** The share of what leaves the tin that ends on the piece. */
  transfer: number;
  /** What lies in the thinnest streaks of one coat, as a share of its film. */
  evenness: number;
  /** It makes a mist, so that the room's air and the mask matter. */
  sprays: boolean;
  /** It warms the foam itself. */
  heats: boolean;
  /** It wears something away and makes dust. */
  abrades: boolean;
  /** It runs a compressor or a sander, which quiet hours forbid. */
  loud: boolean;
  /** It reaches over the edge of a zone, so that what lies beside is taped. */
  reachesOver: boolean;
  /** A gas that burns drives it. */
  hasPropellant?: boolean;
  /** It drags over what lies below, and takes loose things along. */
  drags?: boolean;
  /** It lays so little at once that what it gives off is nothing to a room. */
  isLittle?: boolean;
  /** A flame. */
  burns?: boolean;
  /** The tool it takes, where a workshop has few of that. */
  tool?: Tool;
}

/** What most hand tools have in common. */
const byHand = {
  setUpMinutes: 3,
  cleanUpMinutes: 3,
  rateM2PerHour: 1,
  transfer: 0.9,
  evenness: 0.8,
  sprays: false,
  heats: false,
  abrades: false,
  loud: false,
  reachesOver: false,
};
const brushed = { ...byHand, cleanUpMinutes: 5, rateM2PerHour: 2 };

/** Every method with its pace and what leaves the tin for nothing (docs/domain.md, "Other formulas"). */
export const methodTable = tableOf<MethodDefinition>()({
  aerosol: {
    ...byHand,
    word: 'spray can',
    setUpMinutes: 5,
    cleanUpMinutes: 5,
    rateM2PerHour: 6,
    transfer: 0.5,
    evenness: 0.85,
    sprays: true,
    reachesOver: true,
    hasPropellant: true,
  },
  airbrush: {
    ...byHand,
    word: 'airbrush',
    setUpMinutes: 10,
    cleanUpMinutes: 15,
    transfer: 0.6,
    evenness: 0.9,
    sprays: true,
    loud: true,
    reachesOver: true,
    tool: 'airbrush',
  },
  brush: { ...brushed, word: 'brush', transfer: 0.95, evenness: 0.5, drags: true },
  'foam-brush': {
    ...brushed,
    word: 'foam brush',
    rateM2PerHour: 3,
    evenness: 0.7,
    reachesOver: true,
    drags: true,
  },
  sponge: {
    ...brushed,
    word: 'sponge',
    rateM2PerHour: 1.5,
    transfer: 0.85,
    evenness: 0.75,
    drags: true,
  },
  stipple: {
    ...brushed,
    word: 'stippling',
    rateM2PerHour: 1.5,
    transfer: 0.85,
    evenness: 0.7,
  },
  'dry-brush': { ...brushed, word: 'dry brush', transfer: 0.5, evenness: 0.3 },
  wipe: { ...brushed, word: 'wipe on', evenness: 0.5, drags: true },
  dip: {
    ...byHand,
    word: 'dip',
    setUpMinutes: 5,
    cleanUpMinutes: 5,
    rateM2PerHour: 6,
    evenness: 0.9,
    reachesOver: true,
    drags: true,
  },
  pen: { ...byHand, word: 'pen', isLittle: true },
  tool: { ...byHand, word: 'spatula' },
  stamp: { ...byHand, word: 'stamp' },
  sand: { ...byHand, word: 'sandpaper', setUpMinutes: 2, rateM2PerHour: 1.5, abrades: true, loud: true },
  'hot-air': {
    ...byHand,
    word: 'hot air',
    setUpMinutes: 2,
    cleanUpMinutes: 1,
    rateM2PerHour: 3,
    heats: true,
    tool: 'heat-gun',
  },
  torch: {
    ...byHand,
    word: 'torch',
    setUpMinutes: 2,
    cleanUpMinutes: 1,
    rateM2PerHour: 6,
    heats: true,
    burns: true,
  },
  hand: { ...byHand, word: 'by hand' },
});

/** How a material is put on, or a tool is used. */
export type Method = keyof typeof methodTable;
export const methods = idsOf(methodTable);
export const methodWords = columnOf(methodTable, 'word');
