import { edgeOf, shareOf, zoneIdsOf } from '../model/stepSpots';
import type { Material } from '../model/materialSchema';
import type { Method } from '../model/methods';
import { coveredShare } from '../model/placements';
import { substrateTable } from '../model/substrates';
import type { Face, Piece, Step } from '../model/schema';

/** What one pass of a step works on: the area it covers, and the share of its spots that is. */
export interface PassArea {
  areaCm2: number;
  /** Of the area of its zones, 0 to 1. */
  share: number;
}

/** The area of one pass of a step on some faces of a piece. */
export function passArea(
  piece: Piece,
  step: Step,
  faces: readonly Face[],
  material: Material | undefined,
  method: Method,
): PassArea {
  const zones = step.zones ?? zoneIdsOf(piece);
  const ofFace = (face: Face) => (piece.faces[face]?.areaCm2 ?? 0) * shareOf(piece, zones);
  const whole = faces.reduce((sum, face) => sum + ofFace(face), 0);
  const ofPiece = shareOf(piece, zones);
  const { grooveMm = 0, seamMm = 0 } = piece.lengths ?? {};
  const share = coveredShare(step, material, method, whole / Math.max(1, faces.length), {
    edgesMm: edgeOf(piece, zones),
    groovesMm: grooveMm > 0 ? grooveMm * ofPiece : undefined,
    seamsMm: seamMm > 0 ? seamMm * ofPiece : undefined,
  });
  const edges = step.kind === 'seal' && faces.includes('outer') ? cutEdgeCm2(piece) * ofPiece : 0;
  return { areaCm2: (whole + edges) * share, share };
}

/** The cut edges of a piece that lie open, cm²: their cells drink, and they are sealed with its outer face. */
export const cutEdgeCm2 = ({ lengths, substrate }: Pick<Piece, 'lengths' | 'substrate'>): number =>
  substrateTable[substrate.kind].isPorousFoam ? ((lengths?.openMm ?? 0) * substrate.thicknessMm) / 100 : 0;
