import { mixedColour, seenColour } from '../colour/seenColour';
import { coatsToHide, colourOver, type Laying } from '../colour/hiding';
import { paintFigures } from '../colour/paint';
import { hideOf, type PigmentPart } from '../colour/pigmentsOf';
import {
  atLeastTwo,
  groundChoices,
  MOST_SENSIBLE_COATS,
  undercoats,
  type GroundChoice,
  type UndercoatId,
} from '../colour/undercoat';
import { layerUm, spotsOf, type Known, type Layer } from '../facts/spots';
import { dryFilmUm, wetFilmUm } from '../materials/film';
import type { Material } from '../model/materialSchema';
import { methodTable, type Method } from '../model/methods';
import type { Piece, Step } from '../model/schema';
import { groundColourOf } from '../model/substrates';
import { freshId } from './freshId';

/** A colour laid coat by coat: what it looks like after each. */
export interface CoatStrip {
  ground: string;
  coats: string[];
}

/** A way to lay a colour, and the piece as it is then written. */
export interface CoverOption extends GroundChoice {
  piece: Piece;
  strip: CoatStrip;
}

/** How a step's colour covers, and what would cover better. */
export interface CoverAdvice {
  colour: string;
  material: Material;
  laying: Laying;
  /** What lies below it now. */
  ground: string;
  /** Coats as they are written, and what comes out. */
  coats: number;
  comesOut: string;
  pigments: PigmentPart[];
  /** As a multiple of the film that an average pigment takes; undefined for what is of one colour. */
  hide: number | undefined;
  /** Dry film that hides it, µm. */
  hideUm: number;
  /** Coats over what lies below now, by every method that the material is laid with. */
  byMethod: { method: Method; coats: number | undefined }[];
  options: CoverOption[];
}

/** The undercoats there are among some materials: water-borne primers that are nothing but a colour, by the colour nearest. */
export function primersOf(materials: ReadonlyMap<string, Material>): Map<UndercoatId, Material> {
  const plain = [...materials.values()].filter(
    ({ role, carrier, hideUm, traits }) =>
      role === 'prime' && carrier === 'water' && hideUm !== undefined && traits.length === 0,
  );
  return new Map(
    undercoats.flatMap((id) => {
      const own = plain.find((material) => undercoatLike(material.colour) === id);
      return own ? [[id, own] as const] : [];
    }),
  );
}

/** Which undercoat a primer of some colour is. */
function undercoatLike(colour: string): UndercoatId {
  const [r, g, b] = [1, 3, 5].map((at) => parseInt(colour.slice(at, at + 2), 16)) as [number, number, number];
  if (Math.max(r, g, b) - Math.min(r, g, b) > 40) return 'oxide';
  if (r < 80) return 'black';
  return r > 200 ? 'white' : 'grey';
}

/** Whether the coverage of a step can be told: paint in a colour of its own, all over. */
export const isCoverStep = (step: Step, material: Material | undefined): boolean =>
  material?.role === 'paint' && material.hideUm !== undefined && step.colour !== undefined;

/**
 * How the colour of one step covers what is below it, and what it would be best laid over; undefined where the step lays no covering paint.
 * Every option is the piece as it is then written: with another undercoat in place of one that lies right below for just this colour, or with one
 * put in, and the coats it then takes.
 */
export function coverAdvice(piece: Piece, stepId: string, known: Known): CoverAdvice | undefined {
  const { materials } = known;
  const at = piece.steps.findIndex(({ id }) => id === stepId);
  const spot = spotsOf(piece, known).find(
    ({ face, layers }) => face === 'outer' && layers.some(({ step }) => step.id === stepId),
  );
  const n = spot ? spot.layers.findIndex(({ step }) => step.id === stepId) : -1;
  const layer = spot?.layers[n];
  if (!spot || !layer || !isCoverStep(layer.step, layer.material)) return undefined;
  const { material, coats } = layer;
  const colour = mixedColour(layer);
  const laying: Laying = { coatUm: layerUm(layer) / coats, method: layer.method };
  const foam = groundColourOf(piece.substrate);
  const seenOver = (layers: readonly Layer[]) => seenColour(layers, foam) ?? foam;
  const ground = seenOver(spot.layers.slice(0, n));
  const own = ownUndercoat(piece, spot.layers[n - 1], layer);
  const base = own ? seenOver(spot.layers.slice(0, n - 1)) : ground;
  const { pigments, hideUm } = paintFigures(material, colour);
  const options = groundChoices(colour, material, laying, base, primersOf(materials)).map(
    (choice): CoverOption => ({
      ...choice,
      piece: written(piece, at, own?.at, choice),
      strip: stripOver(belowOf(choice, base), colour, material, laying),
    }),
  );
  return {
    colour,
    material,
    laying,
    ground,
    coats,
    comesOut: colourOver(ground, colour, material, laying.coatUm * coats),
    pigments,
    hide: pigments.length > 0 ? hideOf(pigments) : undefined,
    hideUm: hideUm ?? 0,
    byMethod: material.methods
      .filter((method) => methodTable[method].evenness > LEAST_EVEN)
      .map((method) => ({
        method,
        coats: atLeastTwo(coatsToHide(ground, colour, material, { ...laying, method }, MOST_SENSIBLE_COATS)),
      })),
    options,
  };
}

/** What is less even than this is no way to cover. */
const LEAST_EVEN = 0.4;

/** What a colour looks like after one, two, three coats and so on. */
export function stripOver(
  ground: string,
  colour: string,
  material: Material,
  laying: Laying,
  most = MOST_SENSIBLE_COATS,
): CoatStrip {
  return {
    ground,
    coats: Array.from({ length: most }, (_, at) =>
      colourOver(ground, colour, material, laying.coatUm * (at + 1)),
    ),
  };
}

const belowOf = ({ material, colour, coatsBelow }: GroundChoice, base: string): string =>
  material ? colourOver(base, colour, material, dryFilmUm(wetFilmUm(material), material) * coatsBelow) : base;

/** An undercoat that lies right below a layer and under nothing else: it may be swapped for another. */
function ownUndercoat(piece: Piece, below: Layer | undefined, over: Layer): Layer | undefined {
  if (below?.material.role !== 'prime' || below.logged) return undefined;
  const zones = (step: Step) => [...(step.zones ?? (piece.zones ?? []).map(({ id }) => id))].sort().join(' ');
  return zones(below.step) === zones(over.step) ? below : undefined;
}

/** A piece with a colour laid as was chosen. @param ownAt where its own undercoat stands now, if it has one */
function written(piece: Piece, at: number, ownAt: number | undefined, choice: GroundChoice): Piece {
  const { id, material, colour, coatsBelow, coats } = choice;
  const steps = piece.steps.map((step, n) =>
    n === at ? { ...step, coats: coats ?? MOST_SENSIBLE_COATS } : step,
  );
  const over = steps[at]!;
  if (!material) {
    if (ownAt !== undefined) steps.splice(ownAt, 1);
    return { ...piece, steps };
  }
  const old = ownAt === undefined ? undefined : steps[ownAt];
  const method = material.methods.find((one) => one === (old ?? over).method) ?? material.methods[0];
  const {
    colour: _colour,
    palette: _palette,
    ...kept
  }: Partial<Step> = old ?? {
    ...(over.faces ? { faces: over.faces } : {}),
    ...(over.zones ? { zones: over.zones } : {}),
    ...(over.place ? { place: over.place } : {}),
  };
  const below: Step = {
    ...kept,
    id: old?.id ?? freshId(id === 'neighbour' ? 'base' : 'prime', piece),
    kind: id === 'neighbour' ? 'base' : 'prime',
    material: material.id,
    coats: coatsBelow,
    ...(method ? { method } : {}),
    ...(id === 'neighbour' ? { colour } : {}),
  };
  if (ownAt !== undefined) steps[ownAt] = below;
  else steps.splice(at, 0, below);
  return { ...piece, steps };
}
