import {
  partsOf,
  tinsFor,
  toWallTime,
  type AmountMeasuredEntry,
  type Build,
  type Material,
  type Mix,
  type Tin,
  type TinLevel,
} from '@fixatum/core';
import { nanoid } from 'nanoid';

/** Less than this says nothing of how much somebody takes, ml. */
const WORTH_LEARNING_ML = 5;

/** Where what is gone from a tin went. */
export type GoneBy = 'used' | 'spilt' | 'dried up' | 'lent';

/** More than this of what a tin is reckoned to hold is not just the book being a little wrong: it is asked where it went. */
const WORTH_ASKING_SHARE = 0.15;
const WORTH_ASKING_ML = 10;

/** Whether it has to be asked where the rest of a tin went that is said to be empty. */
export const isMuchLeft = ({ ml, tin }: Pick<TinLevel, 'ml' | 'tin'>): boolean =>
  ml > WORTH_ASKING_ML && ml > WORTH_ASKING_SHARE * tin.containerMl;

/** What a change of the shelf writes. */
export type ShelfChange = { stock: Tin[]; amounts?: AmountMeasuredEntry[] };

/** A tin as it comes on to the shelf: full, unless something else is said. */
export interface NewTin extends Partial<
  Pick<Tin, 'colour' | 'openedOn' | 'bestBefore' | 'arrivesOn' | 'lot' | 'price' | 'keptIn'>
> {
  material: string;
  containerMl: number;
  remainingMl?: number | undefined;
}

const atNow = (build: Pick<Build, 'timeZone'>, now: number): string =>
  toWallTime(Math.floor(now), build.timeZone);

/**
 * The shelf with the level of a tin set by hand, from now on; what was used since it was set last, against what the book reckons, is learned
 * from, for each way it was put on.
 * @param ml what is left now
 * @param why where what is gone went: only what was used teaches how much somebody takes
 */
export function withLevel(
  build: Build,
  level: TinLevel,
  ml: number,
  now: number,
  why: GoneBy = 'used',
): ShelfChange {
  const at = atNow(build, now);
  const stock = (build.stock ?? []).map((tin, n) =>
    n === level.at
      ? { ...tin, id: tin.id ?? nanoid(12), remainingMl: Math.min(ml, tin.containerMl), levelAt: at }
      : tin,
  );
  const usedMl = level.tin.remainingMl - ml;
  if (level.tin.levelAt === undefined || usedMl < 0 || why !== 'used') return { stock };
  const bookMl = [...level.bookMl.values()].reduce((sum, one) => sum + one, 0);
  const measured = [...level.bookMl]
    .filter(([, reckonedMl]) => reckonedMl >= WORTH_LEARNING_ML)
    .map(([method, reckonedMl]): AmountMeasuredEntry => ({
      id: nanoid(12),
      material: level.tin.material,
      ...(method === undefined ? {} : { method }),
      reckonedMl,
      // Which way took how much of it a tin does not tell: each its share.
      usedMl: (usedMl * reckonedMl) / bookMl,
      on: at.slice(0, 10),
    }));
  return measured.length === 0 ? { stock } : { stock, amounts: [...(build.amounts ?? []), ...measured] };
}

/** The shelf with some new tins of a kind on it, full unless something else is said. */
export function withTins(build: Build, tin: NewTin, count: number, now: number): Tin[] {
  const fresh = Array.from({ length: count }, (): Tin => ({
    ...tin,
    id: nanoid(12),
    remainingMl: tin.remainingMl ?? tin.containerMl,
    levelAt: atNow(build, now),
  }));
  return [...(build.stock ?? []), ...fresh];
}

/** What a gross weight comes to, ml: `(gross − empty) ÷ density`. */
export const mlOfWeight = (grossG: number, emptyG: number, gPerMl: number): number =>
  Math.max(0, (grossG - emptyG) / gPerMl);

/** Mixes with one of them as it is now, whether it was among them or not. */
export const withMix = (mixes: readonly Mix[] | undefined, mix: Mix): Mix[] =>
  mixes?.some(({ id }) => id === mix.id)
    ? mixes.map((one) => (one.id === mix.id ? mix : one))
    : [...(mixes ?? []), mix];

/**
 * What a mix that was made writes: the making down, a pot of it on the shelf, and its parts out of the tins they are used from first.
 * @param levels what is in every tin now
 * @returns also what no tin had of its parts, ml by name of the material
 */
export function withMixMade(
  build: Pick<Build, 'stock' | 'mixes' | 'timeZone'>,
  { mix, ml }: { mix: Mix; ml: number },
  levels: readonly TinLevel[],
  materials: ReadonlyMap<string, Material>,
  now: number,
): { change: { mixes: Mix[]; stock: Tin[] }; missing: { name: string; ml: number }[] } {
  const at = atNow(build, now);
  const left = new Map(levels.map((level) => [level.at, level.ml]));
  const touched = new Set<number>();
  const missing: { name: string; ml: number }[] = [];
  for (const part of partsOf(mix, ml, materials)) {
    const known = materials.get(part.materialId) ?? { id: part.materialId, role: 'paint' as const };
    let wanted = part.ml;
    for (const { at: place } of tinsFor(levels, known, part.colour)) {
      const taken = Math.min(wanted, left.get(place) ?? 0);
      if (taken <= 0) continue;
      left.set(place, (left.get(place) ?? 0) - taken);
      touched.add(place);
      wanted -= taken;
    }
    if (wanted > 0.05)
      missing.push({ name: materials.get(part.materialId)?.name ?? part.materialId, ml: wanted });
  }
  const stock = (build.stock ?? []).map((tin, n) =>
    touched.has(n) ? { ...tin, remainingMl: left.get(n) ?? tin.remainingMl, levelAt: at } : tin,
  );
  const pot: Tin = {
    id: nanoid(12),
    material: mix.material,
    colour: mix.colour,
    containerMl: ml,
    remainingMl: ml,
    levelAt: at,
    openedOn: at.slice(0, 10),
    mix: mix.id,
  };
  const made = [...(mix.made ?? []), { at, ml }];
  return { change: { mixes: withMix(build.mixes, { ...mix, made }), stock: [...stock, pot] }, missing };
}
