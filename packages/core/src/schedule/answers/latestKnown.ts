import type { Piece } from '../../model/schema';
import type { EpochMinute } from '../../model/wallTime';
import { entryOf } from '../../model/sure';
import type { Workload } from '../plan/workload';
import type { PlanAround } from './latestStart';

/**
 * Latest moments to begin that were worked out for an earlier plan: a piece whose steps, log and dates are the same, and what it
 * waits for in others too, has the same in the same rooms with the same people. So after a pass is logged only that piece is
 * worked out anew.
 */
export class LatestKnown {
  private readonly byPiece = new Map<string, { key: string; at: EpochMinute | undefined }>();

  /** The latest moment for a piece, as it was or as `find` has it. What has passed is found anew. */
  of(
    workload: Workload,
    piece: Piece,
    around: PlanAround,
    find: () => EpochMinute | undefined,
  ): EpochMinute | undefined {
    const key = keyOf(workload, piece, around);
    const known = this.byPiece.get(piece.id);
    if (known?.key === key && known.at !== undefined && known.at >= around.now) return known.at;
    const at = find();
    this.byPiece.set(piece.id, { key, at });
    return at;
  }
}

/** All that the latest moment of a piece depends on, but for the present. */
function keyOf({ build, byPiece, readings }: Workload, piece: Piece, around: PlanAround): string {
  const own = byPiece.get(piece.id) ?? [];
  const isOwn = (entry: { piece: string }) => entry.piece === piece.id;
  const ids = new Set(own.map(({ id }) => id));
  return JSON.stringify([
    piece,
    build.events.find(({ id }) => id === piece.event),
    (build.log ?? []).filter(isOwn),
    (build.underway ?? []).filter(isOwn),
    (build.touchTests ?? []).filter(isOwn),
    (build.pins ?? []).filter(({ operation }) => ids.has(operation)),
    own.flatMap(({ after }) => after.filter((id) => !ids.has(id)).map((id) => around.fixedEnds.get(id))),
    own.flatMap(({ id }) => (around.letDryThrough.has(id) ? [id] : [])),
    [build.people, build.places, build.quiet, build.materials, build.stock, build.timeZone],
    // A reading more changes the air from then on, which is felt where it is read.
    Object.entries(readings).map(([place, all]) => [place, all.length, all.at(-1)?.at]),
  ]);
}

/** The ids of an order that belong to some pieces, in that order. */
export const orderOf = (workload: Workload, sequence: readonly string[]): Map<string, string[]> => {
  const orders = new Map<string, string[]>([...workload.pieces.keys()].map((id) => [id, []]));
  for (const id of sequence) {
    const operation = workload.byId.get(id);
    if (operation) entryOf(orders, operation.pieceId).push(id);
  }
  return orders;
};
