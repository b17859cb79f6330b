import { borderMm, edgeOf, methodOf, zoneIdsOf } from '../model/stepSpots';
import { methodTable, type Method } from '../model/methods';
import type { Material } from '../model/materialSchema';
import { placementOf, placementTable } from '../model/placements';
import type { Piece, Step, Zone } from '../model/schema';
import { isMaskedAt } from './masking';

/**
 * Whether a coat lands beside its zones as well, so that what is there is taped: spray always does. Else it is as the edges say that it
 * meets; where they say nothing, what is brushed or sponged is cut in by hand and what is wider than the line is not. What is dabbed here
 * and there is done with care.
 * @param edges the zones on both sides of the edges
 */
export function reachesOver(
  step: Step,
  material: Material | undefined,
  edges: readonly Pick<Zone, 'edge'>[] = [],
): boolean {
  if (material === undefined) return false;
  const method: Method = methodOf(step, material);
  if (methodTable[method].sprays) return true;
  if (placementTable[placementOf(step, material, method)].isDabbed === true) return false;
  if (edges.some(({ edge }) => edge === 'tape')) return true;
  return methodTable[method].reachesOver && !edges.some(({ edge }) => edge === 'by-hand');
}

/** Roles whose coats meet those of another zone at its edge. */
const seen = new Set<Material['role']>(['paint', 'texture', 'detail', 'topcoat']);

/** Whether a coat of some zones is cut in along their edge by hand, where they meet others that are painted. */
export const isCutIn = (step: Step, material: Material | undefined): boolean =>
  material !== undefined &&
  seen.has(material.role) &&
  !reachesOver(step, material) &&
  placementTable[placementOf(step, material, methodOf(step, material))].isDabbed !== true;

/**
 * The edge that a coat is cut in along by hand, mm: where its zones meet others that are painted before it, and it is not taped off.
 * @param laid what the steps of the piece lay, by their place in the list
 */
export function cutInMm(piece: Piece, at: number, laid: (step: Step) => Material | undefined): number {
  const step = piece.steps[at];
  const all = piece.zones ?? [];
  if (!step?.zones || step.zones.length >= all.length) return 0;
  if (!isCutIn(step, laid(step))) return 0;
  const before = new Set(
    piece.steps.slice(0, at).flatMap((other) => {
      const role = laid(other)?.role;
      return role !== undefined && seen.has(role) && other.zones ? other.zones : [];
    }),
  );
  const beside = all.filter(
    ({ id }) => before.has(id) && !step.zones?.includes(id) && !isMaskedAt(piece, id, at),
  );
  return beside.length === 0
    ? 0
    : tapeBetweenMm(
        piece,
        beside.map(({ id }) => id),
        step.zones,
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
