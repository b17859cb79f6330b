import type { Face, Piece, Step } from '../model/schema';
import { dryFilmUm, wetFilmUm } from '../materials/film';
import { laysFilm, orderedSteps } from './stepOrder';
import type { FilmGrade } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { facesOf, zoneIdsOf } from '../model/stepSpots';

/** One step's film on one spot. */
export interface Layer {
  step: Step;
  /** Where the step stands in the list, from 0. */
  at: number;
  material: Material;
  film: FilmGrade;
}

/** The films of one spot as the list of steps has them, bottom first. */
export interface Spot {
  /** `face:zone`. */
  cell: string;
  face: Face;
  zone: string;
  layers: Layer[];
}

/** The stacks of a piece as its steps lay them, whether or not a plan could place them all. */
export function spotsOf(piece: Piece, materials: ReadonlyMap<string, Material>): Spot[] {
  const steps = orderedSteps(piece, materials);
  const faces: Face[] = piece.faces.inner ? ['outer', 'inner'] : ['outer'];
  return faces.flatMap((face) =>
    zoneIdsOf(piece).map((zone) => ({
      cell: `${face}:${zone}`,
      face,
      zone,
      layers: steps
        .filter(
          (one) =>
            (laysFilm(one) || one.material?.role === 'fill') &&
            facesOf(one.step).includes(face) &&
            (one.step.zones ?? zoneIdsOf(piece)).includes(zone),
        )
        .map(({ step, at, material }) => ({ step, at, material: material!, film: step.film ?? 'normal' })),
    })),
  );
}

/** Dry film of one layer with all its coats, µm. Fillers are shape, not film: they count as none. */
export const layerUm = ({ material, film, step }: Layer): number =>
  material.role === 'fill'
    ? 0
    : dryFilmUm(wetFilmUm(material, film, step.pourMm), material) * (step.coats ?? 1);

/** Dry film of some layers together, µm. */
export const filmBuildUm = (layers: readonly Layer[]): number =>
  layers.reduce((sum, layer) => sum + layerUm(layer), 0);
