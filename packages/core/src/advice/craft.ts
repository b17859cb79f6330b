import { binderOf } from '../model/binders';
import { hazardsOf } from '../model/hazards';
import type { Material } from '../model/materialSchema';
import type { PatchStep } from '../model/patch';
import type { Piece, Step } from '../model/schema';
import { has } from '../model/traits';
import { spotsOf, type Layer } from '../facts/spots';
import type { Severity } from './finding';

const ground = new Set<Material['role']>(['seal', 'prime', 'fill']);
const finished = new Set<Material['role']>(['paint', 'weather', 'detail', 'topcoat']);

/** Steps that may go to settle a finding: they leave nothing on the piece. */
const mayGo = new Set<Step['kind']>(['sand', 'heat-seal', 'inspect', 'mask', 'unmask']);
/** Steps that may go where it fails otherwise; the look says what that does. */
const mayGoForStop = new Set<Step['kind']>(['weather', 'detail', 'topcoat', 'texture']);

/** An opaque layer, which hides what it lies on; undercoats and paints. */
const isOpaque = ({ material, share }: Layer): boolean =>
  share >= 0.5 && (material.hideUm !== undefined || ground.has(material.role)) && material.role !== 'topcoat';

/**
 * Whether a changed piece is one that no finisher would make: an opaque layer over finished colour, a sealer, primer or filler above
 * paint, glue or the paint itself left out. What was like that before is not the change's fault.
 * @param severity of what it is to settle: for a risk nothing of the piece is given up
 */
export function breaksCraft(
  before: Piece,
  after: Piece,
  change: readonly PatchStep[],
  severity: Severity,
  materials: ReadonlyMap<string, Material>,
): boolean {
  return (
    losesWork(before, after, severity) ||
    changesNature(before, after, materials) ||
    wrongs(after, materials).some((wrong) => !wrongs(before, materials).includes(wrong)) ||
    change.length === 0
  );
}

function losesWork(before: Piece, after: Piece, severity: Severity): boolean {
  const left = new Set(after.steps.map(({ id }) => id));
  return before.steps.some(
    (step) =>
      !left.has(step.id) &&
      !step.optional &&
      !mayGo.has(step.kind) &&
      !(severity === 'stop' && mayGoForStop.has(step.kind) && step.attaches === undefined),
  );
}

/** What a material is for the look, besides its colour and sheen: powder is no wash, metal is no flat paint. */
function natureOf(material: Material): string {
  const { loose = false, comesOff = false, repels = false } = binderOf(material);
  return [
    material.role,
    ...(loose ? ['loose'] : []),
    ...(comesOff ? ['resist'] : repels ? ['wax'] : []),
    ...(has(material, 'metallic') ? ['metal'] : []),
    ...(has(material, 'leaf') || has(material, 'sheet') ? ['sheet'] : []),
    ...(has(material, 'promotes') ? ['promoter'] : []),
    ...(has(material, 'size') ? ['size'] : []),
    ...(material.binder === 'epoxy' ? ['resin'] : []),
    ...(material.binder === 'dye' ? ['stain'] : []),
    // Effects are laid in the way that makes them.
    ...(material.role === 'weather' ? [material.solids <= 0.25 ? 'wash' : 'dry'] : []),
  ].join(' ');
}

/** Whether a step gets a material of another nature, or one that harms people and was not in the piece before. */
function changesNature(before: Piece, after: Piece, materials: ReadonlyMap<string, Material>): boolean {
  const known = new Map(before.steps.map((step) => [step.id, step]));
  const used = new Set(before.steps.map(({ material }) => material));
  return after.steps.some((step) => {
    if (step.material === undefined || used.has(step.material)) return false;
    const material = materials.get(step.material);
    if (!material) return true;
    const hazards = hazardsOf(material);
    if (hazards.has('latex allergy') || hazards.has('isocyanate')) return true;
    const was = materials.get(known.get(step.id)?.material ?? '');
    return was !== undefined && natureOf(was) !== natureOf(material);
  });
}

/** What no finisher lays, spot by spot, by the steps it is about. */
function wrongs(piece: Piece, materials: ReadonlyMap<string, Material>): string[] {
  return spotsOf(piece, { build: {}, materials }).flatMap(({ cell, layers }) =>
    layers.flatMap((layer, n) => {
      const below = layers.slice(0, n).filter(({ material }) => finished.has(material.role));
      if (below.length === 0) return [];
      if (ground.has(layer.material.role)) return [`${cell} ${layer.step.id} above paint`];
      // The same colour again covers itself; a clear shows what is below.
      const top = below.at(-1);
      const coversEffect =
        isOpaque(layer) &&
        top !== undefined &&
        top.material.role !== 'paint' &&
        layer.material.role !== 'weather';
      return coversEffect ? [`${cell} ${layer.step.id} over ${top.step.id}`] : [];
    }),
  );
}
