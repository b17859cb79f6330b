import type { PlannedOperation } from './plan';
import { entryOf } from '../../model/sure';

/**
 * For each pass of a unit those of the same unit that have to come before it, by id. What is done already was not held up by
 * what it should have waited for, so neither is what waits for it: a pass that failed may be done again later.
 */
export function ancestors(own: readonly PlannedOperation[]): Map<string, ReadonlySet<string>> {
  const byId = new Map(own.map((operation) => [operation.id, operation]));
  const known = new Map<string, Set<string>>();
  const of = (operation: PlannedOperation): Set<string> => {
    let all = known.get(operation.id);
    if (!all) {
      all = new Set();
      known.set(operation.id, all);
      for (const id of operation.after) {
        const before = byId.get(id);
        if (!before) continue;
        all.add(id);
        if (before.status === 'done' || before.status === 'underway') continue;
        for (const one of of(before)) all.add(one);
      }
    }
    return all;
  };
  for (const operation of own) of(operation);
  return known;
}

/** Spots of a pass on which another coat may be laid before it or after it, as neither has to wait for the other. */
export function unsureCells(
  own: readonly PlannedOperation[],
  operation: PlannedOperation,
  before: ReadonlyMap<string, ReadonlySet<string>>,
): string[] {
  const certain = entryOf(before, operation.id);
  return own.flatMap((other) =>
    other === operation ||
    !other.material ||
    other.status === 'skipped' ||
    certain.has(other.id) ||
    entryOf(before, other.id).has(operation.id)
      ? []
      : other.cells,
  );
}
