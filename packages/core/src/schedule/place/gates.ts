import { milestoneOfCoat, milestoneOfStack, throughAt } from '../../drying/milestoneOf';
import type { CoatMilestones } from '../../drying/laidCoat';
import type { RecoatWindow } from '../../materials/material';
import type { Milestone } from '../../model/milestones';
import { restMinutes, type RestKind } from '../../model/fields';
import { lookOverTable } from '../../model/lookOvers';
import { coatWaits, stepKindTable, type Wait } from '../../model/stepKinds';
import { BOND_CELL } from '../../model/stepSpots';
import type { EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { UnitView } from '../state/unitView';

/** The first moment at or after `from` at which a span of `minutes` fits into one of the windows. */
function nextIn(windows: readonly RecoatWindow[], from: EpochMinute, minutes: number): EpochMinute {
  for (const window of windows) {
    const start = Math.max(from, Math.ceil(window.from));
    if (start + minutes <= window.to) return start;
  }
  return Infinity;
}

const sandedBack: Wait = { milestone: 'sand', coats: 'top', where: 'here' };
const cured: readonly Wait[] = [
  { milestone: 'pack', coats: 'all', where: 'here' },
  { milestone: 'wear', coats: 'all', where: 'here' },
  { milestone: 'wear', coats: 'all', where: 'bonds' },
];

/** Glue lies beside the films, and what it goes on may be any of them. */
const curedAll: readonly Wait[] = cured.map((wait) =>
  wait.where === 'here' ? { ...wait, where: 'everywhere' } : wait,
);

/** Thick sealers are left alone over night; what must not trap water comes a day after, on what can be handled. */
const restTable: Readonly<Record<RestKind, Wait>> = {
  night: { milestone: 'touch', coats: 'top', where: 'here', leastMinutes: restMinutes.night },
  day: { milestone: 'handle', coats: 'all', where: 'here', leastMinutes: restMinutes.day },
};

/** What hangs or stands need not lie on its other face. */
const standingWaits = coatWaits.filter(({ where }) => where !== 'other-face');

/** Whether an operation lays a coat over what is there; glue lies beside it. */
const laysCoat = ({ material }: Gated): boolean => material !== undefined && material.role !== 'bond';

/** What of an operation its gates depend on. */
export type Gated = Pick<
  PlannedOperation,
  | 'kind'
  | 'looksOver'
  | 'material'
  | 'face'
  | 'cells'
  | 'workMinutes'
  | 'failures'
  | 'waitsForCure'
  | 'rests'
  | 'sandedCells'
  | 'standing'
>;

/**
 * All that an operation waits for below: what its kind says, or what every coat waits for; that what failed can be sanded back;
 * and cure, where its step asks for it.
 */
export function waitsOf(operation: Gated): readonly Wait[] {
  const own = laysCoat(operation)
    ? operation.standing
      ? standingWaits
      : coatWaits
    : operation.looksOver
      ? lookOverTable[operation.looksOver].waits
      : stepKindTable[operation.kind].waits;
  const isSandedBack = operation.failures > 0 && operation.kind !== 'inspect';
  if (!isSandedBack && !operation.waitsForCure && !operation.rests) return own;
  return [
    ...own,
    ...(isSandedBack ? [sandedBack] : []),
    ...(operation.waitsForCure ? (operation.material?.role === 'bond' ? curedAll : cured) : []),
    ...(operation.rests ? [restTable[operation.rests]] : []),
  ];
}

/** The spots of a unit that a wait is about. */
export function cellsOfWait(
  { cells, face }: Pick<Gated, 'cells' | 'face'>,
  { where }: Wait,
  unit: Pick<UnitView, 'cells'>,
): Iterable<string> {
  switch (where) {
    case 'here':
      return cells;
    case 'other-face':
      return [...unit.cells.keys()].filter((cell) => !cell.startsWith(`${face}:`));
    case 'everywhere':
      return unit.cells.keys();
    case 'bonds':
      return [BOND_CELL];
  }
}

/** When a filler is ready: to be sanded when its label says so, and where that says nothing once it is dry through. */
export const filledAt = (coat: CoatMilestones, milestone: Milestone): EpochMinute =>
  milestone === 'sand' && coat.sandAt !== undefined ? coat.sandAt : milestoneOfCoat(coat, 'recoat');

/** When a wait is over on one spot; minus infinity where there is nothing to wait for. */
function reachedOn(
  cell: string,
  { coats, milestone, twice, leastMinutes }: Wait,
  unit: UnitView,
): EpochMinute {
  if (coats === 'fills') {
    const top = unit.top(cell);
    return top?.coat.material.role === 'fill' ? filledAt(top.milestones, milestone) : -Infinity;
  }
  const stack = unit.dry(cell);
  if (!stack) return -Infinity;
  const reached = milestoneOfStack(stack, milestone, coats);
  const laidAt = twice || leastMinutes !== undefined ? unit.top(cell)?.coat.laidAt : undefined;
  if (laidAt === undefined) return reached;
  return laidAt + Math.max((twice ? 2 : 1) * (reached - laidAt), leastMinutes ?? 0);
}

/**
 * When a coat no longer slows what it lands on: a film of its own material that it would join is tape-safe by then, and all
 * that other films would cover is packable and wearable.
 */
function dryThroughAt({ cells, material }: Gated, unit: UnitView): EpochMinute {
  let at = -Infinity;
  for (const cell of cells) {
    const top = unit.top(cell);
    const stack = unit.dry(cell);
    if (!top || !stack || !material) continue;
    if (top.coat.material.id !== material.id) at = Math.max(at, throughAt(stack, false));
    else if (material.redissolves) at = Math.max(at, throughAt(top.milestones, true));
  }
  return at;
}

/**
 * The first moment at or after `from` at which what already lies on the unit lets the hands-on part of an operation
 * begin, by the table of step kinds (docs/domain.md, "Planner constraints"). A coat that is to let what it lands on dry
 * through does, unless the recoat window has closed by then. Infinity when that moment never comes, such as after a recoat
 * window that has closed for good. Planner, bounds and "can be done now" all ask this.
 */
export function gate(
  operation: Gated,
  unit: UnitView,
  from: EpochMinute,
  letsDryThrough = false,
): EpochMinute {
  if (letsDryThrough) {
    const through = Math.max(from, Math.ceil(dryThroughAt(operation, unit)));
    const opened = through === Infinity ? Infinity : gate(operation, unit, through);
    if (opened !== Infinity) return opened;
  }
  let at = from;
  for (const wait of waitsOf(operation)) {
    // The windows of the coat it lands on are asked for below, as they close again.
    if (wait.milestone === 'recoat' && wait.coats === 'top' && !wait.twice) continue;
    for (const cell of cellsOfWait(operation, wait, unit))
      at = Math.max(at, Math.ceil(reachedOn(cell, wait, unit)));
  }
  if (!laysCoat(operation)) return at;
  // Windows open and close, so each spot may push the others on until all are open at once.
  for (let moved = true; moved && at !== Infinity;) {
    moved = false;
    for (const cell of operation.cells) {
      const top = unit.top(cell);
      if (!top) continue;
      let next = nextIn(top.milestones.recoat, at, operation.workMinutes);
      // By its scratches the next coat holds on a film that has cured, whatever window has closed.
      if (next === Infinity && operation.sandedCells.includes(cell))
        next = Math.max(at, Math.ceil(throughAt(top.milestones, false)));
      if (next > at) {
        at = next;
        moved = true;
      }
    }
  }
  return at;
}
