import { takenOffAt } from '../facts/takenOff';
import { binderOf } from '../model/binders';
import { hazardsOf } from '../model/hazards';
import type { Material } from '../model/materialSchema';
import type { Piece, Step } from '../model/schema';
import { has } from '../model/traits';
import { spotsOf, type Layer } from '../facts/spots';
import { isSanding } from '../facts/stepOrder';
import { substrateTable } from '../model/substrates';
import { cellsOf } from '../model/stepSpots';
import type { Idea, Severity } from './finding';

/** What needs more than this to cover is there for its shimmer or glow, µm. */
const SHEER_UM = 100;
/** A sealer or primer that stretches less is no ground for a part that bends, %. */
const BENDING_PCT = 50;
/** A glue that stretches less breaks in foam, %. */
const BRITTLE_PCT = 10;

const ground = new Set<Material['role']>(['seal', 'prime', 'fill']);
const finished = new Set<Material['role']>(['paint', 'weather', 'detail', 'topcoat']);

/** Steps that may go to settle a finding: they leave nothing on the piece. */
const mayGo = new Set<Step['kind']>(['sand', 'heat-seal', 'inspect', 'mask', 'unmask']);
/** Steps that may go where it fails otherwise; the look says what that does. */
const mayGoForStop = new Set<Step['kind']>(['weather', 'detail', 'topcoat', 'texture']);

/** An opaque layer, which hides what it lies on; undercoats and paints. */
const isOpaque = ({ material, share }: Layer): boolean =>
  share >= 0.5 && (material.hideUm !== undefined || ground.has(material.role)) && material.role !== 'topcoat';

/** Whether a layer is there to be seen: colour, weathering, or whatever was laid as a clear. */
const isFinish = ({ material, step }: Layer): boolean =>
  finished.has(material.role) || step.kind === 'topcoat';

/**
 * Whether a changed piece is one that no finisher would make: an opaque layer over finished colour, a sealer, primer or filler above
 * paint, glue or the paint itself left out. What was like that before is not the change's fault.
 * @param severity of what it is to settle: for a risk nothing of the piece is given up
 */
export function breaksCraft(
  before: Piece,
  after: Piece,
  { change, isCure = false }: Idea,
  severity: Severity,
  materials: ReadonlyMap<string, Material>,
): boolean {
  // What a rule names as its own cure may take something out or put another thing in its place; it knows why.
  const isStrange =
    !isCure && (losesWork(before, after, severity) || changesNature(before, after, materials));
  const was = wrongs(before, materials);
  return isStrange || wrongs(after, materials).some((wrong) => !was.includes(wrong)) || change.length === 0;
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
    ...(has(material, 'for-cloth') ? ['for cloth'] : []),
    ...(has(material, 'resoftens') ? ['plain glue'] : []),
    ...(material.binder === 'epoxy' ? ['resin'] : []),
    ...(material.binder === 'dye' ? ['stain'] : []),
    ...((material.hideUm ?? 0) > SHEER_UM ? ['sheer'] : []),
    ...(material.role === 'bond' && (material.elongationPct ?? 100) < BRITTLE_PCT ? ['brittle'] : []),
    // Effects are laid in the way that makes them.
    ...(material.role === 'weather' ? [material.solids <= 0.25 ? 'wash' : 'dry'] : []),
  ].join(' ');
}

/** Whether a step gets a material of another nature, or one that harms people and was not in the piece before. */
function changesNature(before: Piece, after: Piece, materials: ReadonlyMap<string, Material>): boolean {
  const known = new Map(before.steps.map((step) => [step.id, step]));
  const used = new Set(before.steps.map(({ material }) => material));
  return after.steps.some((step) => {
    const was = materials.get(known.get(step.id)?.material ?? '');
    const material = materials.get(step.material ?? '');
    if (!material || material.id === was?.id) return false;
    const hazards = hazardsOf(material);
    if (used.has(material.id)) return was !== undefined && natureOf(was) !== natureOf(material);
    if (hazards.has('latex allergy') || hazards.has('isocyanate')) return true;
    return was !== undefined && (natureOf(was) !== natureOf(material) || stiffens(before, was, material));
  });
}

/** Whether what lies below would be of something that stretches less, on a part that bends. */
const stiffens = ({ flex }: Piece, was: Material, material: Material): boolean =>
  ground.has(was.role) &&
  (flex?.length ?? 0) > 0 &&
  (material.elongationPct ?? 0) < Math.min(BENDING_PCT, was.elongationPct ?? 0);

/** What no finisher does, spot by spot, by the steps it is about. */
function wrongs(piece: Piece, materials: ReadonlyMap<string, Material>): string[] {
  return spotsOf(piece, { build: {}, materials }).flatMap(({ cell, layers }) => [
    ...piece.steps.flatMap((step, at) => {
      const top = layers.findLast((layer) => layer.at < at);
      // Grit takes weathering, fine lines, a mirror or leaf away instead of keying them.
      const isEffect =
        top !== undefined &&
        (top.material.role === 'weather' ||
          top.material.role === 'detail' ||
          has(top.material, 'mirror') ||
          has(top.material, 'leaf'));
      if (!isSanding(step) || !cellsOf(piece, step).includes(cell)) return [];
      if (top === undefined && substrateTable[piece.substrate.kind].isSeeThrough)
        return [`${cell} ${step.id} clouds what is seen through`];
      return isEffect ? [`${cell} ${step.id} sands ${top.step.id} away`] : [];
    }),
    // A resist that nothing is painted over until it is worked off chips nothing.
    ...layers.flatMap((layer, n) =>
      binderOf(layer.material).comesOff &&
      !layers
        .slice(n + 1)
        .some(
          ({ material: { role }, at }) =>
            (role === 'paint' || role === 'prime') && at < takenOffAt(piece, layer),
        )
        ? [`${cell} nothing over ${layer.step.id}`]
        : [],
    ),
    ...layers.flatMap((layer, n) => {
      const below = layers.slice(0, n).filter(isFinish);
      if (below.length === 0) return [];
      // Leaf wants its size wherever it goes, and resin that is laid as a clear is one.
      if (ground.has(layer.material.role) && !isFinish(layer) && !has(layer.material, 'size'))
        return [`${cell} ${layer.step.id} above paint`];
      // A colour over a clear that was the last thing before.
      if (layer.material.role === 'paint' && below.some(({ step }) => step.kind === 'topcoat'))
        return [`${cell} ${layer.step.id} above a clear`];
      // The same colour again covers itself; a clear shows what is below.
      const top = below.at(-1);
      const coversEffect =
        isOpaque(layer) &&
        top !== undefined &&
        top.material.role !== 'paint' &&
        layer.material.role !== 'weather';
      return coversEffect ? [`${cell} ${layer.step.id} over ${top.step.id}`] : [];
    }),
  ]);
}
