import { nth } from '../../model/sure';
import type { EpochMinute } from '../../model/wallTime';
import { workBegins, type PlannedOperation } from '../plan/plan';
import { unitKey } from '../plan/workload';
import type { Removals } from '../place/removals';
import type { DraftState } from '../state/draftState';
import { hasOwnSetUp, longestWait } from '../state/timeline';
import { cutsOf, type Draw } from './drawn';

/** Passes with the same things further apart than this are not drawn together, minutes. */
const FURTHEST_MINUTES = 180;

/** What is taken out and how it is put back, so that one set-up reaches from a pass to a later one with the same things. */
export interface Bridge {
  removals: Removals;
  held: ReadonlyMap<string, EpochMinute>;
  /** Placed before all else that was taken out, in this order. */
  first: string[];
}

/**
 * Spaces passes so that the things of each still lie ready when the next begins, up to a pass that has to wait for what is below it:
 * two coats of one primer can be one set-up when other pieces are coated between them. Undefined where nothing lies between.
 */
export function drawBridge(
  draft: DraftState,
  isMovable: (unit: string) => boolean,
  draw: Draw,
): Bridge | undefined {
  const planned = [...draft.planned.values()].filter(
    (one) => one.status === 'planned' && one.laidAt !== undefined && isMovable(unitKey(one)),
  );
  const far = planned.filter(hasOwnSetUp);
  if (far.length === 0) return undefined;
  const target = nth(far, draw(far.length));
  const begins = workBegins(target);
  const near = planned
    .filter(
      (one) =>
        one.rinseKey === target.rinseKey &&
        one !== target &&
        workBegins(one) < begins &&
        workBegins(one) >= begins - FURTHEST_MINUTES,
    )
    .sort((a, b) => workBegins(a) - workBegins(b));
  // The coat of its own that keeps it waiting goes first, then what can lie between, in any order.
  const own = near.findLast((one) => unitKey(one) === unitKey(target));
  const others = near.filter((one) => unitKey(one) !== unitKey(target));
  const first = near[0];
  if (!first || others.length === 0) return undefined;
  const between: PlannedOperation[] = [];
  while (others.length > 0) between.push(...others.splice(draw(others.length), 1));
  const sooner = own ? workBegins(own) - workBegins(first) : 0;
  const opens = draw(2) === 0 ? begins : (target.opensAt ?? begins);
  const held = new Map<string, EpochMinute>();
  let reaches = opens - sooner - draw(longestWait(target) + 1);
  for (const pass of [...between].reverse()) {
    const from = reaches - pass.workMinutes;
    held.set(pass.id, from);
    reaches = from - longestWait(pass);
  }
  const all = [...(own ? [own] : []), ...between, target];
  return {
    removals: cutsOf(all.map((operation) => ({ operation }))),
    held,
    first: all.map(({ id }) => id),
  };
}
