import { FLATTENING_GU, STRONG_GLOSS_GU } from '../../facts/sheen';
import { layerUm, spotsOf, type Known, type Layer } from '../../facts/spots';
import { binderOf } from '../../model/binders';
import { methodTable, type Method } from '../../model/methods';
import type { Placement } from '../../model/placementIds';
import type { Piece } from '../../model/schema';
import { has } from '../../model/traits';
import { absorption, hidingScatter } from '../film';
import { colourUnder, type Light } from '../light';
import { paintFigures } from '../paint';
import { mixedColour } from '../seenColour';
import { BANDS, spectrumOf, xyzOf, type Spectrum } from '../spectrum';
import { borderOf, coverageOf, shiftOf } from './coverage';
import { OUTSIDE } from './drawnRelief';
import { noiseField, noisePixels, shiftedAt } from './noise';
import type { Relief } from './relief';

/** A layer as it is drawn: plain data, which can be sent to a worker. */
export interface FinishLayer {
  /** Where its step stands in the list, from 0. */
  stepAt: number;
  name: string;
  masstone: string;
  /** S times thickness of its whole film; 0 for what is clear. */
  scatter: number;
  coats: number;
  method: Method;
  placement: Placement;
  /** The share of its zone that it covers. */
  share: number;
  /** Gloss units of its film; undefined where it takes the shine of what it lies on. */
  gloss: number | undefined;
  isMetallic: boolean;
  /** A clear that flattens: it does not get the better of a strong gloss that was not scuffed. */
  flattens: boolean;
  /** It comes off again, and what is laid over it with it. */
  comesOff: boolean;
}

/** A zone of a piece with what lies on it, bottom first. */
export interface FinishZone {
  share: number;
  layers: FinishLayer[];
}

/** What a finish looks like, row by row. */
export interface FinishMaps {
  size: number;
  /** Red, green, blue, alpha. */
  colour: Uint8ClampedArray;
  /** Gloss units, 0 to 100. */
  gloss: Uint8ClampedArray;
  /** How much like metal, 0 to 255. */
  metal: Uint8ClampedArray;
  /** Height with the marks of the tools, in sides of the square. */
  height: Float32Array;
}

/** A normal coat of a stain, which has no hide figure, does so much of what hides. */
const STAIN_SHARE = 0.22;
/** A pool of a wash is so many times as thick as its mean. */
const POOLED = 2;
const stains: readonly Layer['material']['role'][] = ['weather', 'detail'];

/** The layers of a spot as they are drawn. */
export function finishLayers(layers: readonly Layer[]): FinishLayer[] {
  return layers.flatMap((layer): FinishLayer[] => {
    const { material, at, coats, method, placement, share } = layer;
    if (material.role === 'fill' || material.role === 'bond') return [];
    const colour = mixedColour(layer);
    const { masstone, scatterPerUm } = paintFigures(material, colour);
    const filmUm = layerUm(layer);
    const isStain = stains.includes(material.role) && scatterPerUm === undefined;
    const pooled = isStain && placement === 'recesses' ? POOLED : 1;
    const own = isStain ? hidingScatter(masstone) * STAIN_SHARE * coats : (scatterPerUm ?? 0) * filmUm;
    return [
      {
        stepAt: at,
        name: material.name,
        masstone: colour,
        scatter: binderOf(material).comesOff ? 0 : own * pooled,
        coats,
        method,
        placement,
        share,
        gloss: isStain && filmUm < THINNEST_UM ? undefined : material.sheenGu,
        isMetallic: has(material, 'metallic'),
        flattens: material.role === 'topcoat' && (material.sheenGu ?? 100) <= FLATTENING_GU,
        comesOff: binderOf(material).comesOff === true,
      },
    ];
  });
}

/** The zones of a piece with what lies, or will lie, on the outside of its first unit. */
export function finishZones(piece: Piece, known: Known): FinishZone[] {
  const spots = spotsOf(piece, known).filter(({ face, units }) => face === 'outer' && units.includes(1));
  const zones = piece.zones?.length ? piece.zones : [{ id: undefined, share: 1 }];
  return zones.map(({ id, share }) => ({
    share,
    layers: finishLayers(spots.find(({ zone }) => id === undefined || zone === id)?.layers ?? []),
  }));
}

/** A stain thinner than this takes the shine of what it lies on, µm. */
const THINNEST_UM = 4;
/** What a flattening clear over a strong gloss comes out as, gloss units: satin. */
const SATIN_GU = 27;
/** Bare foam. */
const BARE_GU = 6;

/** Thicknesses that are told apart, as shares of a layer's whole film; the last is the thickest streak. */
const LEVELS = 16;
const THICKEST = 2;
/** Colours nearer than this in every channel of 0 to 255 are drawn as one. */
const TOLD_APART = 4;
const NOISE_SIZE = 128;

interface State {
  spectrum: Spectrum;
  rgb: readonly [number, number, number];
}

/** What a picture is made of. */
export interface FinishRequest {
  relief: Relief;
  /** Colour of what the piece is made of. */
  ground: string;
  /** Their shares add up to 1. */
  zones: readonly FinishZone[];
  light?: Light;
  /** Only steps before this place in the list; all without it. */
  before?: number;
}

/**
 * Paints a finish on a relief, coat by coat: films by Kubelka and Munk over whatever lies there, washes pooled in recesses, dry-brush on what
 * stands out, chips that show what is below, with the marks of brush and sponge. The same stack always looks the same, and a coat more
 * changes nothing of those below it nor of what lies outside its placement.
 */
export function paintFinish({
  relief,
  ground,
  zones,
  light = 'daylight',
  before = Infinity,
}: FinishRequest): FinishMaps {
  const { size } = relief;
  const count = size * size;
  const states = new States(light);
  const state = new Uint16Array(count).fill(states.of(spectrumOf(ground)));
  const gloss = new Float32Array(count).fill(BARE_GU);
  const metal = new Float32Array(count);
  const height = Float32Array.from(relief.height);
  const zoneOf = relief.zoneOf ?? zoneMap(relief, zones);
  zones.forEach(({ layers }, zone) => {
    const places = placesOf(zoneOf, zone);
    let chips: Float32Array | undefined;
    layers.forEach((layer, n) => {
      if (layer.stepAt >= before) return;
      const seed = n * 7 + zone * 31 + 1;
      const cover = coverageOf(relief, layer.placement, layer.share, seed, places);
      if (layer.comesOff) {
        chips = cover;
        return;
      }
      const off = chips;
      if (layer.scatter > 0 && layer.placement === 'all') chips = undefined;
      const films = states.films(layer);
      const thick = marksOf(layer, size, seed, places);
      const hides = Math.min(1, layer.scatter / HIDES_AT);
      for (const at of places) {
        const lies = cover[at]! * (off ? 1 - off[at]! : 1);
        if (lies <= 0) continue;
        const film = lies * thick[at]!;
        if (layer.scatter > 0) {
          state[at] = films(state[at]!, film, at);
          metal[at]! += ((layer.isMetallic ? 1 : 0) - metal[at]!) * Math.min(1, lies * hides);
        }
        if (layer.gloss !== undefined) {
          const below = gloss[at]!;
          const meant = layer.flattens && below > STRONG_GLOSS_GU ? SATIN_GU : layer.gloss;
          gloss[at] = below + (meant - below) * lies;
        }
        height[at]! += (thick[at]! - 1) * lies * MARK_HEIGHT;
      }
    });
  });
  return drawn(size, states, { state, gloss, metal, height }, relief.zoneOf);
}

const placesOf = (zoneOf: Uint8Array, zone: number): Uint32Array => {
  const places = new Uint32Array(zoneOf.length);
  let count = 0;
  for (let at = 0; at < zoneOf.length; at += 1) if (zoneOf[at] === zone) places[count++] = at;
  return places.subarray(0, count);
};

/** S times thickness from which on a film makes the surface what it is. */
const HIDES_AT = 1.2;
/** How high the marks of a tool stand, in sides of the square, for a film twice the mean. */
const MARK_HEIGHT = 0.0012;

function drawn(
  size: number,
  states: States,
  {
    state,
    gloss,
    metal,
    height,
  }: Pick<FinishMaps, 'height'> & { state: Uint16Array; gloss: Float32Array; metal: Float32Array },
  zoneOf: Uint8Array | undefined,
): FinishMaps {
  const colour = new Uint8ClampedArray(size * size * 4);
  for (let at = 0; at < state.length; at += 1) {
    const { rgb } = states.list[state[at]!]!;
    [colour[at * 4], colour[at * 4 + 1], colour[at * 4 + 2]] = rgb;
    // Nothing is seen outside an outline.
    colour[at * 4 + 3] = zoneOf?.[at] === OUTSIDE ? 0 : 255;
  }
  return {
    size,
    colour,
    gloss: Uint8ClampedArray.from(gloss),
    metal: Uint8ClampedArray.from(metal, (share) => share * 255),
    height,
  };
}

/** Every colour that a picture comes to, each once. */
class States {
  readonly list: State[] = [];
  private readonly known = new Map<number, number>();
  constructor(private readonly light: Light) {}

  of(spectrum: Spectrum): number {
    const rgb = this.rgbOf(spectrum);
    const [r, g, b] = rgb;
    const key = ((r / TOLD_APART) << 16) | ((g / TOLD_APART) << 8) | (b / TOLD_APART);
    const found = this.known.get(key);
    if (found !== undefined) return found;
    this.list.push({ spectrum, rgb });
    this.known.set(key, this.list.length - 1);
    return this.list.length - 1;
  }

  private rgbOf(spectrum: Spectrum): State['rgb'] {
    if (this.light === 'daylight') {
      const [x, y, z] = xyzOf(spectrum);
      return [
        compand(3.2406255 * x - 1.537208 * y - 0.4986286 * z),
        compand(-0.9689307 * x + 1.8757561 * y + 0.0415175 * z),
        compand(0.0557101 * x - 0.2040211 * y + 1.0569959 * z),
      ];
    }
    const hex = colourUnder(spectrum, this.light);
    return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)) as unknown as State['rgb'];
  }

  /** What a layer makes of a state where so much of its film lies. */
  films({ masstone, scatter }: FinishLayer): (state: number, film: number, at: number) => number {
    const top = spectrumOf(masstone);
    // R = (1 − R_g·p)/(q − R_g) with p = a − b·coth(bSX) and q = a + b·coth(bSX).
    const tables = Array.from({ length: LEVELS + 1 }, (_, level) => {
      const [p, q] = [new Float64Array(BANDS), new Float64Array(BANDS)];
      const own = (scatter * level * THICKEST) / LEVELS;
      for (let band = 0; band < BANDS; band += 1) {
        const a = 1 + absorption(top[band]!);
        const b = Math.sqrt(a * a - 1);
        const bCoth = b / Math.tanh(b * own);
        p[band] = a - bCoth;
        q[band] = a + bCoth;
      }
      return { p, q };
    });
    // What was there before the layer is all that it is laid over.
    const made = new Int32Array(this.list.length * (LEVELS + 1)).fill(-1);
    return (state, film, at) => {
      // Between two levels now one and now the other, so that no steps are seen.
      const level = Math.min(LEVELS, Math.floor((film / THICKEST) * LEVELS + grain(at)));
      if (level === 0) return state;
      const key = state * (LEVELS + 1) + level;
      const known = made[key]!;
      if (known >= 0) return known;
      const { p, q } = tables[level]!;
      const below = this.list[state]!.spectrum;
      const seen = new Array<number>(BANDS);
      for (let band = 0; band < BANDS; band += 1)
        seen[band] = (1 - below[band]! * p[band]!) / (q[band]! - below[band]!);
      const next = this.of(seen);
      made[key] = next;
      return next;
    };
  }
}

/** The sRGB curve (IEC 61966-2-1), 0 to 255. */
function compand(linear: number): number {
  const value = Math.min(1, Math.max(0, linear));
  return Math.round(255 * (value <= 0.0031308 ? 12.92 * value : 1.055 * value ** (1 / 2.4) - 0.055));
}

/** A number from 0 to 1 for each pixel, as good as random. */
function grain(at: number): number {
  let hash = Math.imul(at ^ (at >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) & 0xffff) / 65536;
}

/** How thick a layer is at each pixel against its mean: the streaks of a brush, the pores of a sponge, the grain of a spray. */
function marksOf(
  { method, coats }: Pick<FinishLayer, 'method' | 'coats'>,
  size: number,
  seed: number,
  places: Uint32Array,
): Float32Array {
  const { evenness, sprays, drags } = methodTable[method];
  const depth = (1 - evenness) / Math.sqrt(coats);
  // A brush that is nearly dry leaves paint in threads, with bare places between.
  const isDry = method === 'dry-brush';
  const isSponged = method === 'sponge' || method === 'stipple';
  // Strokes run across, and are many times as long as they are wide.
  const isStroked = isDry || (!sprays && !isSponged && drags);
  const waves = sprays ? 40 : isSponged ? 26 : 30;
  const field = noiseField(sprays ? 5 : isSponged ? 4 : 3, NOISE_SIZE, waves, 2, isStroked ? 4 : waves);
  const noise = noisePixels(field, size);
  const [dx, dy] = shiftOf(seed, size);
  const [middle, sway] = isDry ? [0.75, 1.9] : [1, depth * 1.3];
  const marks = new Float32Array(size * size);
  for (const at of places) {
    const x = at % size;
    const share = middle + noise[shiftedAt(x, (at - x) / size, dx, dy, size)]! * sway;
    marks[at] = Math.min(THICKEST, Math.max(0, share));
  }
  return marks;
}

/**
 * Which zone each pixel is of, by place in the list: the largest is the field; the next the rim, then what stands in the middle, the others
 * bands across. Each gets its share of the square.
 */
export function zoneMap({ size, rim }: Relief, zones: readonly Pick<FinishZone, 'share'>[]): Uint8Array {
  const map = new Uint8Array(size * size);
  const order = zones.map((_, at) => at).sort((one, other) => zones[other]!.share - zones[one]!.share);
  const field = order[0] ?? 0;
  map.fill(field);
  const scores: ((at: number) => number)[] = [
    (at) => rim[at]!,
    (at) => -(((at % size) / size - 0.5) ** 2) - (Math.floor(at / size) / size - 0.5) ** 2,
    (at) => -Math.abs((at % size) / size - 0.25),
    (at) => -Math.abs((at % size) / size - 0.75),
  ];
  let left = 1;
  order.slice(1).forEach((zone, n) => {
    const score = scores[n % scores.length]!;
    const free: number[] = [];
    for (let at = 0; at < map.length; at += 1) if (map[at] === field) free.push(at);
    const values = Float32Array.from(free, score);
    const [least, most] = values.reduce(
      ([low, high], value) => [Math.min(low, value), Math.max(high, value)] as [number, number],
      [Infinity, -Infinity] as [number, number],
    );
    const border = borderOf(values, zones[zone]!.share / left, least, most);
    free.forEach((at, own) => {
      if (values[own]! >= border) map[at] = zone;
    });
    left -= zones[zone]!.share;
  });
  return map;
}
