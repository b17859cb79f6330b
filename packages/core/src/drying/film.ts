import type { FilmGrade } from '../build/schema';

/** Wet film of each grade as a share of the material's normal wet film (docs/domain.md, "The drying model"). */
export const filmFactor: Record<FilmGrade, number> = { dust: 0.35, light: 0.6, normal: 1, heavy: 1.8 };

/** The words for each grade. */
export const filmWords: Record<FilmGrade, string> = {
  dust: 'dust coat',
  light: 'light coat',
  normal: 'normal coat',
  heavy: 'heavy coat',
};
