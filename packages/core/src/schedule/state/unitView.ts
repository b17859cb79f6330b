import type { EpochMinute } from '../../model/wallTime';
import type { CoatMilestones, DryStack, LaidCoat } from '../../drying/laidCoat';

/** What the gates look at: the stacks on the spots of one unit. The planner shows it as it is, a bound at its best. */
export interface UnitView {
  /** The spots with something on them, `face:zone`. */
  readonly cells: { keys(): Iterable<string> };
  /** The drying of one spot; undefined while it is bare. */
  dry(cell: string): DryStack | undefined;
  /** The topmost coat of a spot with its milestones. */
  top(
    cell: string,
  ):
    | { coat: Pick<LaidCoat, 'material'> & Partial<Pick<LaidCoat, 'laidAt'>>; milestones: CoatMilestones }
    | undefined;
  /** The latest of one milestone over some spots; minus infinity where all are bare. */
  latest(cells: Iterable<string>, pick: (stack: DryStack) => EpochMinute): EpochMinute;
}
