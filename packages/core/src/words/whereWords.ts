import type { Material } from '../model/materialSchema';
import type { Face, Piece } from '../model/schema';
import { workWord } from './workWord';
import { nth } from '../model/sure';

/** A spot of a piece by its face and zone. */
export interface SpotName {
  face: Face;
  zone: string;
}

/**
 * A step by its number and what it lays, or else its kind.
 * @example "step 7, Acrylic wash", "step 2, Heat-seal"
 */
export function stepTitle(piece: Piece, at: number, materials: ReadonlyMap<string, Material>): string {
  const step = nth(piece.steps, at);
  const material = step.material === undefined ? undefined : materials.get(step.material);
  return `step ${at + 1}, ${material?.name ?? workWord(step)}`;
}

/**
 * Zones and faces in a few words: nothing where it is the whole piece, or a piece with but one face and no zones.
 * @example "Trim, inner face"
 */
export function spotWords(piece: Piece, spots: readonly SpotName[]): string {
  const zones = (piece.zones ?? []).filter((zone) => spots.some((spot) => spot.zone === zone.id));
  const onZones =
    zones.length === 0 || zones.length === (piece.zones ?? []).length ? [] : zones.map(({ name }) => name);
  const faces = [...new Set(spots.map((spot) => spot.face))];
  const [face] = faces;
  const onFace = piece.faces.inner && faces.length === 1 && face ? [`${face} face`] : [];
  return [...onZones, ...onFace].join(', ');
}
