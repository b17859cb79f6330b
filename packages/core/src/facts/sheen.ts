import type { Piece } from '../model/schema';
import type { SheenClass } from '../model/sheenClasses';
import type { Material } from '../model/materialSchema';
import { binderOf } from '../model/binders';
import { cellsOf } from '../model/stepSpots';
import { coatsWorth } from './closure';
import { layerUm, type Layer, type Spot } from './spots';
import { isSanding } from './stepOrder';

export const sheenWords: Record<SheenClass, string> = {
  'dead-matte': 'dead matte',
  matte: 'matte',
  satin: 'satin',
  'semi-gloss': 'semi-gloss',
  gloss: 'gloss',
};

/**
 * The word for gloss units at 60°: dead matte under 5, matte to 15, satin to 40, semi-gloss to 70, then gloss.
 * @example sheenClass(30) // 'satin'
 */
export function sheenClass(gu: number): SheenClass {
  if (gu < 5) return 'dead-matte';
  if (gu < 15) return 'matte';
  if (gu < 40) return 'satin';
  return gu <= 70 ? 'semi-gloss' : 'gloss';
}

/** Above this a face shows through a matte clear. */
export const STRONG_GLOSS_GU = 70;
/** Up to this a clear is meant to flatten. */
export const FLATTENING_GU = 15;
/** So many normal coats of a matte clear flatten any gloss. */
export const FLATTENING_COATS = 2;

/** What the top of a stack will look like. */
export interface SheenForecast {
  class: SheenClass;
  /** Gloss units of the film that sets it; undefined where only the class can be told. */
  gu: number | undefined;
  /** The film that sets it, by material name. */
  setBy: string;
}

/** A stain or wash thinner than this takes the shine of what it lies on, µm of dry film. */
const THINNEST_UM = 4;
const stains = new Set<Material['role']>(['weather', 'detail']);
/** A film over this much of a spot makes its face; under it, it only breaks it up. */
const MOST_OF_IT = 0.95;

const showsSheen = (layer: Layer): boolean =>
  layer.material.role !== 'fill' &&
  !binderOf(layer.material).loose &&
  (!stains.has(layer.material.role) || layerUm(layer) >= THINNEST_UM);

/** The layer that makes the face: the topmost that lies all over and is thick enough to be seen by its shine. */
export const faceLayer = (layers: readonly Layer[]): Layer | undefined =>
  layers.findLast((layer) => layer.share >= MOST_OF_IT && showsSheen(layer));

/** How many normal coats of one material lie in a stack, whatever steps they are in. */
export const coatsOf = (layers: readonly Layer[], { id }: Pick<Material, 'id'>): number =>
  layers.reduce((sum, layer) => sum + (layer.material.id === id ? coatsWorth(layer) : 0), 0);

/** Whether a spot is sanded between two places in the list of steps. */
export const scuffedBetween = (piece: Piece, fromAt: number, toAt: number, cell: string): boolean =>
  piece.steps.some(
    (step, at) => at > fromAt && at < toAt && isSanding(step) && cellsOf(piece, step).includes(cell),
  );

/**
 * The sheen of a spot: that of the film that makes its face, and with it, by their share, of what lies in places over that. A matte
 * clear, under two normal coats of it, over more than 70 gloss units that were not scuffed does not flatten them (R18): it comes out satin.
 * Undefined for bare foam and films of unknown sheen.
 */
export function forecastSheen(
  piece: Piece,
  { layers, cell }: Pick<Spot, 'layers' | 'cell'>,
): SheenForecast | undefined {
  const top = faceLayer(layers);
  if (top?.material.sheenGu === undefined) return undefined;
  const setBy = top.material.name;
  const at = layers.indexOf(top);
  const below = faceLayer(layers.slice(0, at));
  const own = top.material.sheenGu;
  if (
    top.material.role === 'topcoat' &&
    own <= FLATTENING_GU &&
    below &&
    (below.material.sheenGu ?? 0) > STRONG_GLOSS_GU &&
    coatsOf(layers.slice(layers.indexOf(below) + 1), top.material) < FLATTENING_COATS &&
    !scuffedBetween(piece, below.at, top.at, cell)
  )
    return { class: 'satin', gu: undefined, setBy };
  const gu = layers
    .slice(at + 1)
    .filter(showsSheen)
    .reduce((sum, { share, material }) => sum * (1 - share) + (material.sheenGu ?? sum) * share, own);
  return { class: sheenClass(gu), gu: Math.round(gu), setBy };
}
