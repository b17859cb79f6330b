import { dryFilmUm } from '../materials/film';
import { binderOf } from '../model/binders';
import { layerUm, type Layer } from './spots';

/** From this much of one normal coat on, a film parts what lies below it from what comes over it: one light coat does, one dust coat does not. */
export const CLOSED = 0.5;
/** Less than this covers no grain of what lies below, µm of dry film. */
const THINNEST_UM = 3;
/** A coat over this much of its spots is on all of them. */
export const ALL_OVER = 0.95;

/**
 * How many normal coats of its material a film is worth. A coat in places, what is brushed nearly dry or wiped back, powders,
 * resists and stains are worth none, however much of them there is (docs/domain.md, "What a film is").
 */
export function coatsWorth(layer: Layer): number {
  const { material, method, share } = layer;
  const { loose = false, comesOff = false } = binderOf(material);
  if (share < ALL_OVER || loose || comesOff || method === 'dry-brush' || method === 'wipe') return 0;
  const um = layerUm(layer);
  if (material.binder !== 'sheet' && um < THINNEST_UM) return 0;
  return um / dryFilmUm(material.wftUm, material);
}

/** How closed a film is, 0 to 1. */
export const closureOf = (layer: Layer): number => Math.min(1, coatsWorth(layer));

/** Whether films lie closed, together if not one by one. */
export const isClosedBy = (layers: readonly Layer[]): boolean =>
  layers.reduce((sum, layer) => sum + closureOf(layer), 0) >= CLOSED;

/** What a coat that is laid on a stack meets. */
export interface Exposed {
  /** From the top down to the film that closes what lies below, that one included. */
  layers: Layer[];
  /** Whether it meets what the piece is made of as well. */
  bare: boolean;
}

/** What lies open at the top of a stack, bottom first in and nearest first out. */
export function exposedOf(stack: readonly Layer[]): Exposed {
  const layers: Layer[] = [];
  let closed = 0;
  for (const layer of [...stack].reverse()) {
    layers.push(layer);
    closed += closureOf(layer);
    if (closed >= CLOSED) return { layers, bare: false };
  }
  return { layers, bare: true };
}
