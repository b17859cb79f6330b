import type { Milestone } from '../model/milestones';
import type { EpochMinute } from '../model/wallTime';
import type { CoatMilestones, DryStack } from './laidCoat';

/** When one coat reaches a milestone. What is never sanded counts as sandable when it can be handled. */
export function milestoneOfCoat(coat: CoatMilestones, milestone: Milestone): EpochMinute {
  switch (milestone) {
    case 'touch':
      return coat.touchAt;
    case 'recoat':
      return coat.recoat[0]?.from ?? Infinity;
    case 'tape':
      return coat.tapeAt;
    case 'sand':
      return coat.sandAt ?? coat.handleAt;
    case 'handle':
      return coat.handleAt;
    case 'pack':
      return coat.packAt;
    case 'wear':
      return coat.wearAt;
  }
}

/**
 * When a coat no longer slows, or is slowed by, what is laid on it: tape-safe for one that the next would join, cured for others
 * (docs/domain.md, "Letting it dry through").
 */
export const throughAt = (
  coat: Pick<CoatMilestones, 'tapeAt' | 'packAt' | 'wearAt'>,
  joins: boolean,
): EpochMinute => (joins ? coat.tapeAt : Math.max(coat.packAt, coat.wearAt));

/** When the newest coat of a stack, or all of them, reach a milestone; minus infinity for an empty stack. */
export function milestoneOfStack(stack: DryStack, milestone: Milestone, coats: 'top' | 'all'): EpochMinute {
  if (coats === 'top') {
    const top = stack.coats[stack.coats.length - 1];
    return top ? milestoneOfCoat(top, milestone) : -Infinity;
  }
  switch (milestone) {
    case 'tape':
      return stack.tapeAt;
    case 'handle':
      return stack.handleAt;
    case 'pack':
      return stack.packAt;
    case 'wear':
      return stack.wearAt;
    default:
      return stack.coats.reduce(
        (latest, coat) => Math.max(latest, milestoneOfCoat(coat, milestone)),
        -Infinity,
      );
  }
}
