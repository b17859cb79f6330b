import type { Face, Piece } from '../model/schema';
import { filmsAtBends, flexingOf, type FilmAtBend } from './bends';
import { forecastSheen, type SheenForecast } from './sheen';
import { filmBuildUm, spotsOf, type Known } from './spots';

/** What all planned coats of one spot come to. */
export interface StackFigures {
  cell: string;
  face: Face;
  zone: string;
  /** The units on which it comes to this. */
  units: number[];
  /** All dry films together, µm. */
  filmUm: number;
  sheen: SheenForecast | undefined;
  /** At each flex spot the film that is nearest to cracking. */
  bends: FilmAtBend[];
  /** The film as a share of the depth of the finest detail, 0–1; undefined when the piece names none. */
  detailLost: number | undefined;
}

/** The figures of every spot of a piece, as its steps lay it. */
export function stackFigures(piece: Piece, known: Known): StackFigures[] {
  return spotsOf(piece, known).map((spot) => {
    const { cell, face, zone, units, layers } = spot;
    const filmUm = filmBuildUm(layers);
    const films = filmsAtBends(piece, layers);
    return {
      cell,
      face,
      zone,
      units,
      filmUm,
      sheen: forecastSheen(piece, spot),
      bends: flexingOf(piece).flatMap(
        (spot) => films.filter((film) => film.spot === spot.name).sort((a, b) => b.share - a.share)[0] ?? [],
      ),
      detailLost:
        piece.finestDetailMm === undefined ? undefined : Math.min(1, filmUm / (piece.finestDetailMm * 1000)),
    };
  });
}
