import { sayMoment } from '../../model/sayMoment';
import { sayWait } from '../../model/wallTime';
import type { BuildStanding, GoFirst } from './goFirst';

/**
 * What going before another build would do, in two sentences: why this one is late, and what both come to.
 * @param name of the build that goes first now
 */
export function goFirstWords({ mine, theirs }: GoFirst, name: string, timeZone: string): string {
  const cost =
    theirs.then.lateMinutes > theirs.before.lateMinutes
      ? `${name} would then be ${outcome(theirs.then, timeZone)}`
      : theirs.then.lateMinutes === 0
        ? `${name} would still be in time`
        : `${name} would be no later than it is now`;
  return `${name} goes first and has evenings that this build needs. Before it, this build would be ${outcome(mine.then, timeZone)}; ${cost}.`;
}

function outcome({ lateMinutes, latePieces, readyAt }: BuildStanding, timeZone: string): string {
  const ready = readyAt === undefined ? '' : `ready ${sayMoment(readyAt, timeZone)}`;
  if (lateMinutes === 0) return ready === '' ? 'in time' : `${ready}, in time`;
  const pieces = latePieces === 1 ? '1 piece late' : `${latePieces} pieces late`;
  if (!Number.isFinite(lateMinutes)) return ready === '' ? pieces : `${ready}, ${pieces}`;
  return `${ready === '' ? '' : `${ready}, `}${pieces} by ${sayWait(lateMinutes)}${latePieces === 1 ? '' : ' together'}`;
}
