import type { Build } from '../../model/schema';
import { groupBy } from '../../model/groupBy';
import { placesOf } from '../../model/places';
import type { PlannedOperation } from '../plan/plan';

/** A rack that holds work up. */
export interface RackShort {
  placeId: string;
  name: string;
  slots: number;
  /** Planned passes that begin later than they could, for want of room on it. */
  passes: number;
}

/** One pass that waits is chance; so many say that the rack is small for the work. */
const WORTH_SAYING_PASSES = 4;

/** The racks that are too small for the pieces: those for whose room several passes of the plan wait, the worst first. */
export function racksShort(build: Build, operations: readonly PlannedOperation[]): RackShort[] {
  const waiting = groupBy(
    operations.filter(
      ({ status, boundBy, waitsFor }) => (waitsFor?.why ?? boundBy) === 'rack' && status !== 'done',
    ),
    ({ placeId }) => placeId,
  );
  return placesOf(build)
    .flatMap(({ id, name, slots }): RackShort[] => {
      const passes = waiting.get(id)?.length ?? 0;
      return passes >= WORTH_SAYING_PASSES ? [{ placeId: id, name, slots, passes }] : [];
    })
    .sort((a, b) => b.passes - a.passes);
}
