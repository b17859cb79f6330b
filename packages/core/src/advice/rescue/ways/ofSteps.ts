import { coatsToHide } from '../../../colour/hiding';
import { serves } from '../../../colour/tint';
import { layerUm, spotsOf } from '../../../facts/spots';
import { binderOf } from '../../../model/binders';
import type { Material } from '../../../model/materialSchema';
import { placesOf } from '../../../model/places';
import { dryFilmUm } from '../../../materials/film';
import { unitKey } from '../../../schedule/plan/workload';
import type { PatchStep } from '../../../model/patch';
import { has } from '../../../model/traits';
import { toWallTime } from '../../../model/wallTime';
import { isBoughtByColour } from '../../../quantity/needs';
import type { LookChange } from '../../finding';
import type { Way } from '../rescueCost';
import type { OpenStep, RescueContext } from './context';
import { nth } from '../../../model/sure';

/** A way of catching up with one step: what it offers, nothing where it does not apply. */
export type StepWay = (open: OpenStep, context: RescueContext) => Way[];

/** Leaves out what may be. */
export const leaveOut: StepWay = ({ step, name, path, isFresh, isUnlogged }) =>
  step.optional && isFresh && isUnlogged
    ? [
        {
          label: `Leave out: ${name}`,
          change: [{ op: 'remove', path }],
          cost: { look: 'slight', givesUp: [name] },
        },
      ]
    : [];

/** One coat fewer, where what is left covers, or where coats only build up. */
export const fewerCoats: StepWay = (open, context) => {
  const { step, material, name, path, isFresh, isUnlogged } = open;
  const coats = step.coats ?? 1;
  if (!material || coats < 2 || !isFresh || !isUnlogged) return [];
  if (material.role === 'paint' && !stillCovers(open, coats - 1, context)) return [];
  return [
    {
      label: `${coats - 1} ${coats === 2 ? 'coat' : 'coats'} of ${name} in place of ${coats}`,
      change: [{ op: 'add', path: `${path}/coats`, value: coats - 1 }],
      cost: { look: 'slight', givesUp: material.role === 'paint' ? [] : ['some toughness'] },
    },
  ];
};

/** Whether so many coats of a step still hide what is below them, wherever it lies. */
function stillCovers({ piece, stepIndex }: OpenStep, coats: number, context: RescueContext): boolean {
  return spotsOf(piece, context).every(({ layers }) => {
    const at = layers.findIndex((layer) => layer.at === stepIndex);
    const layer = layers[at];
    const below = layers
      .slice(0, Math.max(0, at))
      .reverse()
      .find((one) => one.material.hideUm !== undefined);
    if (!layer || !below || layer.step.colour === undefined) return true;
    const coatUm = layerUm(layer) / layer.coats || dryFilmUm(layer.material.wftUm, layer.material);
    const ground = below.step.colour ?? below.material.colour;
    const needed = coatsToHide(ground, layer.step.colour, layer.material, { coatUm, method: layer.method });
    return needed !== undefined && needed <= coats;
  });
}

/** Lighter coats, which dry sooner. */
export const lighterCoats: StepWay = ({ step, material, name, path, isFresh }) =>
  material && isFresh && (step.film === undefined || step.film === 'normal' || step.film === 'heavy')
    ? [
        {
          label: `${name} in light coats`,
          change: [{ op: 'add', path: `${path}/film`, value: 'light' }],
          cost: { look: 'slight' },
        },
      ]
    : [];

const SWAPPED_ROLES = new Set(['seal', 'topcoat', 'weather', 'prime']);
/** Another material has to be this much quicker to be worth it. */
const QUICKER_SHARE = 0.8;
const MOST_SWAPS = 4;
/** From this difference of gloss units on, the look is another. */
const OTHER_LOOK_GU = 15;
const sheenOf = ({ sheenGu }: Material) => sheenGu ?? 20;

/** A quicker material of the same kind: sealer, primer, clear, wash. */
export const quickerMaterial: StepWay = (
  { material, name, path, isFresh, isUnlogged },
  { materials, toBuy },
) => {
  if (!material || !isFresh || !isUnlogged || !SWAPPED_ROLES.has(material.role)) return [];
  const slow = Math.max(material.pack ?? 0, material.wear ?? 0);
  const off = (other: Material) => Math.abs(sheenOf(other) - sheenOf(material));
  return [...materials.values()]
    .filter(
      (other) =>
        other.role === material.role &&
        other.id !== material.id &&
        other.potLife === undefined &&
        !binderOf(other).loose &&
        !binderOf(other).comesOff &&
        Math.max(other.pack ?? Infinity, other.wear ?? Infinity) < slow * QUICKER_SHARE,
    )
    .sort((a, b) => off(a) - off(b) || toBuy(a.id).length - toBuy(b.id).length)
    .slice(0, MOST_SWAPS)
    .map((other) => ({
      label: `${other.name} in place of ${name}`,
      change: swapped(path, other),
      cost: { look: lookOfSwap(material, other), buys: toBuy(other.id) },
    }));
};

const swapped = (path: string, other: Material): PatchStep[] => [
  { op: 'add', path: `${path}/material`, value: other.id },
  { op: 'add', path: `${path}/method`, value: nth(other.methods, 0) },
];

/** What a swap shows: what lies below the colours shows nothing. */
const lookOfSwap = (material: Material, other: Material): LookChange =>
  material.role === 'seal' || material.role === 'prime'
    ? 'same'
    : Math.abs((other.sheenGu ?? 0) - (material.sheenGu ?? 0)) > OTHER_LOOK_GU
      ? 'other'
      : 'slight';

/** What stands on the shelf, where a step waits for what was ordered: for the same purpose, metal for metal, paint in its colour. */
export const onTheShelf: StepWay = (
  { piece, step, material, name, path, isFresh, isUnlogged },
  { build, materials, plan },
) => {
  const first = plan.operations.find(({ pieceId, stepId }) => pieceId === piece.id && stepId === step.id);
  const arrivesAt = first && plan.workload.arrivals.get(first.id);
  if (!material || !isFresh || !isUnlogged || arrivesAt === undefined || arrivesAt <= plan.now) return [];
  const today = toWallTime(Math.floor(plan.now), build.timeZone).slice(0, 10);
  const isHere = (other: Material) =>
    (build.stock ?? []).some(
      (tin) =>
        tin.remainingMl > 0 &&
        (tin.arrivesOn === undefined || tin.arrivesOn <= today) &&
        serves(tin, other, isBoughtByColour(other) ? step.colour : undefined),
    );
  const off = (other: Material) => Math.abs(sheenOf(other) - sheenOf(material));
  return [...materials.values()]
    .filter(
      (other) =>
        other.id !== material.id &&
        other.role === material.role &&
        other.potLife === undefined &&
        !binderOf(other).loose &&
        !binderOf(other).comesOff &&
        has(other, 'metallic') === has(material, 'metallic') &&
        isHere(other),
    )
    .sort((a, b) => off(a) - off(b))
    .slice(0, MOST_SWAPS)
    .map((other) => ({
      label: `${other.name}, which is on the shelf, in place of ${name}`,
      change: swapped(path, other),
      cost: { look: lookOfSwap(material, other) },
    }));
};

/** Coats that would dry as one thick film, one by one. */
export const dryThroughEach: StepWay = ({ piece, step, material, name, path }, { plan }) => {
  const joins = plan.operations.some(
    (one) =>
      one.pieceId === piece.id &&
      one.stepId === step.id &&
      one.status === 'planned' &&
      !one.letsDryThrough &&
      plan.workload.coatsOnCoats
        .get(unitKey(one))
        ?.some((coat) => coat.id === one.id && coat.early === 'joins'),
  );
  if (!material || !joins || step.waitFor !== undefined) return [];
  return [
    {
      label: `Each coat of ${name} on ${piece.name} dry through before the next`,
      change: [{ op: 'add', path: `${path}/waitFor`, value: 'through' }],
      cost: {},
    },
  ];
};

/** The same work somewhere else. */
export const otherPlace: StepWay = ({ piece, step, material, name, path, isFresh }, { build }) => {
  const places = placesOf(build);
  const here = step.place ?? places[0]?.id;
  if (!material || !isFresh) return [];
  return places
    .filter((place) => place.id !== here)
    .map((place) => ({
      label: `${name} of ${piece.name} moves to ${place.name}`,
      change: [{ op: 'add', path: `${path}/place`, value: place.id }],
      cost: {},
    }));
};
