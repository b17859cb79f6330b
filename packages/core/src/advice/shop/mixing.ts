import { sameTint } from '../../colour/tint';
import type { Material } from '../../model/materialSchema';
import type { Build, Mix } from '../../model/schema';
import { usualDensityGPerMl } from '../../quantity/containers';

/** One mix serves all pieces of its colour, with so much to spare (docs/domain.md, "Amounts"): it can hardly be matched again. */
const SPARE = 1.15;
/** A small pot of it is kept for touch-ups, ml. */
const KEPT_ML = 10;

/**
 * How much of a colour is mixed for what is to be laid: what is enough nine times in ten, and at least 15 % more than the middle figure; with
 * a small pot kept for touch-ups.
 * @example 20 ml in the middle, 27.6 nine times in ten: 37.6 ml
 */
export const mixedMl = ({ needMl, enoughMl }: { needMl: number; enoughMl: number }): number =>
  needMl <= 0 ? 0 : Math.max(needMl * SPARE, enoughMl) + KEPT_ML;

/** One part of a mix: how much of it goes in. */
export interface MixPart {
  materialId: string;
  colour: string | undefined;
  parts: number;
  ml: number;
  /** By the usual density; the label wins. */
  g: number;
}

/**
 * The parts of a mix in an amount of it.
 * @example 6 white and 1 ochre, 70 ml: 60 ml and 10 ml
 */
export function partsOf(
  mix: Pick<Mix, 'parts'>,
  ml: number,
  materials: ReadonlyMap<string, Material>,
): MixPart[] {
  const all = mix.parts.reduce((sum, { parts }) => sum + parts, 0);
  return mix.parts.map(({ material, colour, parts }) => {
    const own = (ml * parts) / all;
    const known = materials.get(material);
    return { materialId: material, colour, parts, ml: own, g: own * (known ? usualDensityGPerMl(known) : 1) };
  });
}

/** The mix that a colour of a material is mixed by, the one written down last; undefined where it is bought as it is. */
export const mixFor = (
  mixes: Build['mixes'],
  materialId: string,
  colour: string | undefined,
): Mix | undefined =>
  colour === undefined
    ? undefined
    : mixes?.findLast((mix) => mix.material === materialId && sameTint(mix.colour, colour));

/** The two parts of a two-part material, by volume, as its label writes them: "4:1 volume". */
export function twoParts({
  mix,
  potLife,
}: Pick<Material, 'mix' | 'potLife'>): readonly [number, number] | undefined {
  const said = potLife === undefined ? null : /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)/.exec(mix ?? '');
  return said ? [Number(said[1]), Number(said[2])] : undefined;
}

/** Of a pot that sets no more is mixed than is laid in so much of its pot life. */
const USABLE = 0.8;

/**
 * In how many lots a two-part material is mixed: none sets before it is laid.
 * @param workMinutes hands-on minutes of all that is laid in one go
 * @example 50 minutes of work, a pot life of 30 min: 50 / 24, three lots
 */
export const lotsFor = (workMinutes: number, potLifeMinutes: number): number =>
  Math.max(1, Math.ceil(workMinutes / (potLifeMinutes * USABLE)));
