import type { PlaceAir } from '../../drying/placeAir';
import type { EpochMinute } from '../../model/wallTime';

/** A unit on the rack of one place. */
export interface Stay {
  placeId: string;
  from: EpochMinute;
  to: EpochMinute;
}

/**
 * Where a unit stands from when a coat is laid until it can be handled: on one rack; or, where what is coated is carried indoors, there
 * from when it is touch-dry.
 */
export function staysOf(
  air: Pick<PlaceAir, 'placeId' | 'indoors'>,
  { laidAt, touchAt, handleAt }: Record<'laidAt' | 'touchAt' | 'handleAt', EpochMinute>,
): Stay[] {
  const { placeId, indoors } = air;
  const carriedAt = Math.ceil(touchAt);
  if (!indoors || carriedAt >= handleAt) return [{ placeId, from: laidAt, to: handleAt }];
  return [
    { placeId, from: laidAt, to: carriedAt },
    { placeId: indoors.placeId, from: carriedAt, to: handleAt },
  ];
}
