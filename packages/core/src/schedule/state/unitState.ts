import type { UnitView } from './unitView';
import { dryStack, touchShare } from '../../drying/dryStack';
import type { Face } from '../../model/schema';
import type { PlaceAir } from '../../drying/placeAir';
import type { Operation } from '../plan/operations';
import type { EpochMinute } from '../../model/wallTime';
import type { CoatMilestones, DryStack, LaidCoat, Stand } from '../../drying/laidCoat';
import { nth, sure } from '../../model/sure';

/** One coat as it lies on a spot, with the operation that laid it. */
export interface CellCoat extends LaidCoat {
  operationId: string;
  stepId: string;
  colour: string;
  /** Its wet film, µm. */
  wetUm: number;
  /** A touch test found it tacky when it should have been dry. */
  toldTacky?: boolean;
}

/** What a touch test showed: the coat took this many times its reckoned time to get touch-dry. */
export interface TouchLesson {
  coat: CellCoat;
  factor: number;
  /** The factor that was reckoned with before. */
  untested: number;
}

/** Still tacky at the reckoned time: a fifth longer, until the next test. */
const STILL_TACKY_MARGIN = 1.2;
/** A test is not believed further than this from the label; a film five times as slow has something else wrong with it. */
const SLOWEST_FACTOR = 5;
const QUICKEST_FACTOR = 0.2;

/**
 * What lies on one unit of a piece while a plan is being made: the coats on each of its spots (`face:zone`) and
 * where it has stood. Invariant: the coats of a spot are in the order they were laid.
 */
export class UnitState implements UnitView {
  readonly cells = new Map<string, CellCoat[]>();
  readonly stands: Stand[] = [];
  private readonly dried = new Map<string, DryStack>();

  /** @param timeFactors how much longer than the label each material takes, by id, where that is tried out */
  constructor(private readonly timeFactors?: ReadonlyMap<string, number>) {}

  /** This unit as it is, kept from what is laid later on either. */
  clone(): UnitState {
    const copy = new UnitState(this.timeFactors);
    for (const [cell, coats] of this.cells) copy.cells.set(cell, [...coats]);
    copy.stands.push(...this.stands);
    return copy;
  }

  /** Lays the coat of an operation. Later coats on other spots move the unit too, so all drying is worked out anew. */
  lay(operation: Operation, laidAt: EpochMinute, placeAir: PlaceAir): void {
    if (!operation.material) return;
    // Whatever was to be carried in later stays with what is done to it now.
    const carried = this.stands.findIndex(({ isCarried, from }) => isCarried && from > laidAt);
    if (carried >= 0) this.stands.splice(carried, 1);
    this.stand({ from: laidAt, placeAir, fan: operation.air === 'fan' });
    for (const cell of operation.cells) {
      const coats = this.cells.get(cell) ?? [];
      coats.push({
        material: operation.material,
        filmFactor: operation.filmFactor,
        share: operation.share,
        wetUm: operation.wetUm,
        laidAt,
        air: operation.air,
        ...(this.timeFactors ? { timeFactor: this.timeFactors.get(operation.material.id) ?? 1 } : {}),
        operationId: operation.id,
        stepId: operation.stepId,
        colour: operation.colour ?? operation.material.colour,
      });
      if ((coats[coats.length - 2]?.laidAt ?? -Infinity) > laidAt) coats.sort((a, b) => a.laidAt - b.laidAt);
      this.cells.set(cell, coats);
    }
    this.dried.clear();
    if (!placeAir.indoors) return;
    const touchAt = Math.ceil(
      operation.cells.reduce((latest, cell) => Math.max(latest, this.touchOf(cell, laidAt)), laidAt),
    );
    // What was done to it elsewhere by then had it carried already.
    if (touchAt === Infinity || this.stands.some(({ from }) => from > laidAt && from <= touchAt)) return;
    this.stand({ from: touchAt, placeAir: placeAir.indoors, fan: false, isCarried: true });
    this.dried.clear();
  }

  /** When the coat that was laid on a spot at some moment is touch-dry. */
  private touchOf(cell: string, laidAt: EpochMinute): EpochMinute {
    const at = this.cells.get(cell)?.findLastIndex((coat) => coat.laidAt === laidAt) ?? -1;
    return this.dry(cell)?.coats[at]?.touchAt ?? laidAt;
  }

  /** Notes where the unit stands from a moment on. Standing on where it stood already is no move. */
  private stand(stand: Stand): void {
    const last = this.stands[this.stands.length - 1];
    if (last && last.from <= stand.from && last.placeAir === stand.placeAir && last.fan === stand.fan) return;
    this.stands.push(stand);
    if (last && last.from > stand.from) this.stands.sort((a, b) => a.from - b.from);
  }

  /**
   * Corrects the clock of the newest coat by a touch test: dry sooner than reckoned makes it and all that hangs on it
   * sooner, still tacky when it should be dry later. Returns what the test showed of each material, if it showed anything.
   */
  correct(
    touched: { face?: Face | undefined; step?: string | undefined },
    minute: EpochMinute,
    state: 'dry' | 'tacky',
  ): TouchLesson[] {
    const newest = [...this.cells].flatMap(([cell, coats]) => {
      if (touched.face && !cell.startsWith(`${touched.face}:`)) return [];
      const coat = [...coats].reverse().find((one) => one.laidAt <= minute);
      return coat && (touched.step === undefined || coat.stepId === touched.step) ? [coat] : [];
    });
    // A finger lies on one coat: other zones that are older on top are not meant.
    const laidAt = Math.max(...newest.map((coat) => coat.laidAt));
    const lessons: TouchLesson[] = [];
    for (const coat of newest) {
      if (coat.laidAt !== laidAt) continue;
      const share = touchShare(coat, this.stands, minute);
      const was = coat.timeFactor ?? 1;
      // Dry only after it was due, or tacky before, says nothing new; except that a dry one ends a wait that was put off.
      const toldLater = coat.toldTacky === true && state === 'dry';
      const tells = state === 'dry' ? share < was || toldLater : share >= was;
      if (!tells) continue;
      coat.timeFactor = Math.min(
        SLOWEST_FACTOR,
        Math.max(QUICKEST_FACTOR, state === 'dry' ? share : share * STILL_TACKY_MARGIN),
      );
      if (state === 'tacky') coat.toldTacky = true;
      else lessons.push({ coat, factor: share, untested: was });
    }
    this.dried.clear();
    return lessons;
  }

  /** The drying of one spot; undefined while it is bare. */
  dry(cell: string): DryStack | undefined {
    const coats = this.cells.get(cell);
    if (!coats) return undefined;
    let stack = this.dried.get(cell);
    if (!stack) {
      stack = dryStack(coats, this.stands);
      this.dried.set(cell, stack);
    }
    return stack;
  }

  /** The spots with something on them: their coats from below, and how they dry. */
  *stacks(): Generator<[cell: string, coats: readonly CellCoat[], stack: DryStack]> {
    for (const [cell, coats] of this.cells) {
      const stack = this.dry(cell);
      if (stack) yield [cell, coats, stack];
    }
  }

  /**
   * The drying of one spot as it stood at a moment: as if nothing were laid, and the unit not moved, after it. What is
   * planned on top must not change what a coat is now, though it changes when it will be cured.
   */
  asOf(cell: string, minute: EpochMinute): DryStack | undefined {
    const coats = this.cells.get(cell)?.filter((coat) => coat.laidAt <= minute);
    if (!coats || coats.length === 0) return undefined;
    const next = this.stands.find((stand) => stand.from > minute);
    return dryStack(
      coats,
      this.stands.filter((stand) => stand.from <= minute || (stand === next && stand.isCarried)),
    );
  }

  /** When this unit could be handled, and when the newest coat were touch-dry, if one more coat were laid on it. */
  handleAfter(operation: Operation, laidAt: EpochMinute, placeAir: PlaceAir): EpochMinute {
    return this.withCoat(operation, laidAt, placeAir).reduce(
      (latest, { handleAt }) => Math.max(latest, handleAt),
      -Infinity,
    );
  }
  touchAfter(operation: Operation, laidAt: EpochMinute, placeAir: PlaceAir): EpochMinute {
    return this.withCoat(operation, laidAt, placeAir).reduce(
      (latest, { coats }) => Math.max(latest, coats.at(-1)?.touchAt ?? laidAt),
      laidAt,
    );
  }

  /** How its spots would dry if one more coat were laid on it. */
  private withCoat(operation: Operation, laidAt: EpochMinute, placeAir: PlaceAir): DryStack[] {
    const stand = { from: laidAt, placeAir, fan: operation.air === 'fan' };
    const material = sure(operation.material, `what ${operation.id} lays`);
    const coat: LaidCoat = {
      material,
      filmFactor: operation.filmFactor,
      share: operation.share,
      laidAt,
      air: operation.air,
      ...(this.timeFactors ? { timeFactor: this.timeFactors.get(material.id) ?? 1 } : {}),
    };
    const stacks = (stands: readonly Stand[]) =>
      operation.cells.map((cell) => dryStack([...(this.cells.get(cell) ?? []), coat], stands));
    const stands = [...this.stands.filter(({ isCarried, from }) => !isCarried || from <= laidAt), stand];
    const stay = stacks(stands);
    if (!placeAir.indoors) return stay;
    const touchAt = Math.ceil(
      stay.reduce((latest, { coats }) => Math.max(latest, coats.at(-1)?.touchAt ?? laidAt), laidAt),
    );
    if (touchAt === Infinity) return stay;
    return stacks([...stands, { from: touchAt, placeAir: placeAir.indoors, fan: false, isCarried: true }]);
  }

  /** The topmost coat of a spot with its milestones. */
  top(cell: string): { coat: CellCoat; milestones: CoatMilestones } | undefined {
    const coats = this.cells.get(cell);
    const stack = this.dry(cell);
    if (!coats || !stack) return undefined;
    return { coat: nth(coats, coats.length - 1), milestones: nth(stack.coats, coats.length - 1) };
  }

  /** The latest of one milestone over some spots; minus infinity where all are bare. */
  latest(cells: Iterable<string>, pick: (stack: DryStack) => EpochMinute): EpochMinute {
    let latest = -Infinity;
    for (const cell of cells) {
      const stack = this.dry(cell);
      if (stack) latest = Math.max(latest, pick(stack));
    }
    return latest;
  }
}
