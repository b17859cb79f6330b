import type { Piece } from '../model/schema';
import type { SheenClass } from '../model/sheenClasses';
import type { Layer } from './spots';

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

/** What the top of a stack will look like. */
export interface SheenForecast {
  class: SheenClass;
  /** Gloss units of the film that sets it; undefined where only the class can be told. */
  gu: number | undefined;
  /** The film that sets it, by material name. */
  setBy: string;
}

/** The layer that makes the face: washes, dry-brushing and markers cover too little to change it. */
export const faceLayer = (layers: readonly Layer[]): Layer | undefined =>
  [...layers].reverse().find(({ material }) => !['weather', 'detail', 'fill'].includes(material.role));

/** Whether a spot is sanded between two places in the list of steps. */
export const scuffedBetween = (piece: Piece, fromAt: number, toAt: number): boolean =>
  piece.steps.some((step, at) => at > fromAt && at < toAt && step.kind === 'sand');

/**
 * The sheen of a stack: that of the film that makes its face. A matte clear over more than 70 gloss units that were not
 * scuffed does not flatten them (R18): it comes out satin. Undefined for bare foam and films of unknown sheen.
 */
export function forecastSheen(piece: Piece, layers: readonly Layer[]): SheenForecast | undefined {
  const top = faceLayer(layers);
  if (top?.material.sheenGu === undefined) return undefined;
  const setBy = top.material.name;
  const below = faceLayer(layers.slice(0, layers.indexOf(top)));
  const gu = top.material.sheenGu;
  if (
    top.material.role === 'topcoat' &&
    gu <= FLATTENING_GU &&
    below &&
    (below.material.sheenGu ?? 0) > STRONG_GLOSS_GU &&
    !scuffedBetween(piece, below.at, top.at)
  )
    return { class: 'satin', gu: undefined, setBy };
  return { class: sheenClass(gu), gu, setBy };
}
