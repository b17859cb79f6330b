import { freshWorkOn } from '../../facts/freshWork';
import { parseRecoat } from '../../materials/material';
import type { Operation } from './operations';

/**
 * The passes of one unit that have to follow another before it has dried too far, as [that other, the pass]: what is chipped or
 * wiped back while it is fresh, and the next coat over one whose last recoat window closes for good, unless it is sanded in between.
 * @param own the operations of the unit in order
 */
export function soonAfter(own: readonly Operation[]): [before: string, id: string][] {
  const coats = new Map<string, Operation[]>();
  return own.flatMap((operation): [string, string][] => {
    const { id, cells, material } = operation;
    const laysCoat = material !== undefined && material.role !== 'bond';
    const pairs = cells.flatMap((cell): [string, string][] => {
      const below = coats.get(cell) ?? [];
      const top = below.at(-1);
      if (laysCoat) coats.set(cell, [...below, operation]);
      if (!top) return [];
      const closesAt = parseRecoat(top.material?.recoat).at(-1)?.to ?? Infinity;
      const isFresh = freshWorkOn(
        operation,
        below.flatMap((coat) => coat.material ?? []),
      );
      const mustCatch = laysCoat && closesAt !== Infinity && !operation.sandedCells.includes(cell);
      return isFresh || mustCatch ? [[top.id, id]] : [];
    });
    return pairs.slice(0, 1);
  });
}
