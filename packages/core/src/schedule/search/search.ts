import { Wandering } from './wandering';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { worthPuttingOff } from '../place/dryThrough';
import type { Workload } from '../plan/workload';
import { Reinserter } from './reinsert';
import { compareScores } from './score';
import type { WarmStart } from './warmStart';
import { plainHabits } from '../place/decodeOptions';
import { goOn } from './goOn';
import { waveCandidates } from './waves';
import { type Candidate, candidateOf, reinserterOf, candidateFrom } from './candidate';
import { isWorthLeaving, latePieces } from './held';
import { rules, patient, gathering } from './rules';
import { changed, changedThrough } from './neighbours';
import { nth, sure } from '../../model/sure';

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
/** A plan that is a little worse is gone on from now and then, so as not to be stuck: one try in so many. */
const FORGIVE_ONE_IN = 12;

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
  const theBest = (): Candidate => sure(best, 'a plan to go on from');
  let done = 0;
  const offer = (candidate: Candidate): boolean => {
    const better = best === undefined || compareScores(candidate.score, best.score) < 0;
    if (better) best = candidate;
    return options.onProgress?.(theBest(), done, better) !== false;
  };
  let held: Candidate | undefined;
  let urgent: Candidate | undefined;
  if (options.warm) {
    const { warm, keep = false } = options;
    const goneOn = goOn(workload, { now, warm, keep, urgent: options.urgent, draw: random, offer });
    if (!goneOn) return theBest();
    ({ held, urgent } = goneOn);
    if (keep && !options.urgent && held.score.unplaced === 0 && held.score.late === 0) return held;
  }
  const { starts = 'all' } = options;
  let through: ReadonlySet<string> = new Set();
  for (const { order, habits } of starts === 'all' ? rules : starts === 'first' ? rules.slice(0, 1) : []) {
    const one = candidateOf(workload, order(workload), now, habits, through);
    if (!offer(one)) return theBest();
    if (one.score.late === 0) continue;
    let { score } = one;
    const before = through;
    for (const coats of worthPuttingOff(workload, latePieces(one))) {
      if (coats.every((id) => before.has(id))) continue;
      const letDryThrough = new Set([...before, ...coats]);
      const spaced = candidateOf(workload, order(workload), now, habits, letDryThrough);
      if (compareScores(spaced.score, score) < 0) [through, score] = [letDryThrough, spaced.score];
      if (!offer(spaced)) return theBest();
    }
  }

  if (starts === 'all') for (const one of waveCandidates(workload, now)) if (!offer(one)) return theBest();

  const wandering = new Wandering(theBest());
  let reinserter: Reinserter | undefined;
  // Placing everything anew costs as many times more as there are units, so it is tried the more seldom.
  const wholeOneIn = Math.max(LEAST_WHOLE_ONE_IN, Math.ceil(workload.operations.length / OPERATIONS_A_TRY));
  for (done = 1; done <= iterations; done += 1) {
    if (random(wholeOneIn) > 0) {
      reinserter ??= reinserterOf(workload, theBest());
      reinserter.try(random);
      const isBetter = compareScores(reinserter.best, theBest().score) < 0;
      const goOn =
        isBetter && (done % TELL_EVERY === 0 || done === iterations)
          ? offer(candidateFrom(reinserter, theBest()))
          : options.onProgress?.(theBest(), done, false) !== false;
      if (!goOn) break;
      continue;
    }
    if (reinserter && compareScores(reinserter.best, theBest().score) < 0)
      if (!offer(candidateFrom(reinserter, theBest()))) break;
    const current = wandering.at(done);
    const sequence = changed(current, workload, random);
    if (!sequence) {
      if (options.onProgress?.(theBest(), done, false) === false) break;
      continue;
    }
    const habits = nth([plainHabits, patient, gathering], random(3));
    const next = candidateOf(workload, sequence, now, habits, changedThrough(current, workload, random));
    const worse = compareScores(next.score, current.score);
    const isForgiven =
      worse > 0 && random(FORGIVE_ONE_IN) === 0 && next.score.unplaced === current.score.unplaced;
    if (worse <= 0 || isForgiven) wandering.leaveFor(next, done);
    if (!offer(next)) break;
    if (best !== next) continue;
    reinserter = undefined;
    wandering.found(next);
  }
  if (reinserter && compareScores(reinserter.best, theBest().score) < 0)
    offer(candidateFrom(reinserter, theBest()));
  const kept = options.urgent ? [urgent] : options.keep ? [held, urgent] : [];
  return kept.find((one) => one && !isWorthLeaving(one.score, theBest().score)) ?? theBest();
}
