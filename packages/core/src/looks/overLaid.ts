import { colourDistance } from '../colour/distance';
import { seenColour } from '../colour/seenColour';
import { spotsOf, type Spot } from '../facts/spots';
import { catalogueById } from '../materials/catalogue';
import { materialsOf } from '../materials/ownMaterials';
import { begunStepIds } from '../model/hasBegun';
import { endedStep, isSamePass, keepLaid } from '../model/keepLaid';
import { idFromName, keepLoggedIds } from '../model/pieceEdits';
import type { Build, Face, Piece, Step } from '../model/schema';
import { cellsOf, facesOf, unitsOf } from '../model/stepSpots';
import { nth } from '../model/sure';
import { has } from '../model/traits';

/** What is done before any colour: of no use where films lie already. */
export const groundKinds: ReadonlySet<Step['kind']> = new Set([
  'prep',
  'fill',
  'sand',
  'heat-seal',
  'texture',
  'mask',
  'inspect',
  'seal',
]);

/** An undercoat further off than this, ΔE00, from what shows is laid all the same. */
const SAME_UNDERCOAT_DELTA_E = 10;

/** Steps for a piece on which some work is done already. */
export interface StepsOverLaid {
  steps: Step[];
  /** What lies on top of what is done, by name; empty where nothing is. */
  over: string[];
}

/** A sentence about what steps go over, if anything. */
export const overWords = (over: readonly string[]): string[] =>
  over.length > 0 ? [`Goes over what is laid already: ${over.join(', ')}.`] : [];

/** What lies on a piece by its log alone, unit by unit. */
class Laid {
  private readonly spots: readonly Spot[];
  /** The steps that are begun, in their order. */
  readonly begun: Step[];
  private readonly doneOn: ReadonlyMap<string, ReadonlySet<number>>;

  constructor(build: Build, piece: Piece) {
    const ids = begunStepIds(build, piece.id);
    this.begun = piece.steps.filter(({ id }) => ids.has(id));
    const passes = [...(build.log ?? []), ...(build.underway ?? [])].filter(
      (pass) => pass.piece === piece.id,
    );
    const of = (step: Step) => passes.filter((pass) => pass.step === step.id);
    this.doneOn = new Map(
      this.begun.map((step) => [step.id, new Set(of(step).map(({ unit }) => unit))] as const),
    );
    const steps = this.begun.map((step) => endedStep(piece, step, of(step)));
    this.spots = spotsOf({ ...piece, steps }, { materials: materialsOf(build.materials), build });
  }

  unitsOf(step: Step): ReadonlySet<number> {
    return this.doneOn.get(step.id) ?? new Set();
  }

  /** The spots of a unit in some cells. */
  at(unit: number, cells: readonly string[]): Spot[] {
    return this.spots.filter((spot) => spot.units.includes(unit) && cells.includes(spot.cell));
  }

  /** What is on top where something lies, by name. */
  get tops(): string[] {
    return [...new Set(this.spots.flatMap(({ layers }) => layers.at(-1)?.material.name ?? []))];
  }
}

/** Whether films lie on all of some spots. */
const isCovered = (spots: readonly Spot[]): boolean =>
  spots.length > 0 && spots.every(({ layers }) => layers.length > 0);

/** Whether an undercoat has to go over what lies on a spot: over clears and metals, and where another colour shows. */
function wantsUndercoat({ layers }: Spot, colour: string, ground: string | undefined): boolean {
  const top = layers.at(-1);
  if (!top || top.material.role === 'seal' || top.material.role === 'topcoat') return true;
  if (has(top.material, 'metallic') || has(top.material, 'mirror')) return true;
  const seen = seenColour(layers, ground);
  return seen === undefined || colourDistance(seen, colour) > SAME_UNDERCOAT_DELTA_E;
}

/**
 * Steps that were written for a bare piece, as they go over what is laid on it: what does the same as something that is logged is that
 * step; surface work and sealer go where no film lies yet, unit by unit; undercoat where another colour or a clear shows; an old clear is
 * scuffed first. What is logged and in none of them stays as far as it was done.
 * Invariant: every step that is begun is among them, and nothing that is still to do stands before what is done on all its units.
 */
export function overLaid(build: Build, piece: Piece, steps: readonly Step[]): StepsOverLaid {
  const laid = new Laid(build, piece);
  if (laid.begun.length === 0) return { steps: keepLoggedIds(piece, steps), over: [] };
  const units = unitsOf(piece, {});
  const firstColour = steps.findIndex(({ kind }) => !groundKinds.has(kind));
  const isGround = (at: number) => firstColour < 0 || at < firstColour;
  const uncovered = new Set<number>();
  const primed = new Set<number>();
  const lastDone = piece.steps.findLastIndex((step) => laid.begun.includes(step));
  let next = 0;
  let lastAt = -1;

  /** The begun step that does the same, from those that none above has claimed. */
  const matching = (step: Step): Step | undefined => {
    const at = laid.begun.findIndex(
      (old, n) =>
        n >= next &&
        isSamePass(old, step) &&
        ![...laid.unitsOf(old)].some((unit) => uncovered.has(unit)) &&
        // What was covered and laid bare again has to be covered again.
        !(
          step.kind === 'mask' &&
          laid.begun.slice(n).some(({ kind, covers, zones }) => {
            const isSame = JSON.stringify([covers, zones]) === JSON.stringify([step.covers, step.zones]);
            return kind === 'unmask' && isSame;
          })
        ),
    );
    if (at < 0) return undefined;
    next = at + 1;
    return nth(laid.begun, at);
  };

  /** The faces of a unit on which a step is still to do; none where it is not. */
  const facesLeft = (step: Step, at: number, unit: number): Face[] => {
    const faces = facesOf(step);
    const isUnder = steps.slice(at).some(({ kind }) => kind === 'base');
    if (isGround(at)) {
      if (step.kind === 'mask') return faces;
      if (step.material === undefined)
        return isCovered(laid.at(unit, cellsOf(piece, { ...step, faces: ['outer'] }))) ? [] : faces;
      return faces.filter((face) => !isCovered(laid.at(unit, cellsOf(piece, { ...step, faces: [face] }))));
    }
    if (step.kind === 'prime') {
      const material = catalogueById.get(step.material ?? '');
      const spots = laid.at(unit, cellsOf(piece, step));
      const colour = step.colour ?? material?.colour;
      const isWanted =
        !isCovered(spots) ||
        (material?.hideUm !== undefined &&
          colour !== undefined &&
          spots.some((spot) => wantsUndercoat(spot, colour, piece.substrate.colour)));
      return isWanted ? faces : [];
    }
    // Sanding the primer, and looking it over, belong to primer that is laid.
    if (isUnder && (step.kind === 'sand' || step.looksOver === 'primed'))
      return primed.has(unit) ? faces : [];
    return faces;
  };

  const own = new Set<Step>();
  const written = steps.flatMap((step, at): Step[] => {
    const old = matching(step);
    if (old) {
      const known = { ...step, id: old.id };
      own.add(known);
      lastAt = piece.steps.indexOf(old);
      return [known];
    }
    // What was passed over stays so, in its place.
    const over = piece.steps.findIndex(
      (one, n) => n > lastAt && n < lastDone && !laid.begun.includes(one) && isSamePass(one, step),
    );
    if (over >= 0 && uncovered.size === 0) {
      lastAt = over;
      const known = { ...step, id: nth(piece.steps, over).id };
      own.add(known);
      return [known];
    }
    const groups = new Map<string, { faces: Face[]; units: number[] }>();
    for (const unit of units) {
      const faces = facesLeft(step, at, unit);
      if (faces.length === 0) continue;
      const group = groups.get(faces.join()) ?? { faces, units: [] };
      group.units.push(unit);
      groups.set(faces.join(), group);
      uncovered.add(unit);
      if (step.kind === 'prime') primed.add(unit);
    }
    return [...groups.values()].map((group) => ({
      ...step,
      ...(step.faces ? { faces: group.faces } : {}),
      ...(group.units.length < piece.quantity ? { units: group.units } : {}),
    }));
  });

  // No ids of steps that stood before something that is done: those would seem to stand there still.
  const taken = new Set(piece.steps.slice(0, lastDone + 1).map(({ id }) => id));
  const fresh = written.filter((step) => !own.has(step));
  const named = keepLoggedIds(piece, fresh, taken);
  const ids = new Map(fresh.map((step, n) => [step, nth(named, n)]));
  const result = withScuff(
    piece,
    laid,
    written.map((step) => ids.get(step) ?? step),
    own,
  );
  const kept = keepLaid(build, {
    ...build,
    pieces: build.pieces.map((one) => (one.id === piece.id ? { ...piece, steps: result } : one)),
  });
  return { steps: kept.pieces.find(({ id }) => id === piece.id)?.steps ?? result, over: laid.tops };
}

/** Rubs an old clear dull before the first film that goes over it. */
function withScuff(piece: Piece, laid: Laid, steps: Step[], done: ReadonlySet<Step>): Step[] {
  const cells = cellsOf(piece, { id: '', kind: 'base' });
  const clears = unitsOf(piece, {}).filter((unit) =>
    laid.at(unit, cells).some(({ layers }) => {
      const top = layers.at(-1)?.material;
      return top?.role === 'topcoat' && top.sand !== undefined;
    }),
  );
  const at = steps.findIndex((step) => !done.has(step) && step.material !== undefined);
  if (clears.length === 0 || at < 0) return steps;
  const scuff: Step = {
    id: idFromName(
      'scuff',
      [...piece.steps, ...steps].map(({ id }) => id),
    ),
    kind: 'sand',
    method: 'sand',
    note: 'Fine pad over the old clear, until its shine is gone; wipe the dust off.',
    ...(clears.length < piece.quantity ? { units: clears } : {}),
  };
  return [...steps.slice(0, at), scuff, ...steps.slice(at)];
}
