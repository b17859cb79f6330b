import type { Tool } from '../../model/tools';
import type { EpochMinute } from '../../model/wallTime';

/** A stretch of time that something outside the plan has. */
interface Stretch {
  from: EpochMinute;
  to: EpochMinute;
}

/**
 * Hands, rack places and rooms that are taken by what is not planned here, such as other pieces that are to stay where they
 * are, or another build that the same people have in hand.
 */
export interface Taken {
  /** `by` names the build that has them, where it is another; `tool` is what they hold, where that counts. */
  hands: (Stretch & { person: string; by?: string | undefined; tool?: Tool | undefined })[];
  /** `unit` names who stands there; `share` is what it takes of a place. */
  racks: (Stretch & { place: string; unit: string; share: number })[];
  /** Something stands wet, or makes dust. */
  wet: (Stretch & { place: string })[];
  dusty: (Stretch & { place: string })[];
}

export const nothingTaken: Taken = { hands: [], racks: [], wet: [], dusty: [] };

/** What is taken by one and by another. */
export const allTaken = (...all: readonly Taken[]): Taken => ({
  hands: all.flatMap(({ hands }) => hands),
  racks: all.flatMap(({ racks }) => racks),
  wet: all.flatMap(({ wet }) => wet),
  dusty: all.flatMap(({ dusty }) => dusty),
});
