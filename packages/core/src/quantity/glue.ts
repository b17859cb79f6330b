import { edgeOf, zoneIdsOf } from '../model/stepSpots';
import { stainable } from '../model/fields';
import type { Material } from '../model/materialSchema';
import type { Piece, Step } from '../model/schema';
import { has } from '../model/traits';

/** A fixing (a pin, a stud, a buckle) takes a dab: of what is melted, or of cement, ml. */
const MELTED_DAB_ML = 0.8;
const CEMENT_DAB_ML = 0.5;
/** A bead of what is melted, ml on 100 mm. */
const BEAD_ML_PER_100_MM = 2;
/** Cement on each of the two faces that are pressed together, ml on a square centimetre: 0.2 l on a square metre. */
const CEMENT_ML_PER_CM2 = 0.02;
const FACES_GLUED = 2;
/** How wide hook-and-loop, elastic and the turned-in edge of cloth are, where nobody says, mm. */
const BAND_MM = 25;

/** Whether something covers a face, and is glued along its edges. */
const isCover = ({ attaches }: Step): boolean => attaches !== undefined && stainable.includes(attaches);

/** How long what is put on is glued on one unit, mm; undefined for what is held by fixings. */
function gluedMm(piece: Piece, step: Step, lengthMm: number): number | undefined {
  if (step.alongMm !== undefined) return step.alongMm;
  if (step.kind === 'join' && lengthMm > 0) return lengthMm;
  return isCover(step) && step.fixings === undefined
    ? edgeOf(piece, step.zones ?? zoneIdsOf(piece))
    : undefined;
}

/**
 * The glue that a step takes on one unit, ml (docs/domain.md, "Amounts"): where it holds, never over the face. By the area, the length or the
 * fixings that the step says; a joint by its seam; a cover of cloth or leather by its turned-in edges; all else is one dab.
 * @param lengthMm what is joined along; `workLengthMm`
 * @example contact cement for a badge of 180 cm²: 180 · 0.02 · 2 = 7.2 ml
 */
export function glueMl(piece: Piece, step: Step, material: Material, lengthMm: number): number {
  const melts = has(material, 'melts');
  if (step.bondCm2 !== undefined && !melts) return step.bondCm2 * CEMENT_ML_PER_CM2 * FACES_GLUED;
  const alongMm = gluedMm(piece, step, lengthMm);
  if (alongMm !== undefined) {
    if (melts) return (alongMm / 100) * BEAD_ML_PER_100_MM;
    // Edges that are joined are as wide as the foam.
    const widthMm = step.kind === 'join' ? piece.substrate.thicknessMm : BAND_MM;
    return ((alongMm * widthMm) / 100) * CEMENT_ML_PER_CM2 * FACES_GLUED;
  }
  return (step.fixings ?? 1) * (melts ? MELTED_DAB_ML : CEMENT_DAB_ML);
}
