import type { FilmGrade } from '../model/filmGrades';
import type { Material } from '../model/materialSchema';
import { passesMeant } from '../model/logPasses';
import type { Build, Face, LogEntry, Piece, Step } from '../model/schema';
import type { Method } from '../model/methods';
import type { Placement } from '../model/placementIds';
import { placementOf } from '../model/placements';
import { facesOf, methodOf, operationId, unitsOf, zoneIdsOf } from '../model/stepSpots';
import { passArea } from './passArea';
import { dryFilmUm, wetFilmUm } from '../materials/film';
import { passedOver, stepAsLogged } from './laid';
import { laysFilm, type OrderedStep } from './stepOrder';
import { entryOf, nth } from '../model/sure';
import { compareLogged } from '../model/wallTime';

/** What facts are told from: the materials by id, and the log, which counts for more than the plan. */
export interface Known {
  materials: ReadonlyMap<string, Material>;
  build: { log?: Build['log'] | undefined };
}

/** One step's film on one spot: its coats with one tin and thickness, as they lie above each other. */
export interface Layer {
  /** The step, with tin, film and place as they were logged where they were. */
  step: Step;
  /** Where the step stands in the list, from 0. */
  at: number;
  material: Material;
  film: FilmGrade;
  coats: number;
  method: Method;
  placement: Placement;
  /** The share of the spot that it covers, 0 to 1. */
  share: number;
  /** Whether it lies there already. */
  logged: boolean;
}

/** The films of one spot, bottom first: what was logged where it was logged, what is planned where not. */
export interface Spot {
  /** `face:zone`. */
  cell: string;
  face: Face;
  zone: string;
  /** The units on which it is so. */
  units: number[];
  layers: Layer[];
}

/** What one unit has on it or will have: its steps in the order they were, or will be, done. */
interface UnitWork {
  passes: { step: Step; at: number; face: Face; logged: boolean }[];
  key: string;
}

/**
 * What lies, or will lie, on each spot of a piece. Rules, figures, sheen, bends and the drawing of a stack ask this, and drying
 * goes by the same `stepAsLogged` and `passedOver`. Units that come to the same are told once.
 */
export function spotsOf(piece: Piece, known: Known): readonly Spot[] {
  return kept(spotsKnown, piece, known, findSpots);
}

/** What was told of a piece for one and the same `known`: dozens of rules ask for it in turn. */
type Kept<Told> = WeakMap<Known, Map<Piece, Told>>;
const spotsKnown: Kept<readonly Spot[]> = new WeakMap();
const stepsKnown: Kept<readonly OrderedStep[]> = new WeakMap();

function kept<Told>(
  all: Kept<Told>,
  piece: Piece,
  known: Known,
  find: (piece: Piece, known: Known) => Told,
): Told {
  const own = all.get(known) ?? new Map<Piece, Told>();
  all.set(known, own);
  const told = own.get(piece) ?? find(piece, known);
  own.set(piece, told);
  return told;
}

function findSpots(piece: Piece, known: Known): Spot[] {
  const { materials } = known;
  const faces: Face[] = piece.faces.inner ? ['outer', 'inner'] : ['outer'];
  return unitGroups(piece, known).flatMap(({ units, passes }) =>
    faces.flatMap((face) =>
      zoneIdsOf(piece).map((zone): Spot => {
        const layers: Layer[] = [];
        for (const { step, at, face: own, logged } of passes) {
          const material = step.material === undefined ? undefined : materials.get(step.material);
          if (own !== face || !material || !(step.zones ?? zoneIdsOf(piece)).includes(zone)) continue;
          if (!laysFilm({ step, at, material }) && material.role !== 'fill') continue;
          const below = layers[layers.length - 1];
          const film = step.film ?? 'normal';
          if (below?.at === at && below.material.id === material.id && below.film === film) {
            below.coats += 1;
            below.logged &&= logged;
          } else {
            const method = methodOf(step, material);
            const { share } = passArea(piece, step, [face], material, method);
            const placement = placementOf(step, material, method);
            layers.push({ step, at, material, film, coats: 1, method, placement, share, logged });
          }
        }
        return { cell: `${face}:${zone}`, face, zone, units, layers };
      }),
    ),
  );
}

/** The units of a piece, those with the same work together. */
function unitGroups(
  piece: Piece,
  { build, materials }: Known,
): { units: number[]; passes: UnitWork['passes'] }[] {
  const log = (build.log ?? []).filter((entry) => entry.piece === piece.id && entry.outcome !== 'failed');
  const groups = new Map<string, { units: number[]; passes: UnitWork['passes'] }>();
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    const { key, passes } = workOf(
      piece,
      unit,
      log.filter((entry) => entry.unit === unit),
      materials,
    );
    const group = groups.get(key);
    if (group) group.units.push(unit);
    else groups.set(key, { units: [unit], passes });
  }
  return [...groups.values()];
}

/** What was done to one unit, oldest first, and then what is still planned. */
function workOf(
  piece: Piece,
  unit: number,
  log: readonly LogEntry[],
  materials: ReadonlyMap<string, Material>,
): UnitWork {
  const inOrder = [...log].sort((a, b) => compareLogged(a.doneAt, b.doneAt));
  const meant = passesMeant([piece], inOrder);
  const index = new Map(piece.steps.map((step, at) => [step.id, at]));
  const passes = meant.flatMap(({ entry, pass }) => {
    const at = entryOf(index, pass.step);
    const step = stepAsLogged(nth(piece.steps, at), entry, materials);
    const faces = pass.face ? [pass.face] : facesOf(step);
    return faces.map((face) => ({ step, at, face, logged: true }));
  });
  const done = new Set(meant.map(({ id }) => id));
  const over = passedOver(piece, new Set(meant.map(({ pass }) => pass.step)));
  piece.steps.forEach((step, at) => {
    if (
      step.material === undefined ||
      step.ended ||
      over.has(step.id) ||
      !unitsOf(piece, step).includes(unit)
    )
      return;
    for (const face of facesOf(step))
      for (let coat = 1; coat <= (step.coats ?? 1); coat += 1)
        if (!done.has(operationId({ piece: piece.id, unit, step: step.id, coat, face })))
          passes.push({ step, at, face, logged: false });
  });
  const key = JSON.stringify(
    passes.map(({ step, at, face, logged }) => [
      at,
      face,
      step === piece.steps[at] ? 0 : [step.material, step.film, step.place],
      // Units that were done to a different point come to the same stack in the end.
      logged && step !== piece.steps[at],
    ]),
  );
  return { passes, key };
}

/**
 * The steps of a piece in list order with their materials: once as planned where any of it is, or may be, done so, and once for
 * each other way in which it was logged.
 */
export function orderedSteps(piece: Piece, known: Known): readonly OrderedStep[] {
  return kept(stepsKnown, piece, known, findSteps);
}

function findSteps(piece: Piece, { build, materials }: Known): OrderedStep[] {
  const material = (step: Step) => (step.material === undefined ? undefined : materials.get(step.material));
  const log = (build.log ?? []).filter((entry) => entry.piece === piece.id && entry.outcome !== 'failed');
  return piece.steps.flatMap((step, at): OrderedStep[] => {
    const own = log.filter((entry) => entry.step === step.id);
    const others = new Map<string, Step>();
    let asPlanned = 0;
    for (const entry of own) {
      const done = stepAsLogged(step, entry, materials);
      if (done === step) asPlanned += 1;
      else others.set(JSON.stringify([done.material, done.film, done.place]), done);
    }
    const passes =
      unitsOf(piece, step).length *
      (step.material === undefined ? 1 : facesOf(step).length * (step.coats ?? 1));
    const left = asPlanned > 0 || (own.length < passes && !(step.ended && own.length > 0));
    return [...others.values(), ...(left ? [step] : [])].map((one) => ({
      step: one,
      at,
      material: material(one),
    }));
  });
}

/** Dry film of one layer with all its coats where it lies, µm. Fillers are shape, not film: they count as none. */
export const layerUm = ({ material, film, step, coats }: Layer): number =>
  material.role === 'fill' ? 0 : dryFilmUm(wetFilmUm(material, film, step.pourMm), material) * coats;

/** Dry film of some layers together, µm: what lies in places counts with its share. */
export const filmBuildUm = (layers: readonly Layer[]): number =>
  layers.reduce((sum, layer) => sum + layerUm(layer) * layer.share, 0);
