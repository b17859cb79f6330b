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

/**
 * How thick a film is against a normal one of its material: by its grade, or by its real thickness where that is said (docs/domain.md,
 * "The drying model").
 * @example filmFactorOf(foamClay, 'normal', 2.5) // 2.5 of 5 mm: 0.5
 */
export const filmFactorOf = (
  material: Pick<Material, 'wftUm'> | undefined,
  film: FilmGrade = 'normal',
  pourMm?: number,
): number =>
  pourMm === undefined || !material || material.wftUm <= 0
    ? filmFactor[film]
    : (pourMm * 1000) / material.wftUm;

/** Dry film of a wet one, µm: `DFT = WFT × solids by volume` (docs/domain.md, "Other formulas"). */
export const dryFilmUm = (wetUm: number, material: Pick<Material, 'solids'>): number =>
  wetUm * material.solids;
