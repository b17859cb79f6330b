import { milestoneOfCoat } from '../drying/milestoneOf';
import type { Piece } from '../model/schema';
import type { Wait } from '../model/stepKinds';
import type { EpochMinute } from '../model/wallTime';
import { workBegins, type PlannedOperation } from '../schedule/plan/plan';
import { cellsOfWait, filledAt, waitsOf } from '../schedule/place/gates';
import { nth } from '../model/sure';
import { sayMoment } from '../model/sayMoment';
import { about } from './about';
import { earliness, earlyWords, severityOf, withinSpreadReason, type Earliness } from './earliness';
import type { RuleFinding } from './finding';
import { unitWords } from './landings';
import { oncePerStep, type Rule, type RuleContext } from './rule';

/** Something that was done, by the log, or is under way before the coats it works on allow it. */
interface TooEarly {
  operation: PlannedOperation;
  /** When it would have been allowed. */
  allowedAt: EpochMinute;
  early: Earliness;
}

const isBegun = ({ status }: PlannedOperation): boolean => status === 'done' || status === 'underway';

/** What a rule says of something that is begun too early. */
interface TooEarlyWords {
  /** The sentence so far, of what was done and of what is being done; `unit` is " on 2 of 4", or nothing. */
  was(operation: PlannedOperation, unit: string): string;
  is(operation: PlannedOperation, unit: string): string;
  /** What to do about it once it is done. */
  afterwards?: string;
  /** Why it matters, where it is early by more than anybody could tell. */
  reason: string;
}

/**
 * What a rule finds begun too early in a piece, once a step: how much too early it was, and when it would have been right.
 * @param wants which operations to look at
 * @param waitsFor which of the things they wait for
 */
export function tellTooEarly(
  rule: Pick<Rule, 'id' | 'severity'>,
  piece: Piece,
  context: RuleContext,
  {
    wants,
    waitsFor,
    ...words
  }: TooEarlyWords & { wants(operation: PlannedOperation): boolean; waitsFor(wait: Wait): boolean },
): RuleFinding[] {
  return oncePerStep(
    begunTooEarly(piece, context, wants, waitsFor).map(({ operation, allowedAt, early }) => {
      const unit = unitWords(piece, operation.unit);
      const isDone = operation.status === 'done';
      const said = isDone ? words.was(operation, unit) : words.is(operation, unit);
      const when = `(${earlyWords(early)}, ${sayMoment(allowedAt, context.plan.timeZone)}).`;
      const then = isDone && words.afterwards ? ` ${words.afterwards}` : '';
      return about(
        rule,
        piece,
        { id: operation.stepId },
        {
          severity: severityOf(early, rule.severity),
          message: `${said} ${when}${then}`,
          reason: early.isWithinSpread ? withinSpreadReason : words.reason,
        },
      );
    }),
  );
}

/**
 * The passes of a piece, logged or under way, that were begun before what lay there at the time had come as far as the table of step kinds
 * has them wait for (`schedule/place/gates.ts`).
 * @param wants which operations to look at
 * @param waitsFor which of the things they wait for
 */
function begunTooEarly(
  piece: Piece,
  { plan }: RuleContext,
  wants: (operation: PlannedOperation) => boolean,
  waitsFor: (wait: Wait) => boolean,
): TooEarly[] {
  return plan.operations.flatMap((operation) => {
    if (operation.pieceId !== piece.id || !isBegun(operation)) return [];
    // Setting up touches nothing yet; the log says when the work itself was.
    const start = operation.status === 'done' ? operation.start : workBegins(operation);
    if (start === undefined) return [];
    const unit = plan.units.get(`${piece.id}/${operation.unit}`);
    if (!unit || !wants(operation)) return [];
    let latest: TooEarly | undefined;
    for (const wait of waitsOf(operation).filter(waitsFor)) {
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
