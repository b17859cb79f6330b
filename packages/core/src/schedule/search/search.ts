import { Wandering } from './wandering';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { pieceBounds } from '../place/bounds';
import { worthPuttingOff } from '../place/dryThrough';
import { pieceReadiness } from '../state/readiness';
import type { Workload } from '../plan/workload';
import { Reinserter } from './reinsert';
import { compareScores, lateMinutes } from './score';
import type { WarmStart } from './warmStart';
import { plainHabits } from '../place/decodeOptions';
import { goOn, type GoneOn } from './goOn';
import type { Draw } from './drawn';
import { Beginnings } from './beginnings';
import { exactOrders } from './exactOrders';
import { pieceOrders } from './pieceOrders';
import { waveCandidates } from './waves';
import { type Candidate, candidateOf, reinserterOf, candidateFrom } from './candidate';
import { isWorthLeaving, latePieces } from './held';
import { rules, patient, gathering } from './rules';
import type { EpochMinute } from '../../model/wallTime';
import { changed, changedThrough } from './neighbours';
import { entryOf, nth, sure } from '../../model/sure';

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
/** and no oftener than one try in this many, */
const LEAST_WHOLE_ONE_IN = 20;
/** and one in this many where something is late, as the order of the pieces is what counts then. */
const LATE_WHOLE_ONE_IN = 3;
/** So near, as a share, to the fewest minutes late that were ever possible nothing is looked for, */
const NEAR_ENOUGH = 1.02;
/** nor after so many beginnings that nothing came of. */
const MOST_LATE_ROUNDS = 8;
/** A plan that is a little worse is gone on from now and then, so as not to be stuck: one try in so many. */
const FORGIVE_ONE_IN = 12;

/**
 * Looks for a good plan: what a plan made before comes to; orders by slack, with coats that join laid one by one where something
 * would be late; waves over many pieces; then changes to the best. Most of those take a few units out of the plan and place them
 * again; now and then the whole is placed anew in another order: a pass put earlier or later, a piece brought to the front,
 * passes with the same things brought together, two passes swapped. Any-time: `begin` and each `step` may be the last, and
 * `onProgress` sees better plans as they come and can stop. Invariant: the best never gets worse.
 */
export class PlanSearch {
  private readonly random: Draw;
  private best: Candidate | undefined;
  private done = 0;
  /** The plan it began with as it comes to now, and with what is late in it before all others. */
  private goneOn: GoneOn | undefined;
  /** Nothing is to be looked for: the plan it began with is kept, or whoever is told said stop. */
  private isOver = false;
  private reinserter: Reinserter | undefined;
  private wandering: Wandering<Candidate> | undefined;
  private readonly wholeOneIn: number;
  /** A tenth of each session stays free, unless something would be late or without a place for it. */
  private keepsTenth = true;
  /** All orders of a few late passes have been looked through. */
  private isExact = false;
  /** How many other beginnings were gone on from with nothing less late, and how late the best was before. */
  private lateRounds = 0;
  private lateBefore = Infinity;
  /** Minutes late that no plan does without. */
  private leastLate: number | undefined;
  private readonly beginnings = new Beginnings<Candidate & { begins: EpochMinute }>();

  constructor(
    private readonly workload: Workload,
    private readonly options: Omit<SearchOptions, 'iterations'>,
  ) {
    const generator = xoroshiro128plus(options.seed ?? 1);
    this.random = (below) => Math.floor(uniformFloat64(generator) * below);
    // Placing everything anew costs as many times more as there are units, so it is tried the more seldom.
    this.wholeOneIn = Math.max(LEAST_WHOLE_ONE_IN, Math.ceil(workload.operations.length / OPERATIONS_A_TRY));
  }

  private get theBest(): Candidate {
    return sure(this.best, 'a plan to go on from');
  }

  /** Takes a plan if it is the best yet; false when told to stop. */
  private offer(candidate: Candidate): boolean {
    const better = this.best === undefined || compareScores(candidate.score, this.best.score) < 0;
    if (better) this.best = candidate;
    if (this.done === 0) this.beginnings.add({ ...candidate, begins: beginsAt(candidate) });
    return this.told(better);
  }
  private told(better: boolean): boolean {
    const goesOn = this.options.onProgress?.(this.theBest, this.done, better) !== false;
    if (!goesOn) this.isOver = true;
    return goesOn;
  }

  /** The plans there are without trying changes; false when there is nothing more to do. */
  begin(): boolean {
    const { warm, keep = false, urgent, now, starts = 'all' } = this.options;
    if (warm) {
      const offer = (one: Candidate) => this.offer(one);
      this.goneOn = goOn(this.workload, { now, warm, keep, urgent, draw: this.random, offer });
      if (!this.goneOn) return false;
      const { score } = this.goneOn.held;
      if (keep && !urgent && score.unplaced === 0 && score.late === 0) this.isOver = true;
      if (this.isOver) return false;
    }
    if (!this.byRules(starts)) return false;
    if (!this.isInTrouble) return true;
    // What would be late, or has no room, is given all of every session.
    this.keepsTenth = false;
    if (!this.byRules(starts)) return false;
    if (starts === 'all')
      for (const one of pieceOrders(this.workload, now, this.theBest)) if (!this.offer(one)) return false;
    return true;
  }

  /** Whether what is late is looked at alone: while it is later than it has to be, and something comes of it. */
  private get seeksLess(): boolean {
    return this.lateRounds <= MOST_LATE_ROUNDS && this.isTooLate;
  }
  /** Whether the best is later than any plan has to be. */
  private get isTooLate(): boolean {
    const { run, score } = this.theBest;
    if (score.late === 0) return false;
    this.leastLate ??= leastLateOf(this.workload, run, this.options.now);
    return score.late > this.leastLate * NEAR_ENOUGH;
  }
  private get how() {
    const { keepsTenth, seeksLess } = this;
    return { keepsTenth, seeksLess };
  }

  private get isInTrouble(): boolean {
    return this.best !== undefined && (this.best.score.unplaced > 0 || this.isTooLate);
  }

  /** Plans made by rule; false when told to stop. */
  private byRules(starts: NonNullable<SearchOptions['starts']>): boolean {
    const { workload, keepsTenth } = this;
    const { now } = this.options;
    const given = starts === 'all' ? rules : starts === 'first' ? rules.slice(0, 1) : [];
    let through: ReadonlySet<string> = new Set();
    for (const { order, habits } of given) {
      const sequence = order(workload);
      const how = { now, habits, keepsTenth };
      const one = candidateOf(workload, sequence, { ...how, letDryThrough: through });
      if (!this.offer(one)) return false;
      if (one.score.late === 0) continue;
      let { score } = one;
      const before = through;
      for (const coats of worthPuttingOff(workload, latePieces(one))) {
        if (coats.every((id) => before.has(id))) continue;
        const letDryThrough = new Set([...before, ...coats]);
        const spaced = candidateOf(workload, sequence, { ...how, letDryThrough });
        if (compareScores(spaced.score, score) < 0) [through, score] = [letDryThrough, spaced.score];
        if (!this.offer(spaced)) return false;
      }
    }
    if (starts === 'all')
      for (const one of waveCandidates(workload, now, keepsTenth)) if (!this.offer(one)) return false;
    return true;
  }

  /** Tries one change; false when told to stop. */
  step(): boolean {
    if (this.isOver) return false;
    this.done += 1;
    const oneIn = this.seeksLess ? LATE_WHOLE_ONE_IN : this.wholeOneIn;
    if (this.random(oneIn) === 0) return this.tryWhole();
    if (this.reinserter?.isStuck) this.beginAnew(this.reinserter);
    this.reinserter ??= reinserterOf(this.workload, this.theBest, this.how);
    this.reinserter.try(this.random);
    return this.done % TELL_EVERY === 0 ? this.takeReinserted() : this.told(false);
  }

  /** Goes on from another plan than the one that nothing better was found from. */
  private beginAnew(stuck: Reinserter): void {
    if (compareScores(stuck.best, this.theBest.score) < 0) this.offer(candidateFrom(stuck, this.theBest));
    const { late } = this.theBest.score;
    this.lateRounds = late < this.lateBefore ? 0 : this.lateRounds + 1;
    this.lateBefore = late;
    if (this.seeksLess && !this.isExact) {
      this.isExact = true;
      const { better } = exactOrders(this.workload, this.options.now, this.theBest);
      if (better) this.offer(better);
    }
    const next = this.beginnings.next(this.theBest.score);
    this.reinserter = reinserterOf(this.workload, next ?? this.theBest, this.how);
  }

  /** Takes what putting units in again has come to, if that is better; false when told to stop. */
  private takeReinserted(): boolean {
    const { reinserter, theBest } = this;
    return reinserter && compareScores(reinserter.best, theBest.score) < 0
      ? this.offer(candidateFrom(reinserter, theBest))
      : this.told(false);
  }

  /** Places everything in another order. */
  private tryWhole(): boolean {
    const { workload, random, done } = this;
    if (!this.takeReinserted()) return false;
    const wandering = (this.wandering ??= new Wandering(this.theBest));
    const current = wandering.at(done);
    const sequence = changed(current, workload, random);
    if (!sequence) return true;
    const habits = nth([plainHabits, patient, gathering], random(3));
    const letDryThrough = changedThrough(current, workload, random);
    const { now } = this.options;
    const next = candidateOf(workload, sequence, { now, habits, letDryThrough, keepsTenth: this.keepsTenth });
    const worse = compareScores(next.score, current.score);
    const isForgiven =
      worse > 0 && random(FORGIVE_ONE_IN) === 0 && next.score.unplaced === current.score.unplaced;
    if (worse <= 0 || isForgiven) wandering.leaveFor(next, done);
    const goesOn = this.offer(next);
    if (this.best === next) {
      this.reinserter = undefined;
      wandering.found(next);
    }
    return goesOn;
  }

  /** The best there is; where a plan is to be kept to, that one unless it is worth leaving. */
  result(): Candidate {
    const { reinserter } = this;
    if (reinserter && compareScores(reinserter.best, this.theBest.score) < 0)
      this.offer(candidateFrom(reinserter, this.theBest));
    const { held, urgent } = this.goneOn ?? {};
    const kept = this.options.urgent ? [urgent] : this.options.keep ? [held, urgent] : [];
    return kept.find((one) => one && !isWorthLeaving(one.score, this.theBest.score)) ?? this.theBest;
  }
}

/** The fewest minutes late that pieces can be, each by itself with the best of luck: no plan is less. */
function leastLateOf(workload: Workload, { operations, units }: Candidate['run'], now: EpochMinute): number {
  const { build, pieces } = workload;
  return pieceBounds(workload, operations, units, now).reduce((sum, { pieceId, packableAt, wearableAt }) => {
    const { packDueAt, wearDueAt } = pieceReadiness(build, entryOf(pieces, pieceId), [], units, now);
    return sum + lateMinutes({ packableAt, wearableAt, packDueAt, wearDueAt });
  }, 0);
}

/** When the first planned pass of a plan begins; Infinity when there is none. */
const beginsAt = ({ run }: Candidate): EpochMinute =>
  run.operations.reduce(
    (first, { status, start = Infinity }) => (status === 'planned' ? Math.min(first, start) : first),
    Infinity,
  );

/** The plan that a search comes to with so many changes tried. */
export function searchPlan(workload: Workload, options: SearchOptions): Candidate {
  const search = new PlanSearch(workload, options);
  const { iterations = 0 } = options;
  let goesOn = search.begin();
  for (let done = 0; goesOn && done < iterations; done += 1) goesOn = search.step();
  return search.result();
}
