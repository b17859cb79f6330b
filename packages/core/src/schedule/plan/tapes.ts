import { pulls, TAPE_ON_MINUTES } from '../../facts/masking';
import type { Piece } from '../../model/schema';
import { workBegins, type PlannedOperation } from './plan';
import type { Operation } from './operations';

/** The tape that is laid on one unit, with the pass that pulls it; what covers bond areas and closures may stay on. */
export function tapesOf(
  own: readonly Operation[],
  { steps }: Pick<Piece, 'steps'>,
): { mask: Operation; pull: Operation }[] {
  const stepOf = ({ stepIndex }: Operation) => steps[stepIndex];
  return own.flatMap((mask, at) => {
    const laid = stepOf(mask);
    if (mask.kind !== 'mask' || !laid || laid.covers) return [];
    const pull = own.slice(at + 1).find((one) => {
      const step = stepOf(one);
      return one.kind === 'unmask' && step !== undefined && pulls(step, laid);
    });
    return pull ? [{ mask, pull }] : [];
  });
}

/** How long tape stays on beyond its day, minutes: what is pulled already is no matter any more. */
export function tapedMinutes(
  operations: readonly PlannedOperation[],
  tapeOf: ReadonlyMap<string, readonly string[]>,
): number {
  const pulled = operations.filter(
    ({ id, status, laidAt }) => status === 'planned' && laidAt !== undefined && tapeOf.has(id),
  );
  if (pulled.length === 0) return 0;
  const byId = new Map(operations.map((one) => [one.id, one]));
  return sumOf(
    pulled.flatMap((pull) =>
      (tapeOf.get(pull.id) ?? []).map((mask) =>
        Math.max(0, workBegins(pull) - (byId.get(mask)?.laidAt ?? Infinity) - TAPE_ON_MINUTES),
      ),
    ),
  );
}

const sumOf = (numbers: readonly number[]): number => Math.ceil(numbers.reduce((sum, one) => sum + one, 0));
