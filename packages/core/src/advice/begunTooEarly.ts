import { milestoneOfCoat } from '../drying/milestoneOf';
import type { Piece } from '../model/schema';
import type { Wait } from '../model/stepKinds';
import type { EpochMinute } from '../model/wallTime';
import { workBegins, type PlannedOperation } from '../schedule/plan/plan';
import { cellsOfWait, filledAt, waitsOf } from '../schedule/place/gates';
import { nth } from '../model/sure';
import { sayMoment } from '../model/sayMoment';
import { earliness, earlyWords, type Earliness } from './earliness';
import type { RuleContext } from './rule';

/** Something that was done, by the log, or is under way before the coats it works on allow it. */
export interface TooEarly {
  operation: PlannedOperation;
  /** When it would have been allowed. */
  allowedAt: EpochMinute;
  early: Earliness;
}

const isBegun = ({ status }: PlannedOperation): boolean => status === 'done' || status === 'underway';

/**
 * Says how much too early it was, and when it would have been right.
 * @param words the sentence so far, of what was done and of what is being done
 */
export function sayTooEarly(
  { operation, allowedAt, early }: TooEarly,
  timeZone: string,
  words: { was: string; is: string },
): string {
  const said = operation.status === 'done' ? words.was : words.is;
  return `${said} (${earlyWords(early)}, ${sayMoment(allowedAt, timeZone)}).`;
}

/**
 * The passes of a piece, logged or under way, that were begun before what lay there at the time had come as far as the table of step kinds
 * has them wait for (`schedule/place/gates.ts`).
 * @param wants which operations to look at
 * @param about which of the things they wait for
 */
export function begunTooEarly(
  piece: Piece,
  { plan }: RuleContext,
  wants: (operation: PlannedOperation) => boolean,
  about: (wait: Wait) => boolean,
): TooEarly[] {
  return plan.operations.flatMap((operation) => {
    if (operation.pieceId !== piece.id || !isBegun(operation)) return [];
    // Setting up touches nothing yet; the log says when the work itself was.
    const start = operation.status === 'done' ? operation.start : workBegins(operation);
    if (start === undefined) return [];
    const unit = plan.units.get(`${piece.id}/${operation.unit}`);
    if (!unit || !wants(operation)) return [];
    let latest: TooEarly | undefined;
    for (const wait of waitsOf(operation).filter(about)) {
      for (const cell of cellsOfWait(operation, wait, unit)) {
        // As it was then, whatever was laid on it since.
        const stack = unit.asOf(cell, start);
        const coats = unit.cells.get(cell) ?? [];
        stack?.coats.forEach((milestones, at) => {
          if (wait.coats !== 'all' && at < stack.coats.length - 1) return;
          const { material, laidAt } = nth(coats, at);
          const isFill = material.role === 'fill';
          // A filler is waited for as such, and not for its surface too.
          if (isFill !== (wait.coats === 'fills') && wait.milestone === 'sand') return;
          if (wait.coats === 'fills' && !isFill) return;
          const allowedAt =
            wait.coats === 'fills'
              ? filledAt(milestones, wait.milestone)
              : milestoneOfCoat(milestones, wait.milestone);
          if (allowedAt > (latest?.allowedAt ?? -Infinity))
            latest = { operation, allowedAt, early: earliness(plan, material.id, laidAt, start, allowedAt) };
        });
      }
    }
    return latest && start < Math.floor(latest.allowedAt) ? [latest] : [];
  });
}
