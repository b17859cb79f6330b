import { touchLabelMinutes } from '../materials/material';
import type { EpochMinute } from '../model/wallTime';
import type { LaidCoat, Stand, DryStack, CoatMilestones } from './laidCoat';
import { LazyCoat } from './lazyCoat';
import { joinFilms } from './joinedFilms';
import { passed, spansFor, earlyAid } from './clocks';
import { touchFactor } from './filmTimes';
import { packableAt } from './surface';
import { nth } from '../model/sure';

/**
 * When each coat of one stack, and the stack as a whole, reaches each milestone.
 *
 * `coats` lie bottom first in the order they were laid, all on the same spot; `stands` say where the unit stood
 * (sorted by time, the first not after the first coat). Model (docs/domain.md, "The drying model"):
 * - a milestone is reached when `∫ r dt` equals its label time, grown with the film (`filmTimes`);
 * - coats of one re-dissolving material, each laid before the one below was tape-safe, are one film for tape-safe and
 *   later (`joinedFilms`): the last of them and what the others still held (`residue`), by clocks that start with the last;
 * - while different films lie on a coat its later clocks run more slowly (`covering`);
 * - a stack is packable when its surface is (`surfaceFrom`), with all below that tape-safe. All else is reached by the stack
 *   when it is by every coat of it;
 * - a fan speeds every clock by 1.5; hand-held warm air touch and recoat by 3, but not two-part coats.
 *
 * Milestones are worked out when they are first asked for: a planner asks for few of them.
 */
export function dryStack(coats: readonly LaidCoat[], stands: readonly Stand[]): DryStack {
  return new LazyStack(coats, stands);
}

/**
 * How far each coat of a stack has come towards packable and wearable at each of some moments, 0 to 1; 0 before its
 * clock starts.
 * @returns one list a coat, in the order of the coats
 */
export function curedShares(
  coats: readonly LaidCoat[],
  stands: readonly Stand[],
  moments: readonly EpochMinute[],
): number[][] {
  return new LazyStack(coats, stands).coats.map((coat) => moments.map((moment) => coat.curedShare(moment)));
}

/** The milestones of a coat as a plain object, all of them worked out. */
export const plainMilestones = (coat: CoatMilestones): CoatMilestones => ({
  touchAt: coat.touchAt,
  recoat: coat.recoat,
  tapeAt: coat.tapeAt,
  sandAt: coat.sandAt,
  handleAt: coat.handleAt,
  packAt: coat.packAt,
  wearAt: coat.wearAt,
});

class LazyStack implements DryStack {
  readonly coats: LazyCoat[];
  private readonly known: Partial<Record<'handleAt' | 'tapeAt' | 'packAt' | 'wearAt', EpochMinute>> = {};

  constructor(
    private readonly laid: readonly LaidCoat[],
    stands: readonly Stand[],
  ) {
    const films = joinFilms(laid, stands);
    let film = 0;
    this.coats = laid.map((coat, at) => {
      while (at > nth(films, film).last) film += 1;
      return new LazyCoat(coat, nth(films, film), stands);
    });
  }

  private latest(key: 'handleAt' | 'tapeAt' | 'packAt' | 'wearAt'): EpochMinute {
    let latest = this.known[key];
    if (latest === undefined) {
      latest = -Infinity;
      if (key === 'packAt') latest = packableAt(this.laid, this.coats);
      else for (const coat of this.coats) latest = Math.max(latest, coat[key]);
      this.known[key] = latest;
    }
    return latest;
  }

  get handleAt() {
    return this.latest('handleAt');
  }
  get tapeAt() {
    return this.latest('tapeAt');
  }
  get packAt() {
    return this.latest('packAt');
  }
  get wearAt() {
    return this.latest('wearAt');
  }
}

/** The share of its way to touch-dry that a coat has come at a moment: 1 when it gets there. Time factor left out. */
export function touchShare(coat: LaidCoat, stands: readonly Stand[], minute: EpochMinute): number {
  const need = touchLabelMinutes(coat.material) * touchFactor(coat.material, coat.filmFactor);
  if (need <= 0) return 1;
  return passed(spansFor(coat.material, 'early', coat.laidAt, stands, [], earlyAid(coat)), minute) / need;
}
