import type { Piece } from '../model/schema';
import { layerUm, type Layer } from './spots';

/**
 * Strain of a film at a bend, %: `(h/2 + film)/R` for foam of thickness h bent to radius R at mid-plane
 * (docs/domain.md, "Other formulas").
 */
export const bendStrainPct = (thicknessMm: number, filmUm: number, bendRadiusMm: number): number =>
  (100 * (thicknessMm / 2 + filmUm / 1000)) / bendRadiusMm;

/** A film keeps whole to this share of its elongation at break; beyond it cracking is a risk. */
export const RISKY_SHARE = 1 / 4;
/** Beyond this share it cracks soon. */
export const CRACKING_SHARE = 1 / 2;

/** How one film fares at one flex spot. */
export interface FilmAtBend {
  layer: Layer;
  spot: string;
  bendRadiusMm: number;
  strainPct: number;
  elongationPct: number;
  /** Strain over elongation at break. */
  share: number;
}

/** Every film of a stack at every flex spot of the piece, in order of the stack. */
export function filmsAtBends(piece: Piece, layers: readonly Layer[]): FilmAtBend[] {
  let filmUm = 0;
  return layers.flatMap((layer) => {
    // The film itself lies at its full thickness somewhere; what is below it is there with its share.
    const own = filmUm + layerUm(layer);
    filmUm += layerUm(layer) * layer.share;
    const { elongationPct, role } = layer.material;
    if (elongationPct === undefined || role === 'fill') return [];
    return (piece.flex ?? []).map((spot) => {
      const strainPct = bendStrainPct(piece.substrate.thicknessMm, own, spot.bendRadiusMm);
      return {
        layer,
        spot: spot.name,
        bendRadiusMm: spot.bendRadiusMm,
        strainPct,
        elongationPct,
        share: elongationPct > 0 ? strainPct / elongationPct : Infinity,
      };
    });
  });
}
