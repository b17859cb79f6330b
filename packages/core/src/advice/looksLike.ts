import { colourDistance } from '../colour/hiding';
import { seenColour } from '../colour/seenColour';
import { forecastSheen, sheenWords } from '../facts/sheen';
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

function ofColour(
  one: Spot,
  ground: string | undefined,
  other: Spot,
  otherGround: string | undefined,
): LookDifference {
  const seen = seenColour(one.layers, ground);
  const instead = seenColour(other.layers, otherGround);
  // What was never given a colour has none to keep.
  const isSaid = one.layers.some(
    ({ material, step }) => material.role === 'paint' && step.colour !== undefined,
  );
  if (!isSaid || seen === undefined) return same;
  if (instead === undefined) return { look: 'other', shows: ['without its colour'] };
  const apart = colourDistance(seen, instead);
  if (apart < SEEN_DELTA_E) return same;
  return apart < PLAIN_DELTA_E
    ? { look: 'slight', shows: ['a shade off'] }
    : { look: 'other', shows: ['another colour'] };
}

function ofSheen(before: Piece, one: Spot, after: Piece, other: Spot): LookDifference {
  const was = forecastSheen(before, one);
  const is = forecastSheen(after, other);
  if (!was || !is) return same;
  if (was.class !== is.class)
    return { look: 'other', shows: [`${sheenWords[is.class]} in place of ${sheenWords[was.class]}`] };
  const apart = Math.abs((was.gu ?? 0) - (is.gu ?? 0));
  return apart > SEEN_GU
    ? { look: 'slight', shows: [is.gu! > was.gu! ? 'a little shinier' : 'a little duller'] }
    : same;
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
