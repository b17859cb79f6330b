import { entryOf } from '../../model/sure';
import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { takesPlace } from './draftState';
import { staysOf, type Stay } from './stays';
import type { UnitState } from './unitState';

/** How long what a pass laid keeps its unit: until it is touch-dry, until all of the unit can be handled, and on which racks it stands meanwhile. */
export interface Drying {
  unit: string;
  touchAt: EpochMinute;
  handleAt: EpochMinute;
  /** None where it takes no place on a rack. */
  stays: Stay[];
}

/**
 * What a pass of a plan keeps of racks and rooms.
 * @param units how each unit stands, by its key
 * @returns undefined for a pass that lays nothing or has no place in time
 */
export function dryingOf(
  operation: PlannedOperation,
  airs: Workload['airs'],
  units: ReadonlyMap<string, UnitState>,
): Drying | undefined {
  const { laidAt, material, placeId } = operation;
  if (!material || laidAt === undefined) return undefined;
  const unit = unitKey(operation);
  let touchAt = laidAt;
  let handleAt = laidAt;
  for (const cell of operation.cells) {
    // As it stood when this was laid: it is on the rack until all of it can be handled, what lies below too.
    const then = units.get(unit)?.asOf(cell, laidAt);
    touchAt = Math.max(touchAt, then?.coats.at(-1)?.touchAt ?? laidAt);
    handleAt = Math.max(handleAt, then?.handleAt ?? laidAt);
  }
  const stays = takesPlace(operation) ? staysOf(entryOf(airs, placeId), { laidAt, touchAt, handleAt }) : [];
  return { unit, touchAt, handleAt, stays };
}
