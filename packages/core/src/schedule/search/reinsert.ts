import { type Draft } from '../place/draft';
import { removed, goAlong, takeOut, type Removals } from '../place/removals';
import { unitKey, type Workload } from '../plan/workload';
import { passOfSet } from '../plan/sets';
import type { PlannedOperation } from '../plan/plan';
import { compareScores, standingOf, sumUp, type PieceStanding, type Score, type ScoreGround } from './score';
import { plainHabits, type PlacingHabits } from '../place/decodeOptions';
import { unitOf, isOpen, type Draw } from './drawn';
import { drawBridge } from './bridging';
import { pickCuts } from './picking';
import { drawHolds } from './holds';
import { entryOf, nth } from '../../model/sure';

/** More passes than this are not taken out at once: what is taken out has to be placed again. */
const MOST_PASSES = 160;

/** So many tries without anything better, and so many more for each unit, are enough to begin from another plan. */
const STUCK_AFTER = 400;
const STUCK_AFTER_A_UNIT = 100;

/** How work is placed again, drawn anew each time: mostly at once, sometimes with more patience for the sake of batches. */
const habits: readonly PlacingHabits[] = [
  plainHabits,
  { joinPatienceMinutes: 240, usedSessionsOnly: false },
  { joinPatienceMinutes: 1440, usedSessionsOnly: true },
  { joinPatienceMinutes: 4320, usedSessionsOnly: true },
  { joinPatienceMinutes: 10_080, usedSessionsOnly: true },
];

/** One try in so many puts all on one pair of hands. */
const ONE_PAIR_ONE_IN = 4;
/** One try in so many lets one set-up reach from pass to pass. */
const BRIDGE_ONE_IN = 5;
/** One try in so many holds passes back. */
const HOLD_ONE_IN = 3;
/** A plan with so many more sessions and set-ups than the best may be gone on from, so as to get away from it. */
const LEEWAY = 2;
/**
 * The more a plan is worse, the more seldom: one session or set-up more with a chance of e^(−1/heat), which falls from the first
 * to the second over so many tries, and begins anew.
 */
const HOTTEST = 0.3;
const COLDEST = 0.02;
const COOLS_IN_TRIES = 500;
/**
 * What is late is gone on from while it is no more than this share later than the best, and worse by a share of that with a chance of
 * e^(−share/heat), so that what is in time last of all is looked for on its own.
 */
const LATE_LEEWAY = 0.15;
const LATE_HOTTEST = 0.03;
const LATE_COLDEST = 0.002;
/** Half its tries place work with the first of the habits only, which put off least. */
const LATE_HABITS = 2;
/** Which piece waits is what counts, so another beginning is gone on from sooner: after so many tries, and so many more for each unit. */
const LATE_STUCK_AFTER = 60;
const LATE_STUCK_AFTER_A_UNIT = 10;
/** A minute of waiting about weighs this much of a set-up. */
const IDLE_WEIGHT = 0.002;
/** And only once nothing better was found for a while: as many tries as there are pairs of units, by this. */
const PATIENCE = 5;

/**
 * Improves a plan in place: some units are taken out and placed again in another order or with other habits, and what is
 * worse is mostly put back as it was. A try costs as much as placing those few units, so that large builds are improved as
 * quickly as small ones. Invariants: the best never gets worse, and the plan at hand is never far from it.
 */
export class Reinserter {
  /** How good the plan at hand is, and the best there was. */
  score: Score;
  best: Score;
  /** The best, where it is not the plan at hand. */
  private bestPlan: ReturnType<Reinserter['atHand']> | undefined;
  private triesSinceBest = 0;
  readonly workload: Workload;
  readonly pieces: Map<string, PieceStanding>;
  readonly movable: string[];
  readonly isMovable: ReadonlySet<string>;
  private readonly operationsOf = new Map<string, PlannedOperation[]>();

  /**
   * @param draft a plan that was placed after `remember`
   * @param seeksLess what is late counts alone, while it can be less
   * @param only the units, `piece/unit`, that may be taken out; all unless given
   */
  constructor(
    readonly draft: Draft,
    private readonly ground: ScoreGround,
    private readonly seeksLess = false,
    only?: ReadonlySet<string>,
  ) {
    const { workload } = ground;
    this.workload = workload;
    for (const operation of draft.planned.values()) {
      const own = this.operationsOf.get(operation.pieceId);
      if (own) own.push(operation);
      else this.operationsOf.set(operation.pieceId, [operation]);
    }
    this.pieces = new Map(workload.build.pieces.map((piece) => [piece.id, this.standing(piece.id)]));
    this.score = this.sum();
    this.best = this.score;
    const pinned = new Set([...workload.pins.keys()].flatMap((id) => unitOf(workload, id) ?? []));
    this.movable = [...workload.byUnit]
      .filter(([key, own]) => !pinned.has(key) && own.some(({ id }) => isOpen(draft.planned.get(id))))
      .filter(([key]) => only === undefined || only.has(key))
      .map(([key]) => key);
    this.isMovable = new Set(this.movable);
  }

  private standing(pieceId: string): PieceStanding {
    const piece = entryOf(this.workload.pieces, pieceId);
    return standingOf(this.ground, piece, (id) => this.operationsOf.get(id) ?? [], this.draft.units);
  }
  private sum(): Score {
    return sumUp(this.pieces.values(), this.draft.tally());
  }

  /** The plan at hand, kept from what happens later. */
  private atHand() {
    return { ...this.draft.copy(), standings: new Map(this.pieces) };
  }

  /** The best plan there was, kept from what happens later. */
  copy(): ReturnType<Reinserter['atHand']> {
    return this.bestPlan ?? this.atHand();
  }

  /** Whether minutes late are what is looked at alone. */
  private get isLate(): boolean {
    return this.seeksLess && this.best.late > 0;
  }

  /** Whether nothing better was found for so long that it is better to begin from another plan. */
  get isStuck(): boolean {
    const [tries, aUnit] = this.isLate
      ? [LATE_STUCK_AFTER, LATE_STUCK_AFTER_A_UNIT]
      : [STUCK_AFTER, STUCK_AFTER_A_UNIT];
    return this.triesSinceBest > tries + aUnit * this.movable.length;
  }

  /** Whether a plan is worth going on from though it is worse than the best. */
  private isNear(score: Score): boolean {
    const { best } = this;
    if (this.isLate) return score.unplaced === best.unplaced && score.late <= best.late * (1 + LATE_LEEWAY);
    if (this.triesSinceBest < this.movable.length ** 2 / PATIENCE) return false;
    return (
      score.unplaced === best.unplaced &&
      score.late <= best.late &&
      score.taped <= best.taped &&
      score.frail <= best.frail &&
      score.lacking <= best.lacking &&
      score.putOff <= best.putOff &&
      score.apart <= best.apart &&
      score.sessions <= best.sessions + LEEWAY
    );
  }

  /** Whether the plan at hand is left for a worse one. */
  private isForgiven(score: Score, was: Score, draw: Draw): boolean {
    const cooled = (this.triesSinceBest % COOLS_IN_TRIES) / COOLS_IN_TRIES;
    const { late } = this.best;
    const isLess = this.isLate && score.late !== was.late;
    const [hottest, coldest] = isLess ? [LATE_HOTTEST, LATE_COLDEST] : [HOTTEST, COLDEST];
    const heat = hottest + (coldest - hottest) * cooled;
    const loss = isLess
      ? (score.late - was.late) / late
      : score.sessions - was.sessions + (score.idle - was.idle) * IDLE_WEIGHT;
    return loss <= 0 || draw(1000) < 1000 * Math.exp(-loss / heat);
  }

  /** The same cuts through all units of a set, mirrors included: they are to stay together. */
  private withSets(cuts: Removals): Removals {
    const wide = new Map(cuts);
    for (const [key, cut] of cuts) {
      const own = entryOf(this.workload.byUnit, key);
      const first = own.findIndex(({ id }) => (this.draft.planned.get(id)?.laidAt ?? -Infinity) >= cut);
      if (first < 0) continue;
      const { pieceId } = nth(own, 0);
      const { pieces, byUnit, sets } = this.workload;
      const pass = passOfSet(sets, nth(own, first));
      for (const mate of sets.of.get(pieceId) ?? [pieceId])
        for (let unit = 1; unit <= entryOf(pieces, mate).quantity; unit += 1) {
          const other = `${mate}/${unit}`;
          const same =
            mate === pieceId
              ? byUnit.get(other)?.[first]
              : byUnit.get(other)?.find((one) => passOfSet(sets, one) === pass);
          const at = same && this.draft.planned.get(same.id)?.laidAt;
          if (at !== undefined && this.isMovable.has(other))
            wide.set(other, Math.min(at, wide.get(other) ?? Infinity));
        }
    }
    return wide;
  }

  /** Tries one change; true when that gives the best plan yet. What is as good as before is kept too, to get on. */
  try(draw: Draw): boolean {
    const bridge =
      draw(BRIDGE_ONE_IN) === 0 ? drawBridge(this.draft, (key) => this.isMovable.has(key), draw) : undefined;
    const picked = bridge?.removals ?? this.withSets(pickCuts(this, draw));
    // Half the time all that is planned on those units goes.
    const removals = goAlong(
      this.draft,
      bridge || draw(2) === 0 ? picked : new Map([...picked.keys()].map((key) => [key, -Infinity])),
    );
    const going = removed(this.draft, removals);
    const canGo = going.length > 0 && going.length <= MOST_PASSES;
    if (!canGo || [...removals.keys()].some((key) => !this.isMovable.has(key))) return false;
    // A whole is ready with its parts, and the first of a set says how often it is parted.
    const { wholesOf, sets } = this.workload;
    const touched = new Set(
      going.flatMap(({ pieceId }) => [
        pieceId,
        ...(wholesOf.get(pieceId) ?? []),
        ...(sets.of.get(pieceId)?.slice(0, 1) ?? []),
      ]),
    );
    const was = [...touched].map((id) => [id, entryOf(this.pieces, id)] as const);
    const scoreWas = this.score;
    // In the order they were, which what is drawn next changes.
    const inTime = going.sort((a, b) => (a.laidAt ?? Infinity) - (b.laidAt ?? Infinity) || 0);
    const order = bridge ? [...bridge.first, ...inTime.map(({ id }) => id)] : this.order(inTime, draw);
    const throughWas = this.draft.letDryThrough;
    const through = this.drawThrough(going, draw);
    const drawn = nth(habits, draw(this.isLate && draw(2) === 0 ? LATE_HABITS : habits.length));
    const heldUntil =
      bridge?.held ?? (draw(HOLD_ONE_IN) === 0 ? drawHolds(this.draft, inTime, draw) : new Map());
    const { hands } = this.draft;
    const byHands =
      hands.length > 1 && draw(ONE_PAIR_ONE_IN) === 0 ? nth(hands, draw(hands.length)).id : undefined;
    const change = () => {
      const putBack = takeOut(this.draft, removals);
      this.draft.habits = drawn;
      this.draft.letDryThrough = through;
      this.draft.heldUntil = heldUntil;
      this.draft.byHands = byHands;
      this.draft.placeAll(order);
      this.draft.heldUntil = new Map();
      this.draft.byHands = undefined;
      this.draft.habits = plainHabits;
      return () => {
        putBack();
        this.draft.letDryThrough = throughWas;
      };
    };
    const takeBack = change();
    this.triesSinceBest += 1;
    for (const id of touched) this.pieces.set(id, this.standing(id));
    this.score = this.sum();
    if (compareScores(this.score, this.best) < 0) {
      this.best = this.score;
      this.bestPlan = undefined;
      this.triesSinceBest = 0;
      return true;
    }
    if (compareScores(this.score, scoreWas) <= 0) return false;
    if (this.isNear(this.score) && this.isForgiven(this.score, scoreWas, draw)) {
      if (!this.bestPlan) {
        // The best is left for the first time: it is kept as it was, and the change made again.
        takeBack();
        const tried = [...touched].map((id) => [id, entryOf(this.pieces, id)] as const);
        for (const [id, standing] of was) this.pieces.set(id, standing);
        this.bestPlan = this.atHand();
        change();
        for (const [id, standing] of tried) this.pieces.set(id, standing);
      }
      return false;
    }
    takeBack();
    for (const [id, standing] of was) this.pieces.set(id, standing);
    this.score = scoreWas;
    return false;
  }

  /**
   * Which coats are put off until what they land on is dry through: mostly as it was, now and then none of a unit's, all of
   * its that would join, or one more or less.
   */
  private drawThrough(going: readonly PlannedOperation[], draw: Draw): ReadonlySet<string> {
    const was = this.draft.letDryThrough;
    if (draw(3) > 0) return was;
    const through = new Set(was);
    for (const key of new Set(going.map(unitKey))) {
      const own = entryOf(this.workload.coatsOnCoats, key);
      if (own.length === 0) continue;
      const how = draw(3);
      if (how === 2) {
        const { id } = nth(own, draw(own.length));
        if (!through.delete(id)) through.add(id);
        continue;
      }
      for (const { id, early } of own) {
        if (how === 1 && early === 'joins') through.add(id);
        else through.delete(id);
      }
    }
    return through;
  }

  /** An order to place passes in: as they were, unit by unit, or coat by coat over all units. */
  private order(inTime: readonly PlannedOperation[], draw: Draw): string[] {
    const rank = new Map<string, number>();
    for (const operation of inTime) rank.set(unitKey(operation), 0);
    for (const key of rank.keys()) rank.set(key, draw(1_000_000));
    const rankOf = (operation: PlannedOperation) => entryOf(rank, unitKey(operation));
    const how = draw(3);
    const sorted =
      how === 0
        ? inTime
        : how === 1
          ? [...inTime].sort((a, b) => rankOf(a) - rankOf(b) || 0)
          : [...inTime].sort((a, b) => a.stepIndex - b.stepIndex || a.coat - b.coat || rankOf(a) - rankOf(b));
    return sorted.map(({ id }) => id);
  }
}
