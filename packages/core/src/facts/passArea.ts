import { tapeMmOf } from './tape';
import { edgeOf, shareOf, zoneIdsOf } from '../model/stepSpots';
import type { Material } from '../model/materialSchema';
import type { Method } from '../model/methods';
import { coveredShare } from '../model/placements';
import type { Face, Piece, Step } from '../model/schema';

/** What one pass of a step works on: the area it covers, the share of its spots that is, and the edge round them. */
export interface PassArea {
  areaCm2: number;
  /** Of the area of its zones, 0 to 1. */
  share: number;
  /** For tape between zones: as long as it is laid. */
  edgeMm: number;
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
  const edgeMm = step.kind === 'mask' && !step.covers ? tapeMmOf(piece, step) : edgeOf(piece, zones);
  const whole = faces.reduce((sum, face) => sum + ofFace(face), 0);
  const share = coveredShare(step, material, method, whole / Math.max(1, faces.length), edgeMm);
  return { areaCm2: whole * share, share, edgeMm };
}
