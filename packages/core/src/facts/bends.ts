import { flexUseTable, type FlexUse } from '../model/flexUses';
import type { Material } from '../model/materialSchema';
import type { Piece } from '../model/schema';
import { layerUm, type Layer } from './spots';

/**
 * Strain of a film at a bend, %: `(h/2 + film)/R` for foam of thickness h bent to radius R at mid-plane
 * (docs/domain.md, "Other formulas").
 */
export const bendStrainPct = (thicknessMm: number, filmUm: number, bendRadiusMm: number): number =>
  (100 * (thicknessMm / 2 + filmUm / 1000)) / bendRadiusMm;

/** A film that stretches less than this before it breaks is rigid, %. */
const RIGID_PCT = 10;
/** One that stretches further than this gives way under a rigid one, %. */
const FLEXIBLE_PCT = 100;

/** Whether a film hardly stretches; one of which that is not known is taken to. */
export const isRigid = ({ elongationPct = FLEXIBLE_PCT }: Pick<Material, 'elongationPct'>): boolean =>
  elongationPct < RIGID_PCT;
/** Whether a film stretches far. */
export const stretchesFar = ({ elongationPct = 0 }: Pick<Material, 'elongationPct'>): boolean =>
  elongationPct > FLEXIBLE_PCT;

/** From this share of what cracks a film on, it may crack. */
const RISKY_SHARE = 1 / 2;

/** How a film fares where it is stretched. */
export type Faring = 'holds' | 'may crack' | 'cracks';

/**
 * How a film fares at a bend: it cracks where the strain reaches what it stands, its elongation at break, at a bend that moves while worn,
 * and 1.5 times that at one that only opens; from half of that on it may.
 */
export function faresAt(strainPct: number, elongationPct: number, use: FlexUse = 'worn'): Faring {
  const { cracksAt } = flexUseTable[use];
  const share = elongationPct > 0 ? strainPct / elongationPct : Infinity;
  if (cracksAt === Infinity || share < RISKY_SHARE * cracksAt) return 'holds';
  return share < cracksAt ? 'may crack' : 'cracks';
}

/** A dust coat breaks too fine to see: it counts one grade milder. */
const milder: Record<Faring, Faring> = { holds: 'holds', 'may crack': 'holds', cracks: 'may crack' };

/** How one film fares at one flex spot. */
export interface FilmAtBend {
  layer: Layer;
  spot: string;
  bendRadiusMm: number;
  strainPct: number;
  elongationPct: number;
  /** Strain over elongation at break. */
  share: number;
  fares: Faring;
}

/** The bends of a piece that move. */
export const flexingOf = ({ flex = [] }: Pick<Piece, 'flex'>) => flex.filter(({ use }) => use !== 'formed');

/** Every film of a stack at every spot of the piece that flexes, in order of the stack. What was formed that way does not. */
export function filmsAtBends(piece: Piece, layers: readonly Layer[]): FilmAtBend[] {
  let filmUm = 0;
  return layers.flatMap((layer) => {
    // The film itself lies at its full thickness somewhere; what is below it is there with its share.
    const own = filmUm + layerUm(layer);
    filmUm += layerUm(layer) * layer.share;
    const { elongationPct, role } = layer.material;
    if (elongationPct === undefined || role === 'fill') return [];
    return flexingOf(piece).map((spot) => {
      const strainPct = bendStrainPct(piece.substrate.thicknessMm, own, spot.bendRadiusMm);
      const fares = faresAt(strainPct, elongationPct, spot.use);
      return {
        layer,
        spot: spot.name,
        bendRadiusMm: spot.bendRadiusMm,
        strainPct,
        elongationPct,
        share: elongationPct > 0 ? strainPct / elongationPct : Infinity,
        fares: layer.film === 'dust' ? milder[fares] : fares,
      };
    });
  });
}
