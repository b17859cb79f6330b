import type { Piece } from '../model/schema';

/** A step id that the piece does not use yet, starting with `stem`. */
export function freshId(stem: string, piece: Piece): string {
  const used = new Set(piece.steps.map((step) => step.id));
  for (let n = 1; ; n += 1) {
    const id = n === 1 ? stem : `${stem}-${n}`;
    if (!used.has(id)) return id;
  }
}
