import { borderMm, edgeOf, methodOf, zoneIdsOf } from '../model/stepSpots';
import { methodTable, type Method } from '../model/methods';
import type { Material } from '../model/materialSchema';
import { placementOf, placementTable } from '../model/placements';
import type { Piece, Step } from '../model/schema';

/**
 * Whether a coat lands beside its zones as well: by its tool, unless it is dabbed here and there, which is done with care.
 * @example a sponged base does, a sponge dabbed on worn spots does not
 */
export function reachesOver(step: Step, material: Material | undefined): boolean {
  if (material === undefined) return false;
  const method: Method = methodOf(step, material);
  if (methodTable[method].sprays) return true;
  return (
    methodTable[method].reachesOver && placementTable[placementOf(step, material, method)].isDabbed !== true
  );
}

/**
 * The tape between two groups of zones of a piece, mm: along where they meet. Where that is not known from a drawing, it is no longer than
 * the outline of either.
 */
export const tapeBetweenMm = (piece: Piece, covered: readonly string[], painted: readonly string[]): number =>
  borderMm(piece, covered, painted) ?? Math.min(edgeOf(piece, covered), edgeOf(piece, painted));

/**
 * The tape that a mask step of zones takes, mm: along what is painted until it is pulled. Where that is nothing, or is not known,
 * round all that it covers.
 */
export function tapeMmOf(piece: Piece, mask: Step): number {
  const covered = mask.zones ?? zoneIdsOf(piece);
  const at = piece.steps.findIndex(({ id }) => id === mask.id);
  const rest = at < 0 ? [] : piece.steps.slice(at + 1);
  const pulled = rest.findIndex(
    (step) =>
      step.kind === 'unmask' &&
      !step.covers &&
      (step.zones === undefined || step.zones.some((zone) => covered.includes(zone))),
  );
  const painted = rest
    .slice(0, pulled < 0 ? undefined : pulled)
    .flatMap((step) => (step.material === undefined ? [] : (step.zones ?? zoneIdsOf(piece))))
    .filter((zone) => !covered.includes(zone));
  return painted.length === 0 ? edgeOf(piece, covered) : tapeBetweenMm(piece, covered, [...new Set(painted)]);
}
