import { copyPiece } from '../model/pieceEdits';
import type { Build, Piece } from '../model/schema';
import { mirroredDrawing } from './drawing';

/** The other hand of a piece: the same plan, its drawing turned over with its zones, told apart by left and right where the name says so. */
export function mirrorPiece(build: Build, piece: Piece): Piece {
  const swapped = /\bleft\b/i.test(piece.name)
    ? piece.name.replace(/\bleft\b/i, (word) => (word[0] === 'L' ? 'Right' : 'right'))
    : /\bright\b/i.test(piece.name)
      ? piece.name.replace(/\bright\b/i, (word) => (word[0] === 'R' ? 'Left' : 'left'))
      : `${piece.name}, mirrored`;
  const copy = copyPiece(build, piece, swapped);
  return {
    ...copy,
    mirrors: piece.id,
    ...(copy.drawing ? { drawing: mirroredDrawing(copy.drawing) } : {}),
  };
}
