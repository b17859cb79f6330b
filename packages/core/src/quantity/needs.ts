import { binderOf } from '../model/binders';
import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';
import type { Placement } from '../model/placementIds';
import type { Build, Piece } from '../model/schema';
import { faceOfCell, shareOf } from '../model/stepSpots';
import { substrateOf } from '../facts/grounds';
import { isPorousFoam } from '../model/substrates';
import { entryOf } from '../model/sure';
import { has } from '../model/traits';
import { passMl, type PassSize } from './amounts';

/** What of a pass its amount depends on; passes of the planner are such. */
export interface MeasuredPass extends PassSize {
  id: string;
  pieceId: string;
  unit: number;
  stepId: string;
  stepIndex: number;
  coat: number;
  face: string | undefined;
  cells: readonly string[];
  /** Where on its spots it goes, and the share of them that it covers, 0 to 1. */
  placement: Placement;
  share: number;
  colour: string | undefined;
  method: Method;
}

/** What one pass takes out of a tin, ml, the middle figure. */
export interface PassNeed {
  passId: string;
  pieceId: string;
  unit: number;
  stepId: string;
  material: Material;
  /** The colour it is bought or mixed in, where it comes in many. */
  colour: string | undefined;
  method: Method;
  /** As the user takes it. */
  ml: number;
  /** As the book has it, which is what the user is measured against. */
  bookMl: number;
}

/** What bare foam drinks of its first coat besides the film, ml on a square metre (docs/domain.md, "Amounts"). */
const BARE_ML_PER_M2 = 80;
/** The same once its skin was closed by heat. */
const HEAT_SEALED_ML_PER_M2 = 25;
/** A spot by its name, `face:zone`. */
const spotOfCell = (cell: string) => ({ face: faceOfCell(cell), zone: cell.slice(cell.indexOf(':') + 1) });

/** Whether heat has closed the skin of a zone before a step: it came so, or was done in a step before. */
const isHeatSealed = (piece: Piece, zone: string, stepIndex: number): boolean =>
  substrateOf(piece, zone).heatSealed === true ||
  piece.steps
    .slice(0, stepIndex)
    .some(({ kind, zones }) => kind === 'heat-seal' && (zones === undefined || zones.includes(zone)));

/**
 * How much of each spot is bare still. What goes on in the same way goes where it went before; what goes on in another way meets
 * what is bare there by chance.
 */
class BareFoam {
  private readonly known = new Map<string, Map<Placement, number>>();

  /** Takes a pass, and says on which share of the whole spot it wets foam for the first time. */
  wet(spot: string, { placement, share }: Pick<MeasuredPass, 'placement' | 'share'>): number {
    const covered = this.known.get(spot) ?? new Map<Placement, number>();
    this.known.set(spot, covered);
    const left = () => [...covered.values()].reduce((bare, one) => bare * (1 - one), 1);
    const before = left();
    covered.set(placement, Math.max(covered.get(placement) ?? 0, Math.min(1, share)));
    return before - left();
  }
}

/** What stays in the cup and the gun of every mix, ml. */
const RESIDUE_ML = 5;

/** Filler and glue go beside the film, or into gaps: neither closes foam. */
const closesFoam = ({ role }: Material): boolean => role !== 'fill' && role !== 'bond';

/** Whether a material is paint that is mixed and bought in the colour of its step: paint, and what comes in cans of many colours. */
export const comesInColours = ({ role, methods: [usual] }: Pick<Material, 'role' | 'methods'>): boolean =>
  role === 'paint' ||
  role === 'texture' ||
  role === 'detail' ||
  (role === 'prime' && usual !== undefined && methodTable[usual].sprays);

/** Whether a paint can be stirred into another: what comes in a can cannot. */
export const canBeMixed = (material: Pick<Material, 'role' | 'methods'>): boolean =>
  comesInColours(material) && material.methods[0] !== 'aerosol';

/** Whether a material is bought by colour: paint, and what weathers with one; graphite and what is wiped off again have their own. */
export const isBoughtByColour = (
  material: Pick<Material, 'role' | 'methods' | 'traits' | 'binder'>,
): boolean =>
  comesInColours(material) ||
  (material.role === 'weather' && !has(material, 'metallic') && !binderOf(material).comesOff);

/**
 * What every pass of a build takes out of its tin: the film on what it covers, over what is lost on the way; what bare foam drinks of its first
 * coat; and what stays in the cup and the gun, once a coat of all units.
 * @param passes all passes of a build, in the order they are done
 * @param factorOf how much more or less than the book the user takes of a material put on in some way; 1 where nothing is known
 * @example 600 cm² of bare foam, first coat at 120 µm by brush: 7.58 ml + 0.06 m² · 80 ml = 12.4 ml
 */
export function needsOf(
  build: Pick<Build, 'pieces'>,
  passes: readonly MeasuredPass[],
  factorOf: (materialId: string, method: Method) => number = () => 1,
): PassNeed[] {
  const pieces = new Map(build.pieces.map((piece) => [piece.id, piece]));
  const bare = new BareFoam();
  const mixed = new Set<string>();
  const inOrder = [...passes].sort((a, b) => a.stepIndex - b.stepIndex);
  return inOrder.flatMap((pass): PassNeed[] => {
    const { id, pieceId, unit, stepId, material, cells, coat, face, method } = pass;
    if (!material) return [];
    const piece = entryOf(pieces, pieceId);
    let ml = passMl(pass);
    if (closesFoam(material)) {
      let [drinks, covered] = [0, 0];
      for (const cell of cells) {
        const { face, zone } = spotOfCell(cell);
        const cm2 = (piece.faces[face]?.areaCm2 ?? 0) * shareOf(piece, [zone]);
        covered += cm2 * pass.share;
        if (!isPorousFoam(substrateOf(piece, zone).kind)) continue;
        const wetted = bare.wet(`${pieceId}/${unit}/${cell}`, pass);
        drinks +=
          cm2 * wetted * (isHeatSealed(piece, zone, pass.stepIndex) ? HEAT_SEALED_ML_PER_M2 : BARE_ML_PER_M2);
      }
      // Cut edges drink as the faces do that they are sealed with.
      if (covered > 0) ml += (pass.areaCm2 / 10_000) * (drinks / covered);
    }
    const mix = [pieceId, stepId, coat, face].join('/');
    const leavesResidue = method === 'airbrush' || material.potLife !== undefined;
    if (leavesResidue && !mixed.has(mix)) ml += RESIDUE_ML;
    mixed.add(mix);
    const colour = isBoughtByColour(material) ? pass.colour : undefined;
    return [
      {
        passId: id,
        pieceId,
        unit,
        stepId,
        material,
        colour,
        method,
        ml: ml * factorOf(material.id, method),
        bookMl: ml,
      },
    ];
  });
}
