import { idFromName } from '../model/pieceEdits';
import type { Material } from '../model/materialSchema';
import type { Piece, Step } from '../model/schema';
import { finishAcrossZones, type FinishPlan } from './finishPlan';
import { splitByZone } from './splitByZone';

/** A piece's steps with the zones' coats in the order that takes the least tape, and how that order came about. */
export interface Reordered {
  plan: FinishPlan;
  steps: Step[];
}

/**
 * The zones' own coats of a piece in the order that takes the least tape, masked; what comes before and after them stays.
 * Undefined where there are no two zones with coats of their own to order.
 */
export function reorderZones(piece: Piece, materials: ReadonlyMap<string, Material>): Reordered | undefined {
  const split = splitByZone(piece.steps, piece.zones ?? [], materials);
  if (!split) return undefined;
  const { before, finishes, after } = split;
  const used = [...before, ...after, ...finishes.flatMap(({ steps }) => steps)].map(({ id }) => id);
  const freshId = (stem: string) => {
    const id = idFromName(stem, used);
    used.push(id);
    return id;
  };
  // Where edges were looked over, those of the new order are; the colours as a whole are looked over where they were.
  const edges = piece.steps.find(({ looksOver }) => looksOver === 'pulled');
  const plan = finishAcrossZones(piece, finishes, {
    freshId,
    tapePlace: piece.steps.find(({ kind }) => kind === 'mask')?.place,
    materials,
    lookOver: (at) => (edges && at === 'pulled' ? [{ ...edges, id: freshId('inspect') }] : []),
  });
  return { plan, steps: [...before, ...plan.steps, ...after] };
}
