import { isAtPacking } from '../../model/lookOvers';
import { groupBy } from '../../model/groupBy';
import type { Build } from '../../model/schema';
import { entryOf } from '../../model/sure';
import { epochMinute, type EpochMinute } from '../../model/wallTime';
import { ancestors } from '../plan/ancestors';
import type { PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { coatAlone } from '../state/unitAtBest';
import type { UnitState } from '../state/unitState';
import { bestAirOf } from '../place/bounds';

/** All hands together against all work that has to be done by a moment, so that it is dry for one date. */
export interface HandsBound {
  eventId: string;
  /** The moment at which most is asked of the hands before it: the date itself, or so long before it as coats need to dry. */
  byAt: EpochMinute;
  /** Minutes of bare work that have to be done by then, with one set-up for each kind of thing. */
  needMinutes: number;
  /** Minutes that people are free until then. */
  haveMinutes: number;
  /** The soonest all work for the date can be done with everybody at it in all their free time; Infinity for never. */
  doneAt: EpochMinute;
  /** Whether that proves that something will be late. */
  provesLate: boolean;
}

/** For each date, all work that has to be done by a moment before it against all time that people have until then. */
export function handsBounds(
  workload: Workload,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: EpochMinute,
): HandsBound[] {
  const latest = latestDone(workload, operations, units, now);
  // What was done with a thing may lie ready still, so that it needs no other set-up.
  const ready = new Set(
    operations.flatMap(({ status, rinseKey }) =>
      status === 'done' || status === 'underway' ? [rinseKey] : [],
    ),
  );
  return workload.build.events.map((event) => {
    const due = duesOf(workload, event);
    const open = operations
      .flatMap((operation) => {
        const { pieceId } = operation;
        const by =
          entryOf(workload.pieces, pieceId).event === event.id ? latest.get(operation.id) : undefined;
        return by === undefined ? [] : [{ operation, by }];
      })
      .sort((a, b) => a.by - b.by);
    const setUps = new Map<string, number>();
    let minutes = 0;
    let worst = { byAt: Math.min(due.pack, due.wear), needMinutes: 0, haveMinutes: Infinity };
    open.forEach(({ operation, by }, n) => {
      const { rinseKey, setUpMinutes, workMinutes } = operation;
      minutes += workMinutes;
      if (!ready.has(rinseKey))
        setUps.set(rinseKey, Math.min(setUps.get(rinseKey) ?? Infinity, setUpMinutes));
      if (open[n + 1]?.by === by) return;
      const needMinutes = minutes + [...setUps.values()].reduce((sum, one) => sum + one, 0);
      const haveMinutes = freeUntil(workload, now, by);
      const isWorse = needMinutes - haveMinutes > worst.needMinutes - worst.haveMinutes;
      if (isWorse) worst = { byAt: by, needMinutes, haveMinutes };
    });
    const doneAt = handsDoneAt(workload, minutes, now);
    const { byAt, needMinutes } = worst;
    const haveMinutes = Number.isFinite(worst.haveMinutes)
      ? worst.haveMinutes
      : freeUntil(workload, now, byAt);
    return {
      eventId: event.id,
      byAt,
      needMinutes,
      haveMinutes,
      doneAt,
      provesLate: needMinutes > haveMinutes,
    };
  });
}

const duesOf = (workload: Workload, event: Build['events'][number]) => {
  const at = (wall: string | undefined) =>
    wall === undefined ? Infinity : epochMinute(wall, workload.build.timeZone);
  return { pack: at(event.packAt), wear: at(event.wearAt) };
};

/** Minutes that people are free from now until a moment. */
const freeUntil = ({ people }: Workload, now: EpochMinute, until: EpochMinute): number =>
  until <= now
    ? 0
    : people.reduce(
        (sum, { calendar }) =>
          sum + calendar.between(now, until).reduce((free, { from, to }) => free + to - from, 0),
        0,
      );

/**
 * The last moment at which each open pass can be done and its piece still be in time under any plan, by its id: its coat has to dry by
 * the date, by itself in the quickest air the unit comes through, and what comes after it has to be done.
 */
function latestDone(
  workload: Workload,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: EpochMinute,
): Map<string, EpochMinute> {
  const latest = new Map<string, EpochMinute>();
  const events = new Map(workload.build.events.map((event) => [event.id, event]));
  const known = new Map<string, EpochMinute>();
  for (const [key, own] of groupBy(operations, unitKey)) {
    const [first] = own;
    const event = first && events.get(entryOf(workload.pieces, first.pieceId).event ?? '');
    if (!event) continue;
    const due = duesOf(workload, event);
    const { air, isFanned } = bestAirOf(workload, own, units.get(key));
    const before = ancestors(own);
    // What nothing is laid over later has to be fit to be packed itself; of what lies below it is enough to be tape-safe.
    const isTop = (operation: PlannedOperation) =>
      own.every(
        (other) =>
          other === operation ||
          !other.material ||
          other.status === 'skipped' ||
          entryOf(before, operation.id).has(other.id) ||
          !other.cells.some((cell) => operation.cells.includes(cell)),
      );
    const isOpen = (operation: PlannedOperation) =>
      (operation.status === 'planned' || operation.status === 'unplaced') && !isAtPacking(operation);
    for (const operation of own.filter(isOpen)) {
      const { material, filmFactor, air: aid } = operation;
      let by = Math.min(due.pack, due.wear);
      if (material) {
        const top = isTop(operation);
        const what = [material.id, filmFactor, aid, air.placeId, isFanned, event.id, top].join('|');
        const isDry = (laidAt: EpochMinute) => {
          const { milestones } = coatAlone(
            [],
            { material, filmFactor, laidAt, air: aid },
            { from: laidAt, placeAir: air, fan: isFanned },
          );
          const packAt = top ? milestones.packAt : Math.min(milestones.tapeAt, milestones.packAt);
          return packAt <= due.pack && milestones.wearAt <= due.wear;
        };
        const dryBy = known.get(what) ?? lastTrue(isDry, now, by);
        known.set(what, dryBy);
        by = dryBy;
      }
      latest.set(operation.id, by);
    }
    // What a pass has to come before pulls it forward; those further up the list come later, whatever their links.
    for (const [id, above] of before) {
      const after = entryOf(workload.byId, id);
      const by = latest.get(id);
      if (by === undefined) continue;
      for (const one of above) {
        const before = latest.get(one);
        if (before !== undefined) latest.set(one, Math.min(before, by - after.workMinutes));
      }
    }
  }
  return latest;
}

/** The last whole minute from one moment to another at which something holds that once false stays false; the first where it never does. */
function lastTrue(holds: (minute: EpochMinute) => boolean, from: EpochMinute, to: EpochMinute): EpochMinute {
  let [low, high] = [Math.floor(from), Math.ceil(to)];
  while (low < high) {
    const middle = Math.ceil((low + high) / 2);
    if (holds(middle)) low = middle;
    else high = middle - 1;
  }
  return low;
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
