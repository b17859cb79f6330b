import type { LaidCoat, Stand } from './laidCoat';
import { spansFor, reach } from './clocks';
import { nth } from '../model/sure';

/** Neighbouring coats that count as one film for the later milestones, by their first and last index. */
export interface Film {
  first: number;
  last: number;
  factor: number;
  /** How much longer than the label it takes: what touch tests showed of each coat, by its share of the film. */
  timeFactor: number;
}

export function joinFilms(coats: readonly LaidCoat[], stands: readonly Stand[]): Film[] {
  const films: Film[] = [];
  coats.forEach((coat, at) => {
    const below = films[films.length - 1];
    const under = coats[at - 1];
    if (below && under && under.material.id === coat.material.id && coat.material.redissolves) {
      const spans = spansFor(under.material, 'late', under.laidAt, stands, [], 1);
      const packableAt = reach(spans, (under.material.pack ?? 0) * below.factor ** 2 * below.timeFactor);
      if (coat.laidAt < packableAt) {
        const factor = below.factor + coat.filmFactor;
        below.timeFactor =
          (below.factor * below.timeFactor + coat.filmFactor * (coat.timeFactor ?? 1)) / factor;
        below.factor = factor;
        below.last = at;
        return;
      }
    }
    films.push({ first: at, last: at, factor: coat.filmFactor, timeFactor: coat.timeFactor ?? 1 });
  });
  return films;
}

/** The different films above a coat, lowest first: further coats of one material are one layer. */
export const coversOf = (coats: readonly LaidCoat[], at: number): LaidCoat[] =>
  coats.slice(at + 1).filter((coat, n) => coat.material.id !== nth(coats, at + n).material.id);
