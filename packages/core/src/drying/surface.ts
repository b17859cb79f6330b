import { ALL_OVER, CLOSED } from '../facts/closure';
import { binderOf } from '../model/binders';
import { nth } from '../model/sure';
import type { EpochMinute } from '../model/wallTime';
import type { CoatMilestones, LaidCoat } from './laidCoat';

type Film = Pick<LaidCoat, 'material' | 'filmFactor' | 'share'>;

/**
 * The index of the lowest coat of a stack that is still its surface: the whole run of the top material, and what lies below a run as
 * long as that does not close it off: too thin, in places only, loose, or to come off again (docs/domain.md, "The drying model").
 * @returns 0 for an empty stack
 */
export function surfaceFrom(coats: readonly Film[]): number {
  let from = coats.length - 1;
  while (from > 0) {
    const { material } = nth(coats, from);
    const { loose = false, comesOff = false } = binderOf(material);
    let closed = 0;
    for (; from >= 0 && nth(coats, from).material.id === material.id; from -= 1) {
      const { filmFactor, share = 1 } = nth(coats, from);
      if (share >= ALL_OVER) closed += filmFactor;
    }
    if (from < 0 || (closed >= CLOSED && !loose && !comesOff)) return from + 1;
  }
  return Math.max(0, from);
}

/** When a stack does not stick to its neighbour any more: its surface is packable, and all below that tape-safe. */
export function packableAt(
  films: readonly Film[],
  coats: readonly Pick<CoatMilestones, 'packAt' | 'tapeAt'>[],
): EpochMinute {
  const surface = surfaceFrom(films);
  return coats.reduce(
    (latest, { packAt, tapeAt }, at) => Math.max(latest, at >= surface ? Math.max(packAt, tapeAt) : tapeAt),
    -Infinity,
  );
}
