import { filmGradeTable, type FilmGrade } from '../model/filmGrades';

/** "3 light coats", "a normal coat". */
export function coatsWords(coats: number, film: FilmGrade): string {
  return coats === 1
    ? `one ${filmGradeTable[film].word} coat`
    : `${coats} ${filmGradeTable[film].word} coats`;
}
