import type { Workload } from '../plan/workload';
import { entryOf, nth } from '../../model/sure';

/**
 * Which coats of some pieces are worth putting off until what they land on is dry through, when nothing else helps, by id:
 * those that would join the one below; and then those that would smother what is below as well.
 */
export function worthPuttingOff(workload: Workload, pieceIds: ReadonlySet<string>): string[][] {
  const coats = [...workload.byUnit].flatMap(([key, own]) =>
    pieceIds.has(nth(own, 0).pieceId) ? entryOf(workload.coatsOnCoats, key) : [],
  );
  const joining = coats.filter(({ early }) => early === 'joins');
  const slowing = coats.filter(({ early }) => early !== 'little');
  const sets = slowing.length > joining.length ? [joining, slowing] : [joining];
  return sets.filter((set) => set.length > 0).map((set) => set.map(({ id }) => id));
}

/** The passes of a plan that wait until what they land on is dry through, by id. */
export const dryThroughOf = (
  operations: Iterable<{ id: string; letsDryThrough: boolean }>,
): ReadonlySet<string> =>
  new Set([...operations].flatMap(({ id, letsDryThrough }) => (letsDryThrough ? [id] : [])));
