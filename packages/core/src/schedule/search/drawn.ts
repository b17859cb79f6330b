import { type Removals } from '../place/removals';
import { unitKey, type Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import type { Busy } from '../state/timeline';
import { nth } from '../../model/sure';

/** Draws a whole number from 0 up to, not including, `below`. */
export type Draw = (below: number) => number;

/** The shortest of three lists drawn. */
export function least(lists: readonly Busy[][], draw: Draw): Busy[] {
  const drawn = Array.from({ length: 3 }, () => nth(lists, draw(lists.length)));
  return drawn.reduce((a, b) => (b.length < a.length ? b : a));
}

/** Removals right before some passes. */
export function cutsOf(passes: readonly { operation: PlannedOperation }[]): Removals {
  const removals = new Map<string, number>();
  for (const { operation } of passes) {
    const key = unitKey(operation);
    removals.set(key, Math.min(removals.get(key) ?? Infinity, operation.laidAt ?? Infinity));
  }
  return removals;
}

export const isOpen = (operation: PlannedOperation | undefined): boolean =>
  operation?.status === 'planned' || operation?.status === 'unplaced';

export const unitOf = (workload: Workload, id: string): string[] | undefined => {
  const operation = workload.byId.get(id);
  return operation && [unitKey(operation)];
};
