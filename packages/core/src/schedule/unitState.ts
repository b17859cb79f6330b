import { dryStack, type CoatMilestones, type DryStack, type LaidCoat, type Stand } from '../drying/dryStack';
import type { PlaceAir } from '../drying/placeAir';
import type { Operation } from '../stack/operations';
import type { EpochMinute } from '../time/wallTime';

/** One coat as it lies on a spot, with the operation that laid it. */
export interface CellCoat extends LaidCoat {
  operationId: string;
  colour: string;
}

/**
 * What lies on one unit of a piece while a plan is being made: the coats on each of its spots (`face:zone`) and
 * where it has stood. Invariant: the coats of a spot are in the order they were laid.
 */
export class UnitState {
  readonly cells = new Map<string, CellCoat[]>();
  readonly stands: Stand[] = [];
  private readonly dried = new Map<string, DryStack>();

  /** Lays the coat of an operation. Later coats on other spots move the unit too, so all drying is worked out anew. */
  lay(
    operation: Operation,
    laidAt: EpochMinute,
    placeAir: PlaceAir,
    film: number = operation.filmFactor,
  ): void {
    if (!operation.material) return;
    this.stands.push({ from: laidAt, placeAir, fan: operation.air === 'fan' });
    this.stands.sort((a, b) => a.from - b.from);
    for (const cell of operation.cells) {
      const coats = this.cells.get(cell) ?? [];
      coats.push({
        material: operation.material,
        filmFactor: film,
        laidAt,
        air: operation.air,
        operationId: operation.id,
        colour: operation.colour ?? operation.material.colour,
      });
      coats.sort((a, b) => a.laidAt - b.laidAt);
      this.cells.set(cell, coats);
    }
    this.dried.clear();
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

  /**
   * The drying of one spot as it stood at a moment: as if nothing were laid, and the unit not moved, after it. What is
   * planned on top must not change what a coat is now, though it changes when it will be cured.
   */
  asOf(cell: string, minute: EpochMinute): DryStack | undefined {
    const coats = this.cells.get(cell)?.filter((coat) => coat.laidAt <= minute);
    if (!coats || coats.length === 0) return undefined;
    return dryStack(
      coats,
      this.stands.filter((stand) => stand.from <= minute),
    );
  }

  /** The topmost coat of a spot with its milestones. */
  top(cell: string): { coat: CellCoat; milestones: CoatMilestones } | undefined {
    const coats = this.cells.get(cell);
    const stack = this.dry(cell);
    if (!coats || !stack) return undefined;
    return { coat: coats[coats.length - 1]!, milestones: stack.coats[coats.length - 1]! };
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
