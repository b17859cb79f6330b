import type { EpochMinute } from '../model/wallTime';
import type { CoatMilestones } from './laidCoat';

/** How far a coat has come, from just laid to fully cured. */
export const drynessOrder = ['wet', 'touch-dry', 'recoatable', 'handleable', 'cured'] as const;
export type Dryness = (typeof drynessOrder)[number];

/** The words people use for each state. */
export const drynessWords: Record<Dryness, string> = {
  wet: 'wet',
  'touch-dry': 'touch-dry',
  recoatable: 'recoatable',
  handleable: 'handleable',
  cured: 'cured',
};

/**
 * The state of one coat at a moment. Cured means packable and wearable both. A coat that may be handled before
 * its recoat window opens counts as touch-dry until then.
 */
export function drynessAt(coat: CoatMilestones, minute: EpochMinute): Dryness {
  if (minute >= coat.packAt && minute >= coat.wearAt) return 'cured';
  const opensAt = coat.recoat[0]?.from ?? coat.handleAt;
  if (minute >= coat.handleAt && minute >= opensAt) return 'handleable';
  if (minute >= opensAt) return 'recoatable';
  return minute >= coat.touchAt ? 'touch-dry' : 'wet';
}

/** The less dry of two states. */
export const lessDry = (a: Dryness, b: Dryness): Dryness =>
  drynessOrder.indexOf(a) <= drynessOrder.indexOf(b) ? a : b;
