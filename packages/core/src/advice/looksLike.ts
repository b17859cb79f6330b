import { colourDistance } from '../colour/distance';
import { seenColour } from '../colour/seenColour';
import { faceLayer, forecastSheen, sheenClass, sheenWords } from '../facts/sheen';
import { spotsOf, type Layer, type Spot } from '../facts/spots';
import type { Material } from '../model/materialSchema';
import type { Piece } from '../model/schema';
import { has } from '../model/traits';
import { nth } from '../model/sure';
import type { LookChange } from './finding';

/** How a change to a piece shows, and in what. */
export interface LookDifference {
  look: LookChange;
  /** In a few words each: "matte in place of gloss". */
  shows: string[];
}

/** Up to this, ΔE00, nobody sees a difference who does not hold both side by side; beyond the other everybody does. */
const SEEN_DELTA_E = 2;
const PLAIN_DELTA_E = 5;
/** As many gloss units up or down are another shine, though the word for it may be the same. */
const SEEN_GU = 10;

/** What is meant to be seen for itself, over what covers the whole. */
const isEffect = ({ material }: Layer): boolean =>
  material.role === 'weather' || material.role === 'detail' || material.role === 'texture';

const isMetal = (layers: readonly Layer[]): boolean => {
  const top = layers.findLast(({ material, share }) => material.role === 'paint' && share >= 0.5);
  return top !== undefined && has(top.material, 'metallic');
};

/**
 * Compares what two versions of a piece look like from outside: colour, sheen, metal, and the weathering, details and texture on it.
 * `other`: it is another look; `slight`: somebody who knows sees it.
 */
export function lookDifference(
  before: Piece,
  after: Piece,
  materials: ReadonlyMap<string, Material>,
): LookDifference {
  const shown = (piece: Piece) =>
    spotsOf(piece, { build: {}, materials }).filter(({ face }) => face === 'outer');
  const then = new Map(shown(after).map((spot) => [spot.cell, spot]));
  const found = shown(before).map((spot) => {
    const other = then.get(spot.cell);
    return other ? compare(before, spot, after, other) : same;
  });
  const pressed = ({ steps }: Piece) => steps.filter(({ kind }) => kind === 'texture').length;
  if (pressed(after) < pressed(before)) found.push({ look: 'other', shows: ['without its texture'] });
  const grades: LookChange[] = ['same', 'slight', 'other'];
  const look = nth(grades, Math.max(0, ...found.map((one) => grades.indexOf(one.look))));
  return { look, shows: [...new Set(found.flatMap((one) => one.shows))] };
}

const same: LookDifference = { look: 'same', shows: [] };

function compare(before: Piece, one: Spot, after: Piece, other: Spot): LookDifference {
  const found: LookDifference[] = [
    ofColour(one, before.substrate.colour, other, after.substrate.colour),
    ofSheen(before, one, after, other),
    ofEffects(one, other),
    ofMetal(one, other),
    ofFilm(one, other),
  ];
  const grades: LookChange[] = ['same', 'slight', 'other'];
  return {
    look: nth(grades, Math.max(...found.map(({ look }) => grades.indexOf(look)))),
    shows: found.flatMap(({ shows }) => shows),
  };
}

/** The paint that makes the colour of a spot, and what it is to be. */
const paintOf = (layers: readonly Layer[]): Layer | undefined =>
  layers.findLast(({ material, share }) => material.role === 'paint' && share >= 0.5);

/** Colours are held against what is meant: what comes nearer to that is no other look. */
function ofColour(
  one: Spot,
  ground: string | undefined,
  other: Spot,
  otherGround: string | undefined,
): LookDifference {
  const paint = paintOf(one.layers);
  // What was never given a colour has none to keep.
  if (paint?.step.colour === undefined) return same;
  const seen = seenColour(one.layers, ground) ?? paint.step.colour;
  const instead = seenColour(other.layers, otherGround);
  if (instead === undefined || !paintOf(other.layers))
    return { look: 'other', shows: ['without its colour'] };
  // Over a ground of unknown colour nothing can be said of how it covered.
  const isFirst = one.layers.find(({ material }) => material.hideUm !== undefined) === paint;
  if (isFirst && ground === undefined) return same;
  const apart = colourDistance(seen, instead);
  const isNearer = colourDistance(instead, paint.step.colour) <= colourDistance(seen, paint.step.colour);
  if (apart < SEEN_DELTA_E || isNearer) return same;
  return apart < PLAIN_DELTA_E
    ? { look: 'slight', shows: ['a shade off'] }
    : { look: 'other', shows: ['another colour'] };
}

/** The sheen that is meant is that of the film on top; a forecast that misses it is what a finding is about. */
function ofSheen(before: Piece, one: Spot, after: Piece, other: Spot): LookDifference {
  const meant = faceLayer(one.layers)?.material.sheenGu;
  const was = forecastSheen(before, one);
  const is = forecastSheen(after, other);
  const gu = faceLayer(other.layers)?.material.sheenGu;
  if (meant === undefined || gu === undefined || !was || !is) return same;
  const [wanted, comes] = [sheenClass(meant), sheenClass(gu)];
  if (wanted !== comes)
    return { look: 'other', shows: [`${sheenWords[comes]} in place of ${sheenWords[wanted]}`] };
  if (Math.abs(gu - meant) <= SEEN_GU) return same;
  return { look: 'slight', shows: [gu > meant ? 'a little shinier' : 'a little duller'] };
}

function ofEffects(one: Spot, other: Spot): LookDifference {
  const effects = (spot: Spot) => spot.layers.filter(isEffect);
  const now = effects(one);
  const then = effects(other);
  const lost = now.filter((layer) => !then.some(({ step }) => step.id === layer.step.id));
  if (lost.length > 0)
    return { look: 'other', shows: lost.map(({ material }) => `without the ${material.name}`) };
  const differs = now.some((layer) => {
    const match = then.find(({ step }) => step.id === layer.step.id);
    return (
      match !== undefined &&
      (match.material.id !== layer.material.id || match.film !== layer.film || match.coats !== layer.coats)
    );
  });
  return differs ? { look: 'slight', shows: ['the effect comes out a little otherwise'] } : same;
}

function ofMetal(one: Spot, other: Spot): LookDifference {
  const [was, is] = [isMetal(one.layers), isMetal(other.layers)];
  return was === is
    ? same
    : { look: 'other', shows: [was ? 'paint in place of metal' : 'metal in place of paint'] };
}

/** Another tin for the paint itself, or more or less of it. */
function ofFilm(one: Spot, other: Spot): LookDifference {
  const paints = (spot: Spot) => spot.layers.filter(({ material }) => material.role === 'paint');
  const [now, then] = [paints(one), paints(other)];
  if (now.length > then.length) return { look: 'other', shows: ['without one of its paints'] };
  const differs = now.some((layer, n) => {
    const match = then[n];
    return match !== undefined && (match.material.id !== layer.material.id || match.method !== layer.method);
  });
  return differs ? { look: 'slight', shows: [] } : same;
}
