import { Wandering } from './wandering';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { plainHabits, type DecodeOptions, type PlacingHabits } from '../place/draft';
import { decode, decodeDraft, type PlannerRun } from '../place/decode';
import { dryThroughOf, worthPuttingOff } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { slackSequence, stepSequence } from './priority';
import { Reinserter } from './reinsert';
import { compareScores, scoreOf, standingOf, type Score } from './score';
import { dealtInOrder, type WarmStart } from './warmStart';

/** A plan as the search sees it: the order work is placed in, what came of it, and how good that is. */
export interface Candidate {
  sequence: string[];
  run: PlannerRun;
  score: Score;
  /** How the run comes about: the order as it was placed, and what held it. */
  made: { order: readonly string[]; options: DecodeOptions };
}

export interface SearchOptions {
  now: number;
  /** The same seed and number of iterations give the same plan. */
  seed?: number;
  /** How many changes are tried after the first orders; 0 gives the best of those. */
  iterations?: number;
  /** Plans made by rule to begin with: a good handful unless said otherwise, the first of them only, or none. */
  starts?: 'all' | 'first' | 'none';
  /** Keeps to the plan it began with unless that leaves work without a place, or late where it need not be. */
  keep?: boolean;
  /** A plan to begin with: where it still holds, the result is never worse than it. */
  warm?: WarmStart;
  /** Keeps to the plan it began with but for these pieces, which go before all others; unless that makes something late. */
  urgent?: ReadonlySet<string>;
  /** Told of every better plan, and after every try; returning false stops with the best so far. */
  onProgress?: (best: Candidate, done: number, better: boolean) => boolean | void;
}

/** About as many passes are taken out and placed again in one try as this. */
const OPERATIONS_A_TRY = 16;
/** Better plans are told of after so many tries, as making a copy of one costs as much as some of them. */
const TELL_EVERY = 20;
/** A plan that is a little worse is gone on from now and then, so as not to be stuck: one try in so many. */
const FORGIVE_ONE_IN = 12;

/** Up to three days are waited to share a set-up. */
const patient: PlacingHabits = { joinPatienceMinutes: 4320, usedSessionsOnly: false };
/** Evenings that are kept free, where one that is used anyway will do. */
const gathering: PlacingHabits = { joinPatienceMinutes: 1440, usedSessionsOnly: true };

/** Rules that plans are made by before any is changed; the first is the quickest to be ready. */
const rules: readonly { order: (workload: Workload) => string[]; habits: PlacingHabits }[] = [
  { order: (workload) => slackSequence(workload), habits: plainHabits },
  { order: stepSequence, habits: plainHabits },
  { order: (workload) => slackSequence(workload, 720), habits: patient },
  { order: (workload) => slackSequence(workload, 720), habits: gathering },
  { order: (workload) => slackSequence(workload), habits: gathering },
  { order: stepSequence, habits: patient },
];

/**
 * The candidate that an order comes to.
 * @param letDryThrough coats that are put off until what they land on is dry through
 */
export function candidateOf(
  workload: Workload,
  sequence: readonly string[],
  now: number,
  habits: PlacingHabits = plainHabits,
  letDryThrough: ReadonlySet<string> = new Set(),
): Candidate {
  return candidate(workload, sequence, { order: sequence, options: { now, habits, letDryThrough } });
}

function candidate(workload: Workload, sequence: readonly string[], made: Candidate['made']): Candidate {
  const run = decode(workload, made.order, made.options);
  const score = scoreOf(workload, run, Math.max(made.options.now, workload.startAt));
  return { sequence: [...sequence], run, score, made };
}

/** The plan that a candidate came to, to be improved piece by piece; what held it is let go. */
function reinserterOf(workload: Workload, { made }: Candidate): Reinserter {
  const { draft } = decodeDraft(workload, made.order, made.options);
  draft.letGo();
  return new Reinserter(workload, draft, Math.max(made.options.now, workload.startAt));
}

/** What a reinserter has come to so far, as a candidate that stays as it is. */
function candidateFrom(reinserter: Reinserter, { run, made }: Candidate): Candidate {
  const { operations, units } = reinserter.copy();
  const begins = ({ laidAt = Infinity, workMinutes }: PlannedOperation) => laidAt - workMinutes;
  const sequence = [...operations].sort((a, b) => begins(a) - begins(b) || 0).map(({ id }) => id);
  return { sequence, run: { operations, units, lessons: run.lessons }, score: reinserter.best, made };
}

/**
 * Looks for a good plan: a few orders by slack first, with coats that join laid one by one where something would be late, then
 * changes to the best. Most take a few units out
 * of the plan and place them again; now and then the whole is placed anew in another order: a pass put earlier or later, a
 * piece brought to the front, passes with the same things brought together, two passes swapped. Any-time: `onProgress` sees
 * better plans as they come and can stop.
 */
export function searchPlan(workload: Workload, options: SearchOptions): Candidate {
  const { now, seed = 1, iterations = 0 } = options;
  const generator = xoroshiro128plus(seed);
  const random = (below: number) => Math.floor(uniformFloat64(generator) * below);
  let best: Candidate | undefined;
  let done = 0;
  const offer = (candidate: Candidate): boolean => {
    const better = best === undefined || compareScores(candidate.score, best.score) < 0;
    if (better) best = candidate;
    return options.onProgress?.(best!, done, better) !== false;
  };
  let held: Candidate | undefined;
  let urgent: Candidate | undefined;
  if (options.warm) {
    const warm = dealtInOrder(options.warm, workload);
    const sequence = withMissing(warm.sequence, workload);
    // First as it was, nothing moved but what has to; then with the work of whoever is at it now moved up; then in the same
    // order as early as can be.
    held = heldCandidate(workload, sequence, warm, now);
    if (!offer(held)) return best!;
    const movedUp = heldCandidate(workload, sequence, warm, now, { movesUp: true });
    // What can go on now does, but not at the cost of another set-up.
    if (!isWorthLeaving(movedUp.score, held.score) && movedUp.score[2] <= held.score[2]) held = movedUp;
    if (!offer(movedUp)) return best!;
    // Nothing late and everything placed: there is nothing to leave it for.
    if (options.keep && !options.urgent && held.score[0] === 0 && held.score[1] === 0) return held;
    const first = options.urgent ?? latePieces(workload, held, now);
    if (first.size > 0) {
      urgent = heldCandidate(workload, sequence, warm, now, { first });
      if (!offer(urgent)) return best!;
      // Coats that join take long to dry through: what is late may be in time when each waits for the one below.
      for (const coats of worthPuttingOff(workload, first)) {
        if (urgent.score[1] === 0) break;
        const letDryThrough = new Set([...warm.letDryThrough, ...coats]);
        const spaced = heldCandidate(workload, sequence, { ...warm, letDryThrough }, now, { first });
        if (compareScores(spaced.score, urgent.score) < 0) urgent = spaced;
        if (!offer(spaced)) return best!;
      }
      // Fitted in behind the others they share their set-ups, which is better where there are days to spare.
      const { letDryThrough = warm.letDryThrough } = urgent.made.options;
      const behind = heldCandidate(workload, sequence, { ...warm, letDryThrough }, now, { behind: first });
      const isSafe = leastSlack(workload, behind, first, now) >= PLENTY_MINUTES;
      if (isSafe && compareScores(behind.score, urgent.score) < 0) urgent = behind;
      if (!offer(behind)) return best!;
    }
    if (!offer(candidateOf(workload, sequence, now, plainHabits, warm.letDryThrough))) return best!;
  }
  const { starts = 'all' } = options;
  let through: ReadonlySet<string> = new Set();
  for (const { order, habits } of starts === 'all' ? rules : starts === 'first' ? rules.slice(0, 1) : []) {
    const one = candidateOf(workload, order(workload), now, habits, through);
    if (!offer(one)) return best!;
    if (one.score[1] === 0) continue;
    let { score } = one;
    const before = through;
    for (const coats of worthPuttingOff(workload, latePieces(workload, one, now))) {
      if (coats.every((id) => before.has(id))) continue;
      const letDryThrough = new Set([...before, ...coats]);
      const spaced = candidateOf(workload, order(workload), now, habits, letDryThrough);
      if (compareScores(spaced.score, score) < 0) [through, score] = [letDryThrough, spaced.score];
      if (!offer(spaced)) return best!;
    }
  }

  const wandering = new Wandering(best!);
  let reinserter: Reinserter | undefined;
  // Placing everything anew costs as many times more as there are units, so it is tried the more seldom.
  const wholeOneIn = Math.max(2, Math.ceil(workload.operations.length / OPERATIONS_A_TRY));
  for (done = 1; done <= iterations; done += 1) {
    if (random(wholeOneIn) > 0) {
      reinserter ??= reinserterOf(workload, best!);
      reinserter.try(random);
      const isBetter = compareScores(reinserter.best, best!.score) < 0;
      const goOn =
        isBetter && (done % TELL_EVERY === 0 || done === iterations)
          ? offer(candidateFrom(reinserter, best!))
          : options.onProgress?.(best!, done, false) !== false;
      if (!goOn) break;
      continue;
    }
    if (reinserter && compareScores(reinserter.best, best!.score) < 0)
      if (!offer(candidateFrom(reinserter, best!))) break;
    const current = wandering.at(done);
    const sequence = changed(current, workload, random);
    if (!sequence) {
      if (options.onProgress?.(best!, done, false) === false) break;
      continue;
    }
    const habits = [plainHabits, patient, gathering][random(3)]!;
    const next = candidateOf(workload, sequence, now, habits, changedThrough(current, workload, random));
    const worse = compareScores(next.score, current.score);
    const isForgiven = worse > 0 && random(FORGIVE_ONE_IN) === 0 && next.score[0] === current.score[0];
    if (worse <= 0 || isForgiven) wandering.leaveFor(next, done);
    if (!offer(next)) break;
    if (best !== next) continue;
    reinserter = undefined;
    wandering.found(next);
  }
  if (reinserter && compareScores(reinserter.best, best!.score) < 0) offer(candidateFrom(reinserter, best!));
  const kept = options.urgent ? [urgent] : options.keep ? [held, urgent] : [];
  return kept.find((one) => one && !isWorthLeaving(one.score, best!.score)) ?? best!;
}

/** A plan that is late is given up for one that is less late by this much; minutes are not worth moving everything. */
const WORTH_MOVING_MINUTES = 60;

/**
 * Whether a plan is so much worse than another that people would change their evenings for it: work without a place, or
 * late where it need not be. Fewer sessions or set-ups are no such reason; they are for whoever looks for a better plan.
 */
function isWorthLeaving(one: Score, other: Score): boolean {
  if (one[0] !== other[0]) return one[0] > other[0];
  return (one[1] > 0 && other[1] === 0) || one[1] - other[1] >= WORTH_MOVING_MINUTES;
}

/** What was in trouble and has this much to spare now need not go before all others. */
const PLENTY_MINUTES = 5 * 1440;

/** The least that some pieces have to spare before their dates; minus infinity where one can't be done. */
const leastSlack = (workload: Workload, { run }: Candidate, ids: ReadonlySet<string>, now: number): number =>
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
const latePieces = (workload: Workload, { run }: Candidate, now: number): Set<string> =>
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
function heldCandidate(
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
function withMissing(sequence: readonly string[], workload: Workload): string[] {
  const known = new Set(sequence);
  const kept = sequence.filter((id) => workload.byId.has(id));
  return [...kept, ...slackSequence(workload).filter((id) => !known.has(id))];
}

/** Which coats of a candidate are put off until what they land on is dry through: as they were, or now and then one changed. */
function changedThrough(
  { run }: Candidate,
  workload: Workload,
  random: (below: number) => number,
): ReadonlySet<string> {
  const through = dryThroughOf(run.operations);
  if (random(3) > 0) return through;
  const coats = [...workload.coatsOnCoats.values()].flat();
  if (coats.length === 0) return through;
  const { id } = coats[random(coats.length)]!;
  return new Set(through.has(id) ? [...through].filter((one) => one !== id) : [...through, id]);
}

/** A neighbour of a candidate's order; undefined when the change drawn does not apply. */
function changed(
  { sequence, run }: Candidate,
  workload: Workload,
  random: (below: number) => number,
): string[] | undefined {
  const open = run.operations.filter(
    (operation) => operation.status === 'planned' || operation.status === 'unplaced',
  );
  if (open.length < 2) return undefined;
  const pick = () => open[random(open.length)]!;
  const place = new Map(sequence.map((id, at) => [id, at]));
  const move = (ids: readonly string[], to: number): string[] => {
    const moving = new Set(ids);
    const rest = sequence.filter((id) => !moving.has(id));
    rest.splice(Math.max(0, Math.min(rest.length, to)), 0, ...ids);
    return rest;
  };
  switch (random(5)) {
    case 0: {
      // One pass, with what it waits for on its unit, goes to the place of another.
      const [one, other] = [pick(), pick()];
      return move([one.id], place.get(other.id)!);
    }
    case 1: {
      // A piece goes before all others, or some way forward; late ones are drawn more often.
      const late = open.filter((operation) => {
        const due = workload.dueAt.get(operation.pieceId);
        return (
          due !== undefined &&
          operation.laidAt !== undefined &&
          operation.laidAt + (operation.material?.pack ?? 0) > due
        );
      });
      const pieceId = (late.length > 0 && random(2) === 0 ? late[random(late.length)]! : pick()).pieceId;
      const ids = sequence.filter((id) => workload.byId.get(id)?.pieceId === pieceId);
      return move(ids, random(2) === 0 ? 0 : random(sequence.length));
    }
    case 2: {
      // Passes with the same things that lie within some days of each other are taken together.
      const one = pick();
      const near = open.filter(
        (operation) =>
          operation.batchKey === one.batchKey &&
          Math.abs((operation.start ?? 0) - (one.start ?? 0)) < 1440 * (1 + random(4)),
      );
      if (near.length < 2) return undefined;
      const ids = near.map((operation) => operation.id).sort((a, b) => place.get(a)! - place.get(b)!);
      return move(ids, random(2) === 0 ? place.get(ids[0]!)! : place.get(ids[ids.length - 1]!)!);
    }
    case 3: {
      const [one, other] = [pick(), pick()];
      const next = [...sequence];
      const [a, b] = [place.get(one.id)!, place.get(other.id)!];
      [next[a], next[b]] = [next[b]!, next[a]!];
      return next;
    }
    default: {
      // One unit goes before or after another piece's.
      const [one, other] = [pick(), pick()];
      const ids = sequence.filter((id) => {
        const operation = workload.byId.get(id);
        return operation?.pieceId === one.pieceId && operation.unit === one.unit;
      });
      return move(ids, place.get(other.id)!);
    }
  }
}
