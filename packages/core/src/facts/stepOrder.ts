import { methodTable } from '../model/methods';
import { stepKindTable } from '../model/stepKinds';
import type { Face, Piece, Step } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { facesOf, zoneIdsOf } from '../model/stepSpots';

/** A step with where it stands in the list and what it lays. */
export interface OrderedStep {
  step: Step;
  at: number;
  material: Material | undefined;
}

/** A step that lays something. */
export interface FilmStep extends OrderedStep {
  material: Material;
}

const filmRoles = new Set(['seal', 'prime', 'paint', 'texture', 'weather', 'detail', 'topcoat']);

/** Whether a step lays a film, as against glue, filler, or nothing. */
export const laysFilm = (ordered: OrderedStep): ordered is FilmStep =>
  ordered.material !== undefined && filmRoles.has(ordered.material.role);

/** Heat that would reach the whole part: hot air or flame. */
export const isHeat = (step: Step): boolean =>
  stepKindTable[step.kind].heats === true || (step.method !== undefined && methodTable[step.method].heats);

/** Whether two steps work on a common spot. */
export function meet(piece: Piece, a: Step, b: Step): boolean {
  const shared = (first: readonly string[], second: readonly string[]) =>
    first.some((one) => second.includes(one));
  const faces: Face[] = facesOf(b);
  return shared(facesOf(a), faces) && shared(a.zones ?? zoneIdsOf(piece), b.zones ?? zoneIdsOf(piece));
}

/** Grit that takes something away. */
export const isSanding = (step: Step): boolean =>
  stepKindTable[step.kind].abrades === true ||
  (step.method !== undefined && methodTable[step.method].abrades);
