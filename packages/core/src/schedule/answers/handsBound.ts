import { epochMinute, type EpochMinute } from '../../model/wallTime';
import type { PlannedOperation } from '../plan/plan';
import type { Workload } from '../plan/workload';

/** All hands together against all work for one date. */
export interface HandsBound {
  eventId: string;
  /** Minutes of bare work that have to be done before it. */
  needMinutes: number;
  /** Minutes that people are free before it. */
  haveMinutes: number;
  /** The soonest all of it can be done with everybody at work in all their free time; Infinity for never. */
  doneAt: EpochMinute;
  /** Whether that proves that something will be late. */
  provesLate: boolean;
}

/** For each date, all work that has to be done before it against all time that people have. */
export function handsBounds(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): HandsBound[] {
  const { build } = workload;
  return build.events.map((event) => {
    // Packed or worn, whichever comes first: the last work is done before.
    const dueAt = Math.min(
      ...[event.packAt ?? event.wearAt, event.wearAt].map((at) => epochMinute(at, build.timeZone)),
    );
    const pieces = new Set(build.pieces.filter((piece) => piece.event === event.id).map((piece) => piece.id));
    const needMinutes = operations
      .filter(
        (operation) =>
          pieces.has(operation.pieceId) &&
          (operation.status === 'planned' || operation.status === 'unplaced'),
      )
      .reduce((sum, operation) => sum + operation.workMinutes, 0);
    const haveMinutes =
      dueAt <= now
        ? 0
        : workload.people.reduce(
            (sum, person) =>
              sum +
              person.calendar.between(now, dueAt).reduce((free, window) => free + window.to - window.from, 0),
            0,
          );
    const doneAt = handsDoneAt(workload, needMinutes, now);
    return { eventId: event.id, needMinutes, haveMinutes, doneAt, provesLate: needMinutes > haveMinutes };
  });
}

/** Free time is looked at so far in one go, */
const LOOK_AHEAD_MINUTES = 28 * 1440;
/** and no further than a year: nobody has planned those evenings. */
const MOST_LOOKS = 13;

/** The soonest so many minutes of work can be done with everybody at it in all their free time; Infinity for never. */
export function handsDoneAt(workload: Workload, minutes: number, now: EpochMinute): EpochMinute {
  let left = minutes;
  for (let look = 0; look < MOST_LOOKS; look += 1) {
    const from = now + look * LOOK_AHEAD_MINUTES;
    // Hands come and go at the edges of free windows; between those a fixed number of them is free.
    const edges = workload.people
      .flatMap((person) => person.calendar.between(from, from + LOOK_AHEAD_MINUTES))
      .flatMap((window) => [
        { at: window.from, hands: 1 },
        { at: window.to, hands: -1 },
      ])
      .sort((a, b) => a.at - b.at);
    let hands = 0;
    let at = from;
    for (const edge of edges) {
      if (left <= hands * (edge.at - at)) return at + (hands > 0 ? left / hands : 0);
      left -= hands * (edge.at - at);
      hands += edge.hands;
      at = edge.at;
    }
  }
  return Infinity;
}
