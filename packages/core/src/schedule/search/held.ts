import type { EpochMinute } from '../../model/wallTime';
import { unitKey, type Workload } from '../plan/workload';
import type { Score } from './score';
import { type WarmStart } from './warmStart';
import { type Candidate, candidate } from './candidate';
import { slackSequence } from './priority';

/** A plan that is late is given up for one that is less late by this much; minutes are not worth moving everything. */
const WORTH_MOVING_MINUTES = 60;

/**
 * Whether a plan is so much worse than another that people would change their evenings for it: work without a place, or
 * late where it need not be. Fewer sessions or set-ups are no such reason; they are for whoever looks for a better plan.
 */
export function isWorthLeaving(one: Score, other: Score): boolean {
  if (one.unplaced !== other.unplaced) return one.unplaced > other.unplaced;
  return (one.late > 0 && other.late === 0) || one.late - other.late >= WORTH_MOVING_MINUTES;
}

/** What was in trouble and has this much to spare now need not go before all others. */
export const PLENTY_MINUTES = 5 * 1440;

/** The least that some pieces have to spare before their dates; minus infinity where one can't be done. */
export const leastSlack = ({ standings }: Candidate, ids: ReadonlySet<string>): number =>
  [...standings].reduce(
    (least, [id, { slack, unplaced }]) =>
      ids.has(id) ? Math.min(least, unplaced > 0 ? -Infinity : slack) : least,
    Infinity,
  );

/** The pieces that a plan has late, or can't place. */
export const latePieces = ({ standings }: Candidate): Set<string> =>
  new Set([...standings].flatMap(([id, { late, unplaced }]) => (late > 0 || unplaced > 0 ? [id] : [])));

/** Whether a plan gives some piece less time to spare than another does. */
export const isLeaner = (one: Candidate, other: Candidate): boolean =>
  [...one.standings].some(([id, { slack }]) => slack < (other.standings.get(id)?.slack ?? -Infinity));

/** The units, `piece/unit`, of which a pass left the session or the hands it had. */
export function displacedUnits(workload: Workload, { run }: Candidate, warm: WarmStart): Set<string> {
  const calendars = new Map(workload.people.map(({ id, calendar }) => [id, calendar]));
  const displaced = new Set<string>();
  for (const operation of run.operations) {
    const { id, status, personId, laidAt } = operation;
    const was = warm.beginsAt.get(id);
    const person = warm.personOf.get(id);
    if (status !== 'planned' || was === undefined || person === undefined || laidAt === undefined) continue;
    const windowOf = (minute: number) => calendars.get(person)?.windowAt(minute)?.from;
    if (personId !== person || windowOf(was) !== windowOf(laidAt - operation.workMinutes))
      displaced.add(unitKey(operation));
  }
  return displaced;
}

/** By which moment passes have to begin for the sake of pins: those that are pinned, and all that they wait for. */
function pinsAhead({ pins, byId }: Workload): Map<string, EpochMinute> {
  const soonest = new Map<string, EpochMinute>();
  for (const [pinned, at] of pins) {
    const open = [pinned];
    for (let id = open.pop(); id !== undefined; id = open.pop()) {
      if ((soonest.get(id) ?? Infinity) <= at) continue;
      soonest.set(id, at);
      open.push(...(byId.get(id)?.after ?? []));
    }
  }
  return soonest;
}

interface HeldOptions {
  movesUp?: boolean;
  first?: ReadonlySet<string>;
  behind?: ReadonlySet<string>;
}

/**
 * A plan done over: every pass at its old time and by the same hands where that can still be, later where not. With
 * `movesUp`, what is planned for the session that somebody is in right now may begin sooner than it was to. With `first`,
 * those pieces go before all others, as soon as can be and by whoever is free; with `behind`, they do so once all others
 * have their places.
 */
function heldMade(
  workload: Workload,
  sequence: readonly string[],
  warm: WarmStart,
  now: number,
  { movesUp = false, first = new Set(), behind = new Set() }: HeldOptions,
): Candidate['made'] {
  const isOf = (pieces: ReadonlySet<string>, id: string) => pieces.has(workload.byId.get(id)?.pieceId ?? '');
  const isFree = (id: string) => isOf(first, id) || isOf(behind, id);
  const at = (id: string) => {
    if (isOf(first, id)) return -Infinity;
    return isOf(behind, id) ? Infinity : (warm.beginsAt.get(id) ?? Infinity);
  };
  const known = new Set(workload.people.map((person) => person.id));
  const personOf = new Map([...warm.personOf].filter(([id, person]) => known.has(person) && !isFree(id)));
  const inTime = [...sequence].sort((a, b) => at(a) - at(b) || 0);
  const sessionEnds = new Map(
    workload.people.map((person) => [person.id, person.calendar.windowAt(now)?.to ?? -Infinity]),
  );
  const isTonight = (id: string, begins: number) =>
    begins < (sessionEnds.get(personOf.get(id) ?? '') ?? -Infinity);
  const pinnedBy = pinsAhead(workload);
  const beginsAt = new Map(
    [...warm.beginsAt].filter(
      ([id, begins]) =>
        !isFree(id) &&
        personOf.has(id) &&
        !(movesUp && isTonight(id, begins)) &&
        begins < (pinnedBy.get(id) ?? Infinity),
    ),
  );
  return {
    order: inTime,
    options: {
      now,
      kept: { beginsAt, personOf, ...(warm.reasons ? { reasons: warm.reasons } : {}) },
      // Who is at work goes on with what they were to do; what is displaced is for whoever is free.
      ...(movesUp
        ? {
            keepsTurns: true,
            personOf: new Map(
              [...personOf].filter(([id]) => isTonight(id, warm.beginsAt.get(id) ?? Infinity)),
            ),
          }
        : {}),
      letDryThrough: warm.letDryThrough,
      explain: true,
    },
  };
}

/** A plan done over, as `heldMade` says. */
export const heldCandidate = (
  workload: Workload,
  sequence: readonly string[],
  warm: WarmStart,
  now: number,
  options: HeldOptions = {},
): Candidate => candidate(workload, sequence, heldMade(workload, sequence, warm, now, options));

/** A sequence with operations added that it does not know, such as those of a new piece, in order of slack. */
export function withMissing(sequence: readonly string[], workload: Workload): string[] {
  const known = new Set(sequence);
  const kept = sequence.filter((id) => workload.byId.has(id));
  return [...kept, ...slackSequence(workload).filter((id) => !known.has(id))];
}
