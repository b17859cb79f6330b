import type { FilmGrade } from '../build/schema';
import type { Material } from '../materials/material';

/** Wet film of each grade as a share of the material's normal wet film (docs/domain.md, "The drying model"). */
export const filmFactor: Record<FilmGrade, number> = { dust: 0.35, light: 0.6, normal: 1, heavy: 1.8 };

/** The words for each grade. */
export const filmWords: Record<FilmGrade, string> = {
  dust: 'dust coat',
  light: 'light coat',
  normal: 'normal coat',
  heavy: 'heavy coat',
};

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
