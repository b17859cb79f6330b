import type { Piece } from '../../model/schema';
import type { Operation } from './operations';

/** Units smaller than this, by their outer face, lie on a tray together, cm². */
const ON_A_TRAY_BELOW_CM2 = 60;

/** Whether the units of a piece are so small that they are prepared, coated, looked over and logged as one thing. */
export const isTray = ({ quantity, faces }: Pick<Piece, 'quantity' | 'faces'>): boolean =>
  quantity > 1 && faces.outer.areaCm2 < ON_A_TRAY_BELOW_CM2;

/**
 * The same pass of all units of each tray, by the id of each of those passes, units in order.
 * @param byPiece the operations of each piece
 */
export function traysOf(
  pieces: readonly Piece[],
  byPiece: ReadonlyMap<string, readonly Operation[]>,
): Map<string, readonly string[]> {
  const trays = new Map<string, readonly string[]>();
  for (const piece of pieces) {
    if (!isTray(piece)) continue;
    const passes = new Map<string, string[]>();
    for (const { id, stepId, coat, face } of byPiece.get(piece.id) ?? []) {
      const key = `${stepId} ${coat} ${face ?? ''}`;
      const known = passes.get(key);
      if (known) known.push(id);
      else passes.set(key, [id]);
    }
    for (const ids of passes.values()) for (const id of ids) trays.set(id, ids);
  }
  return trays;
}
