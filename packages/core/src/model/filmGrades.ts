import { columnOf, idsOf, tableOf } from './table';

/** How thick a coat is laid. */
export interface FilmGradeDefinition {
  /** "dust" in "2 dust coats". */
  word: string;
  /** One such coat. */
  coat: string;
  /** Wet film as a share of the material's normal one (docs/domain.md, "The drying model"). */
  factor: number;
}

/** From thinnest to thickest. */
export const filmGradeTable = tableOf<FilmGradeDefinition>()({
  dust: { word: 'dust', coat: 'dust coat', factor: 0.35 },
  light: { word: 'light', coat: 'light coat', factor: 0.6 },
  normal: { word: 'normal', coat: 'normal coat', factor: 1 },
  heavy: { word: 'heavy', coat: 'heavy coat', factor: 1.8 },
});

export type FilmGrade = keyof typeof filmGradeTable;
export const filmGrades = idsOf(filmGradeTable);
export const filmFactor = columnOf(filmGradeTable, 'factor');
export const filmWords = columnOf(filmGradeTable, 'coat');
