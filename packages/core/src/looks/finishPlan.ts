import { converter } from 'culori';
import type { Step, Zone } from '../model/schema';
import type { Material } from '../model/materialSchema';
import { methodTable } from '../model/methods';
import { nth } from '../model/sure';

/** The coats of one zone, to be brought into an order with those of the others. */
export interface ZoneFinish {
  zone: Zone;
  steps: Step[];
}

/** The order in which zones are painted, the tape that takes, and why. */
export interface FinishPlan {
  steps: Step[];
  /** Zone ids in painting order. */
  order: string[];
  /** Tape to lay, mm. */
  tapeMm: number;
  /** One sentence a zone, in painting order. */
  why: string[];
}

const lab = converter('lab');
/** Dirtying a lighter zone that is yet to come costs this much tape per step of lightness. */
const STAIN_MM_PER_LIGHTNESS = 8;
const MOST_ZONES_TRIED = 6;

const lightnessOf = (colour: string | undefined) => (colour ? (lab(colour)?.l ?? 50) : 50);
const mainColour = (finish: ZoneFinish) =>
  finish.steps.find((step) => step.kind === 'base' && step.colour)?.colour;
const reaches = (finish: ZoneFinish) =>
  finish.steps.some(
    (step) =>
      step.method !== undefined && methodTable[step.method].reachesOver && step.material !== undefined,
  );

/** The edge along which two zones meet, mm: unknown in detail, so the shorter of the two outlines. */
function sharedEdgeMm(a: Zone, b: Zone): number {
  return Math.min(a.edgeMm ?? 1000 * Math.sqrt(a.share), b.edgeMm ?? 1000 * Math.sqrt(b.share));
}

interface Cost {
  tapeMm: number;
  stainMm: number;
}

function costOf(order: readonly ZoneFinish[]): Cost {
  let tapeMm = 0;
  let stainMm = 0;
  order.forEach((finish, at) => {
    if (!reaches(finish)) return;
    for (const earlier of order.slice(0, at)) tapeMm += sharedEdgeMm(earlier.zone, finish.zone);
    for (const later of order.slice(at + 1)) {
      const darker = lightnessOf(mainColour(later)) - lightnessOf(mainColour(finish));
      if (darker > 0) stainMm += STAIN_MM_PER_LIGHTNESS * darker;
    }
  });
  return { tapeMm, stainMm };
}

function* permutations<T>(list: readonly T[]): Generator<T[]> {
  if (list.length <= 1) {
    yield [...list];
    return;
  }
  for (let at = 0; at < list.length; at += 1) {
    for (const rest of permutations([...list.slice(0, at), ...list.slice(at + 1)]))
      yield [nth(list, at), ...rest];
  }
}

/** Light before dark, and of equals large before small: the order people start from, and how ties are broken. */
function habitual(finishes: readonly ZoneFinish[]): ZoneFinish[] {
  return [...finishes].sort(
    (a, b) =>
      lightnessOf(mainColour(b)) - lightnessOf(mainColour(a)) ||
      b.zone.share - a.zone.share ||
      a.zone.id.localeCompare(b.zone.id),
  );
}

/**
 * Brings the coats of several zones into one list: paint, mask, paint, unmask, with the least tape. A zone painted with
 * a tool that reaches over its edge has all zones painted before it taped; hand-brushed zones need none. Every order of
 * up to six zones is tried; an order of one's own can be given.
 * @param freshId gives ids for the mask and unmask steps
 */
export function finishAcrossZones(
  finishes: readonly ZoneFinish[],
  freshId: (stem: string) => string,
  order?: readonly string[],
): FinishPlan {
  let chosen = habitual(finishes);
  if (order) {
    const rank = (finish: ZoneFinish) =>
      order.includes(finish.zone.id) ? order.indexOf(finish.zone.id) : order.length;
    chosen = [...finishes].sort((a, b) => rank(a) - rank(b));
  } else if (finishes.length <= MOST_ZONES_TRIED) {
    let best = costOf(chosen);
    for (const candidate of permutations(chosen)) {
      const cost = costOf(candidate);
      if (cost.tapeMm + cost.stainMm < best.tapeMm + best.stainMm - 1e-9) [chosen, best] = [candidate, cost];
    }
  }

  const steps: Step[] = [];
  const why: string[] = [];
  const worn: Step[] = [];
  chosen.forEach((whole, at) => {
    // All colours first: tape takes loose powder and soft washes off, so that weathering waits until none is needed any more.
    const [colours, weathering] = coloursFirst(whole.steps);
    worn.push(...weathering);
    const finish = { ...whole, steps: colours };
    const earlier = chosen.slice(0, at).map((other) => other.zone);
    const masked = at > 0 && reaches(finish) && finish.steps.length > 0;
    const zones = earlier.map((zone) => zone.id);
    const place = finish.steps[0]?.place;
    const where = place === undefined ? {} : { place };
    if (masked) {
      steps.push({
        id: freshId('mask'),
        kind: 'mask',
        zones,
        ...where,
        note: 'Low-tack tape, burnished into the edge.',
      });
    }
    steps.push(...finish.steps);
    if (masked) {
      steps.push({
        id: freshId('unmask'),
        kind: 'unmask',
        zones,
        ...where,
        note: 'Pull it back on itself while the new paint is touch-dry.',
      });
    }
    why.push(reason(finish, at, chosen, masked));
  });
  return {
    steps: [...steps, ...worn],
    order: chosen.map((finish) => finish.zone.id),
    tapeMm: Math.round(costOf(chosen).tapeMm),
    why,
  };
}

/** The steps of a zone up to its last colour, or to where that is chipped while it is fresh; and those that come after. */
function coloursFirst(steps: readonly Step[]): [colours: Step[], weathering: Step[]] {
  const last = steps.findLastIndex(
    ({ kind, material, method }) =>
      !['weather', 'topcoat', 'attach', 'inspect'].includes(kind) ||
      (kind === 'weather' && material === undefined) ||
      (method !== undefined && methodTable[method].reachesOver && kind !== 'topcoat'),
  );
  return [steps.slice(0, last + 1), steps.slice(last + 1)];
}

function reason(finish: ZoneFinish, at: number, order: readonly ZoneFinish[], masked: boolean): string {
  const { name } = finish.zone;
  if (finish.steps.length === 0) return `${name}: no coats of its own.`;
  if (masked)
    return `${name}: after ${order
      .slice(0, at)
      .map((other) => other.zone.name)
      .join(' and ')}, which ${at === 1 ? 'is' : 'are'} taped first.`;
  if (at === 0)
    return `${name} first: ${order.length > 1 ? 'it takes no tape, and what it spills on is painted over' : 'it stands alone'}.`;
  return `${name}: brushed by hand up to the edge, so it needs no tape.`;
}

/** The zones' own coats in a list of steps, and what is common before, between and after them. */
export interface SplitSteps {
  before: Step[];
  finishes: ZoneFinish[];
  after: Step[];
}

/**
 * Takes a list of steps apart for ordering: everything up to the first step that belongs to some of the zones only,
 * the zones' own coats without the tape between them, and everything after the last of those.
 * Undefined when fewer than two zones have coats of their own, or one coat serves several but not all of them.
 */
export function splitByZone(
  steps: readonly Step[],
  zones: readonly Zone[],
  materials: ReadonlyMap<string, Material>,
): SplitSteps | undefined {
  const own = (step: Step) =>
    step.zones !== undefined &&
    step.zones.length < zones.length &&
    step.kind !== 'mask' &&
    step.kind !== 'unmask';
  const tape = (step: Step) =>
    (step.kind === 'mask' || step.kind === 'unmask') && step.zones !== undefined && !step.covers;
  const first = steps.findIndex((step) => own(step));
  const last = steps.findLastIndex((step) => own(step) || tape(step));
  if (first < 0) return undefined;
  const middle = steps.slice(first, last + 1).filter((step) => !tape(step));
  if (
    middle.some(
      (step) => step.zones?.length !== 1 || (step.material !== undefined && !materials.has(step.material)),
    )
  )
    return undefined;
  const finishes = zones.map((zone) => ({
    zone,
    steps: middle.filter((step) => step.zones![0] === zone.id),
  }));
  if (finishes.filter((finish) => finish.steps.length > 0).length < 2) return undefined;
  return {
    before: steps.slice(0, first).filter((step) => !tape(step)),
    finishes,
    after: steps.slice(last + 1),
  };
}
