import { filmFactor, type FilmGrade } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';

/**
 * Wet film of one coat, µm: the material's normal film times the grade, or the depth of a pour.
 * @example wetFilmUm(pvaFoamPrimer, 'light') // 120 · 0.6 = 72
 */
export const wetFilmUm = (
  material: Pick<Material, 'wftUm'>,
  film: FilmGrade = 'normal',
  pourMm?: number,
): number => (pourMm === undefined ? material.wftUm * filmFactor[film] : pourMm * 1000);

/** Dry film of a wet one, µm: `DFT = WFT × solids by volume` (docs/domain.md, "Other formulas"). */
export const dryFilmUm = (wetUm: number, material: Pick<Material, 'solids'>): number =>
  wetUm * material.solids;
