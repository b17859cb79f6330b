import type { Piece } from '../model/schema';
import type { EpochMinute } from '../model/wallTime';
import type { PlannedOperation } from '../schedule/plan/plan';
import type { UnitState } from '../schedule/state/unitState';
import type { RuleContext } from './rule';

/** Something done, by the log, before the coats it works on allowed it. */
export interface TooEarly {
  operation: PlannedOperation;
  /** When it would have been allowed. */
  allowedAt: EpochMinute;
}

/**
 * The logged passes of a piece that were done before a moment that what lay there at the time sets.
 * @param wants which operations to look at
 * @param allowedAt the moment they had to wait for, from the unit as it is now and the time they were done
 */
export function loggedTooEarly(
  piece: Piece,
  { plan }: RuleContext,
  wants: (operation: PlannedOperation) => boolean,
  allowedAt: (operation: PlannedOperation, unit: UnitState, doneAt: EpochMinute) => EpochMinute,
): TooEarly[] {
  return plan.operations.flatMap((operation) => {
    if (
      operation.pieceId !== piece.id ||
      operation.status !== 'done' ||
      operation.start === undefined ||
      !wants(operation)
    )
      return [];
    const unit = plan.units.get(`${piece.id}/${operation.unit}`);
    if (!unit) return [];
    const at = allowedAt(operation, unit, operation.start);
    return operation.start < Math.floor(at) ? [{ operation, allowedAt: at }] : [];
  });
}

/** The latest of one milestone over the coats that lay on some spots at a moment, whatever was laid on them since. */
export function latestThen(
  unit: UnitState,
  cells: Iterable<string>,
  minute: EpochMinute,
  pick: (milestones: NonNullable<ReturnType<UnitState['dry']>>['coats'][number]) => EpochMinute,
): EpochMinute {
  let latest = -Infinity;
  for (const cell of cells) {
    for (const coat of unit.asOf(cell, minute)?.coats ?? []) latest = Math.max(latest, pick(coat));
  }
  return latest;
}
