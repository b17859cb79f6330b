import { edgeOf, shareOf, zoneIdsOf } from '../model/stepSpots';
import type { Piece, Step } from '../model/schema';
import { tapeMmOf } from './tape';

/**
 * How long what a step works along is on one unit, mm: tape that is laid or pulled, a seam that is filled or joined, what is glued on by
 * the metre; 0 for work that goes by area or by fixings. Where nobody measured it, a seam runs once across and once along the piece,
 * and a part is joined along half its outline.
 */
export function workLengthMm(pieces: readonly Piece[], piece: Piece, step: Step): number {
  if (step.alongMm !== undefined) return step.alongMm;
  switch (step.kind) {
    case 'mask':
      return step.covers ? 0 : tapeMmOf(piece, step);
    case 'unmask':
      return step.covers ? 0 : pulledMm(piece, step);
    case 'fill': {
      const share = shareOf(piece, step.zones ?? zoneIdsOf(piece));
      return (piece.lengths?.seamMm ?? 2 * Math.sqrt(piece.faces.outer.areaCm2 * 100)) * share;
    }
    case 'join':
      return (step.parts ?? []).reduce((sum, id) => {
        const part = pieces.find((one) => one.id === id);
        return sum + (part ? (part.quantity * edgeOf(part, zoneIdsOf(part))) / 2 : 0);
      }, 0);
    default:
      return 0;
  }
}

/** The tape between zones that a step pulls, mm: of all masks before it that share a zone with it and were not pulled before. */
function pulledMm(piece: Piece, unmask: Step): number {
  const shares = (one: Step, other: Step) =>
    one.zones === undefined ||
    other.zones === undefined ||
    one.zones.some((zone) => other.zones?.includes(zone));
  let on: Step[] = [];
  for (const step of piece.steps) {
    if (step.id === unmask.id) break;
    if (step.kind === 'mask' && !step.covers && shares(step, unmask)) on.push(step);
    if (step.kind === 'unmask' && !step.covers) on = on.filter((mask) => !shares(mask, step));
  }
  return on.reduce((sum, mask) => sum + tapeMmOf(piece, mask), 0);
}
