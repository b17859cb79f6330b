import { nth } from '../../model/sure';
import { MINUTES_PER_DAY, type EpochMinute } from '../../model/wallTime';
import { unitKey } from '../plan/workload';
import { workBegins, type PlannedOperation } from '../plan/plan';
import type { DraftState } from '../state/draftState';
import { longestWait } from '../state/timeline';
import type { Draw } from './drawn';

/** Minutes that a pass is held back by at most, when it is held back by minutes. */
const MOST_MINUTES_HELD = 90;
/** A pass is held back to one of so many sessions that follow, used already or not. */
const MOST_SESSIONS_HELD = 8;
/** Sessions that nothing is done in yet are looked for this far ahead. */
const DAYS_AHEAD = 14;

/**
 * Until when the first pass of each unit is held back: until a session begins in the coming days, until something with the same
 * things is done or is about to be, or for some minutes; or all passes until they are as far from each other as they were. What waits may share a set-up, or leave an evening free.
 * @param inTime passes that were taken out, in the order they were done
 * @returns moments by operation
 */
export function drawHolds(
  draft: DraftState,
  inTime: readonly PlannedOperation[],
  draw: Draw,
): ReadonlyMap<string, EpochMinute> {
  const held = new Map<string, EpochMinute>();
  const first = inTime.find(({ laidAt }) => laidAt !== undefined);
  if (!first) return held;
  if (draw(4) === 0) return shifted(inTime, workBegins(first), draw);
  const together = draw(2) === 0;
  const all = momentFor(draft, first, draw);
  const seen = new Set<string>();
  for (const operation of inTime) {
    const key = unitKey(operation);
    if (seen.has(key)) continue;
    seen.add(key);
    held.set(operation.id, together ? all : momentFor(draft, operation, draw));
  }
  return held;
}

/** All of them sooner or later by as much, so that what is between them stays as it is. */
function shifted(
  inTime: readonly PlannedOperation[],
  begins: EpochMinute,
  draw: Draw,
): ReadonlyMap<string, EpochMinute> {
  const by = (draw(3) === 0 ? 1 : -1) * (1 + draw(MOST_MINUTES_HELD));
  return new Map(
    inTime.flatMap((one) =>
      one.laidAt === undefined ? [] : [[one.id, Math.max(begins, workBegins(one)) + by] as const],
    ),
  );
}

function momentFor(draft: DraftState, operation: PlannedOperation, draw: Draw): EpochMinute {
  if (operation.laidAt === undefined) return draft.now;
  const begins = workBegins(operation);
  const ways = [byMinutes, byKin, bySession, byBridge] as const;
  return nth(ways, draw(ways.length))(draft, operation, begins, draw);
}

/** Some minutes later. */
const byMinutes = (_draft: DraftState, _operation: PlannedOperation, begins: EpochMinute, draw: Draw) =>
  begins + 5 * (1 + draw(MOST_MINUTES_HELD / 5));

/** Passes with the same things that begin after a moment. */
const kinAfter = (draft: DraftState, operation: PlannedOperation, begins: EpochMinute): PlannedOperation[] =>
  [...draft.planned.values()].filter(
    (one) =>
      one.rinseKey === operation.rinseKey &&
      one.laidAt !== undefined &&
      one.laidAt > begins &&
      one !== operation,
  );

/** Right behind something with the same things. */
function byKin(draft: DraftState, operation: PlannedOperation, begins: EpochMinute, draw: Draw): EpochMinute {
  const kin = kinAfter(draft, operation, begins);
  return kin.length > 0 ? (nth(kin, draw(kin.length)).laidAt ?? begins) : begins;
}

/** So shortly before something with the same things that these still lie ready for it: one set-up reaches from pass to pass. */
function byBridge(
  draft: DraftState,
  operation: PlannedOperation,
  begins: EpochMinute,
  draw: Draw,
): EpochMinute {
  const kin = kinAfter(draft, operation, begins);
  if (kin.length === 0) return begins + 1 + draw(longestWait(operation));
  const next = nth(kin, draw(kin.length));
  return Math.max(begins, workBegins(next) - draw(longestWait(next) + 1) - operation.workMinutes);
}

/** When a session begins: one with work in it, or any of the coming days. */
function bySession(
  draft: DraftState,
  _operation: PlannedOperation,
  begins: EpochMinute,
  draw: Draw,
): EpochMinute {
  const used = draft.sessions().flatMap(([one]) => (one && one.start > begins ? [one.start] : []));
  const starts =
    used.length > 0 && draw(2) === 0
      ? used
      : draft.hands.flatMap(({ calendar }) =>
          calendar
            .between(begins, begins + DAYS_AHEAD * MINUTES_PER_DAY)
            .flatMap(({ from }) => (from > begins ? [from] : [])),
        );
  return starts.length > 0 ? nth(starts, draw(Math.min(starts.length, MOST_SESSIONS_HELD))) : begins;
}
