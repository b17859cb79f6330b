import { doableNow } from '../place/doableNow';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import type { EpochMinute } from '../../model/wallTime';
import { groupBy } from '../../model/groupBy';
import type { Candidate } from './candidate';
import { heldCandidate, isLeaner } from './held';
import { isAsSafe } from './score';
import { warmFrom } from './warmStart';

/** An hour of nothing is worth filling; minutes are a pause. */
const WORTH_FILLING_MINUTES = 10;
/** So many batches are tried at most, and no more passes than this are placed for it: somebody is waiting. */
const MOST_BATCHES = 6;
const MOST_PLACED = 20_000;

/** The longest stretch of nothing in the session that a person is in, and when that session ends; undefined for nobody. */
function idleTonight(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): { minutes: number; ends: EpochMinute } | undefined {
  let found: { minutes: number; ends: EpochMinute } | undefined;
  for (const { id, calendar } of workload.people) {
    const window = calendar.windowAt(now);
    if (!window || !Number.isFinite(window.to)) continue;
    const isUsed = operations.some(
      ({ personId, status, start, end }) =>
        start !== undefined &&
        end !== undefined &&
        start < window.to &&
        end > window.from &&
        // The log does not say who.
        (status === 'done' || personId === id),
    );
    // An evening that the plan leaves free stays free.
    if (!isUsed) continue;
    const busy = operations
      .filter(
        ({ personId, status, start, end }) =>
          personId === id &&
          (status === 'planned' || status === 'underway') &&
          start !== undefined &&
          end !== undefined &&
          start < window.to &&
          end > now,
      )
      .map(({ start = 0, end = 0 }) => ({ start, end }))
      .sort((a, b) => a.start - b.start);
    let at = now;
    let longest = 0;
    for (const { start, end } of [...busy, { start: window.to, end: window.to }]) {
      longest = Math.max(longest, start - at);
      at = Math.max(at, end);
    }
    if (!found || longest > found.minutes) found = { minutes: longest, ends: window.to };
  }
  return found;
}

/**
 * A plan whose present session is filled from the front: what could be done at this moment and is planned for a later day is put into the
 * stretches of nothing, batch by batch, where no piece has less to spare for it, nothing is less safe, no set is parted and no set-up more
 * is needed. The same plan where there is nobody in a session, or nothing to put there.
 */
export function filledTonight(
  workload: Workload,
  plan: Candidate,
  sequence: readonly string[],
  now: EpochMinute,
): Candidate {
  let best = plan;
  const tried = new Set<string>();
  const most = Math.min(MOST_BATCHES, Math.floor(MOST_PLACED / Math.max(1, workload.operations.length)));
  for (let done = 0; done < most; done += 1) {
    const { operations } = best.run;
    const idle = idleTonight(workload, operations, now);
    if (!idle || idle.minutes < WORTH_FILLING_MINUTES) return best;
    const byId = new Map(operations.map((operation) => [operation.id, operation]));
    const later = doableNow(workload, operations, now).filter(
      (id) => (byId.get(id)?.start ?? Infinity) >= idle.ends && !tried.has(id),
    );
    const batches = groupBy(later, (id) => {
      const pass = byId.get(id);
      return `${pass?.batchKey} ${pass?.stepId} ${pass?.coat} ${pass?.face}`;
    });
    const [batch] = batches.values();
    if (!batch) return best;
    for (const id of batch) tried.add(id);
    const warm = warmFrom({ sequence, operations });
    const freed = new Set(batch);
    const next = heldCandidate(
      workload,
      sequence,
      {
        ...warm,
        beginsAt: new Map([...warm.beginsAt].filter(([id]) => !freed.has(id))),
        personOf: new Map([...warm.personOf].filter(([id]) => !freed.has(id))),
      },
      now,
    );
    const isTonight = next.run.operations.some(
      ({ id, start }) => freed.has(id) && start !== undefined && start < idle.ends,
    );
    const isNoWorse =
      isAsSafe(next.score, best.score) &&
      !isLeaner(next, best) &&
      next.score.sessions <= best.score.sessions &&
      next.score.apart <= best.score.apart;
    if (isTonight && isNoWorse) best = next;
  }
  return best;
}
