import type { DryStack } from '../../drying/dryStack';
import type { RecoatWindow } from '../../materials/material';
import type { PlannedOperation } from '../plan/plan';
import type { EpochMinute } from '../../model/wallTime';
import type { UnitState } from '../state/unitState';

/** When the top of a stack can be sanded, or at least handled where its film is never sanded. */
const sandableAt = (stack: DryStack): EpochMinute => {
  const top = stack.coats[stack.coats.length - 1]!;
  return top.sandAt ?? top.handleAt;
};

/** The first moment at or after `from` at which a span of `minutes` fits into one of the windows. */
function nextIn(windows: readonly RecoatWindow[], from: EpochMinute, minutes: number): EpochMinute {
  for (const window of windows) {
    const start = Math.max(from, Math.ceil(window.from));
    if (start + minutes <= window.to) return start;
  }
  return Infinity;
}

/**
 * When a coat no longer slows what it lands on: a film of its own material that it would join is packable by then, and all
 * that other films would cover is packable and wearable.
 */
function dryThroughAt({ cells, material }: PlannedOperation, unit: UnitState): EpochMinute {
  let at = -Infinity;
  for (const cell of cells) {
    const top = unit.top(cell);
    if (!top) continue;
    if (top.coat.material.id !== material!.id) {
      const { packAt, wearAt } = unit.dry(cell)!;
      at = Math.max(at, packAt, wearAt);
    } else if (material!.redissolves) at = Math.max(at, top.milestones.packAt);
  }
  return at;
}

/**
 * The first moment at or after `from` at which what already lies on the unit lets the hands-on part of an operation
 * begin (docs/domain.md, "Planner constraints"):
 * - a coat only inside the recoat windows of all it lands on, and with the other face handleable; where it is to let that
 *   dry through, once it has, unless the recoat window has closed by then;
 * - a pass that failed only when what it left can be sanded back;
 * - a step that waits for cure only when all below is packable and wearable;
 * - masking when tape-safe, pulling tape when the newest paint is touch-dry, sanding when sandable;
 * - anything else when the unit can be handled.
 * Infinity when that moment never comes, such as after a recoat window that has closed for good.
 */
export function gate(
  operation: PlannedOperation,
  unit: UnitState,
  from: EpochMinute,
  letsDryThrough = false,
): EpochMinute {
  const { cells } = operation;
  if (letsDryThrough) {
    const through = Math.max(from, Math.ceil(dryThroughAt(operation, unit)));
    const opened = through === Infinity ? Infinity : gate(operation, unit, through);
    if (opened !== Infinity) return opened;
  }
  const all = unit.cells.keys();
  if (operation.material && operation.material.role !== 'bond') {
    const otherFace = [...unit.cells.keys()].filter((cell) => !cell.startsWith(`${operation.face}:`));
    let at = Math.max(from, Math.ceil(unit.latest(otherFace, (stack) => stack.handleAt)));
    if (operation.failures > 0) at = Math.max(at, Math.ceil(unit.latest(cells, sandableAt)));
    if (operation.waitsForCure)
      at = Math.max(at, Math.ceil(unit.latest(cells, (stack) => Math.max(stack.packAt, stack.wearAt))));
    for (let moved = true; moved && at !== Infinity;) {
      moved = false;
      for (const cell of cells) {
        const top = unit.top(cell);
        if (!top) continue;
        const next = nextIn(top.milestones.recoat, at, operation.workMinutes);
        if (next > at) {
          at = next;
          moved = true;
        }
      }
    }
    return at;
  }
  const ready = (() => {
    switch (operation.kind) {
      case 'mask':
        return unit.latest(cells, (stack) => stack.tapeAt);
      case 'unmask':
        return unit.latest(all, (stack) => stack.coats[stack.coats.length - 1]!.touchAt);
      case 'sand':
        return unit.latest(cells, sandableAt);
      case 'weather':
        return unit.latest(cells, (stack) => stack.coats[stack.coats.length - 1]!.touchAt);
      default:
        return unit.latest(all, (stack) => stack.handleAt);
    }
  })();
  const cured = operation.waitsForCure
    ? unit.latest(cells, (stack) => Math.max(stack.packAt, stack.wearAt))
    : -Infinity;
  return Math.max(from, Math.ceil(ready), Math.ceil(cured));
}
