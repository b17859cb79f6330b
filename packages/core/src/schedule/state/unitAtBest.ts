import { dryStack } from '../../drying/dryStack';
import type { EpochMinute } from '../../model/wallTime';
import type { UnitView } from './unitView';
import type { CoatMilestones, DryStack, LaidCoat, Stand } from '../../drying/laidCoat';
import { nth } from '../../model/sure';

/** A coat by itself: nothing it joins or is covered by, and a recoat window that never closes. */
export interface CoatAlone {
  cells: readonly string[];
  coat: Pick<LaidCoat, 'material'>;
  milestones: CoatMilestones;
}

/** The milestones of a coat laid by itself, as `dryStack` has them; its recoat window stays open. */
export function coatAlone(cells: readonly string[], coat: LaidCoat, stand: Stand): CoatAlone {
  const own = nth(dryStack([coat], [stand]).coats, 0);
  return {
    cells,
    coat,
    milestones: {
      get touchAt() {
        return own.touchAt;
      },
      get recoat() {
        const [first] = own.recoat;
        return first ? [{ from: first.from, to: Infinity }] : [];
      },
      get tapeAt() {
        return own.tapeAt;
      },
      get sandAt() {
        return own.sandAt;
      },
      get handleAt() {
        return own.handleAt;
      },
      get packAt() {
        return own.packAt;
      },
      get wearAt() {
        return own.wearAt;
      },
    },
  };
}

/** A coat that may or may not be there: it asks for nothing. */
const anyCoat: CoatMilestones = {
  touchAt: -Infinity,
  recoat: [{ from: -Infinity, to: Infinity }],
  tapeAt: -Infinity,
  sandAt: -Infinity,
  handleAt: -Infinity,
  packAt: -Infinity,
  wearAt: -Infinity,
};

const latestOf = (coats: readonly CoatMilestones[], key: 'handleAt' | 'tapeAt' | 'wearAt'): EpochMinute =>
  coats.reduce((latest, coat) => Math.max(latest, coat[key]), -Infinity);

/** When a stack is packable at the soonest: the top coat is always its surface, whatever of those below is, too. */
const packableUnder = (coats: readonly CoatMilestones[]): EpochMinute =>
  Math.max(latestOf(coats, 'tapeAt'), coats.at(-1)?.packAt ?? -Infinity);

/** The same, whichever of its coats comes to lie on top. */
const packableAtBest = (coats: readonly CoatMilestones[]): EpochMinute =>
  coats.reduce((latest, { tapeAt, packAt }) => Math.max(latest, Math.min(tapeAt, packAt)), -Infinity);

/** What lies on one spot. */
interface AtBest {
  coats: CoatMilestones[];
  top: CoatAlone['coat'];
  /** Whether it is known in which order they lie. */
  isSure: boolean;
}

/**
 * A unit as it would be at its best: each coat dries by itself, with nothing to slow it. Whatever a real plan makes of the same
 * coats, none of them reaches a milestone sooner.
 */
export class UnitAtBest implements UnitView {
  readonly cells = new Map<string, AtBest>();

  /**
   * @param coats in the order they were laid
   * @param unsure spots on which another coat may come first, so that nothing is known of their top
   */
  constructor(coats: Iterable<CoatAlone>, unsure: Iterable<string> = []) {
    for (const { cells, coat, milestones } of coats)
      for (const cell of cells) {
        const known = this.cells.get(cell);
        if (known) {
          known.coats.push(milestones);
          known.top = coat;
        } else this.cells.set(cell, { coats: [milestones], top: coat, isSure: true });
      }
    for (const cell of unsure) {
      const here = this.cells.get(cell);
      if (!here) continue;
      here.coats.push(anyCoat);
      here.isSure = false;
    }
  }

  dry(cell: string): DryStack | undefined {
    const here = this.cells.get(cell);
    if (!here) return undefined;
    const { coats, isSure } = here;
    return {
      coats,
      get handleAt() {
        return latestOf(coats, 'handleAt');
      },
      get tapeAt() {
        return latestOf(coats, 'tapeAt');
      },
      get packAt() {
        return isSure ? packableUnder(coats) : packableAtBest(coats);
      },
      get wearAt() {
        return latestOf(coats, 'wearAt');
      },
    };
  }

  top(cell: string) {
    const here = this.cells.get(cell);
    const milestones = here?.coats[here.coats.length - 1];
    return here && milestones ? { coat: here.top, milestones } : undefined;
  }

  latest(cells: Iterable<string>, pick: (stack: DryStack) => EpochMinute): EpochMinute {
    let latest = -Infinity;
    for (const cell of cells) {
      const stack = this.dry(cell);
      if (stack) latest = Math.max(latest, pick(stack));
    }
    return latest;
  }
}
