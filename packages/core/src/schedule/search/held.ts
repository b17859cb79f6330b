import type { Workload } from '../plan/workload';
import { standingOf, type Score } from './score';
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
  if (one[0] !== other[0]) return one[0] > other[0];
  return (one[1] > 0 && other[1] === 0) || one[1] - other[1] >= WORTH_MOVING_MINUTES;
}

/** What was in trouble and has this much to spare now need not go before all others. */
export const PLENTY_MINUTES = 5 * 1440;

/** The least that some pieces have to spare before their dates; minus infinity where one can't be done. */
export const leastSlack = (
  workload: Workload,
  { run }: Candidate,
  ids: ReadonlySet<string>,
  now: number,
): number =>
  workload.build.pieces
    .filter((piece) => ids.has(piece.id))
    .reduce((least, piece) => {
      const own = run.operations.filter((operation) => operation.pieceId === piece.id);
      const { slack, unplaced } = standingOf(workload, piece, own, run.units, now);
      return Math.min(least, unplaced > 0 ? -Infinity : slack);
    }, Infinity);

interface HeldOptions {
  movesUp?: boolean;
  first?: ReadonlySet<string>;
  behind?: ReadonlySet<string>;
}

/** The pieces that a plan has late, or can't place. */
export const latePieces = (workload: Workload, { run }: Candidate, now: number): Set<string> =>
  new Set(
    workload.build.pieces
      .filter((piece) => {
        const own = run.operations.filter((operation) => operation.pieceId === piece.id);
        const { late, unplaced } = standingOf(workload, piece, own, run.units, now);
        return late > 0 || unplaced > 0;
      })
      .map((piece) => piece.id),
  );

/**
 * A plan done over: every pass at its old time and by the same hands where that can still be, later where not. With
 * `movesUp`, what is planned for the session that somebody is in right now may begin sooner than it was to. With `first`,
 * those pieces go before all others, as soon as can be and by whoever is free; with `behind`, they do so once all others
 * have their places.
 */
export function heldCandidate(
  workload: Workload,
  sequence: readonly string[],
  warm: WarmStart,
  now: number,
  { movesUp = false, first = new Set(), behind = new Set() }: HeldOptions = {},
): Candidate {
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
  const notBefore = new Map(
    [...warm.beginsAt].filter(
      ([id, begins]) =>
        !isFree(id) && (!movesUp || begins >= (sessionEnds.get(personOf.get(id) ?? '') ?? -Infinity)),
    ),
  );
  return candidate(workload, sequence, {
    order: inTime,
    options: {
      now,
      notBefore,
      personOf,
      letDryThrough: warm.letDryThrough,
      keepsTurns: movesUp,
      explain: true,
    },
  });
}

/** A sequence with operations added that it does not know, such as those of a new piece, in order of slack. */
export function withMissing(sequence: readonly string[], workload: Workload): string[] {
  const known = new Set(sequence);
  const kept = sequence.filter((id) => workload.byId.has(id));
  return [...kept, ...slackSequence(workload).filter((id) => !known.has(id))];
}
