import { type Draft } from '../place/draft';
import { removed, goAlong, takeOut, type Removals } from '../place/removals';
import { unitKey, type Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { compareScores, standingOf, sumUp, type PieceStanding, type Score, type ScoreGround } from './score';
import { plainHabits, type PlacingHabits } from '../place/decodeOptions';
import { unitOf, isOpen, type Draw, cutsOf, least } from './drawn';
import { entryOf, nth } from '../../model/sure';

/** More passes than this are not taken out at once: what is taken out has to be placed again. */
const MOST_PASSES = 160;

/** How work is placed again, drawn anew each time: mostly at once, sometimes with more patience for the sake of batches. */
const habits: readonly PlacingHabits[] = [
  plainHabits,
  { joinPatienceMinutes: 240, usedSessionsOnly: false },
  { joinPatienceMinutes: 1440, usedSessionsOnly: true },
  { joinPatienceMinutes: 4320, usedSessionsOnly: true },
  { joinPatienceMinutes: 10_080, usedSessionsOnly: true },
];

/** One try in so many holds passes back, */
const HOLD_ONE_IN = 3;
/** by so many minutes at most, or to one of so many sessions that follow. */
const MOST_MINUTES_HELD = 90;
const MOST_SESSIONS_HELD = 8;

/** A plan with so many more sessions and set-ups than the best may be gone on from, so as to get away from it. */
const LEEWAY = 1;
/** That is done with one in so many that are worse. */
const LEAVE_ONE_IN = 4;
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
  private readonly workload: Workload;
  private readonly pieces: Map<string, PieceStanding>;
  private readonly movable: string[];
  private readonly isMovable: ReadonlySet<string>;
  private readonly operationsOf = new Map<string, PlannedOperation[]>();

  /**
   * @param draft a plan that was placed after `remember`
   * @param only the units, `piece/unit`, that may be taken out; all unless given
   */
  constructor(
    readonly draft: Draft,
    private readonly ground: ScoreGround,
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
    return standingOf(this.ground, piece, this.operationsOf.get(pieceId) ?? [], this.draft.units);
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

  /** Whether a plan is worth going on from though it is worse than the best. */
  private isNear(score: Score): boolean {
    const { best } = this;
    if (this.triesSinceBest < this.movable.length ** 2 / PATIENCE) return false;
    return (
      score.unplaced === best.unplaced &&
      score.late <= best.late &&
      score.lacking <= best.lacking &&
      score.sessions <= best.sessions + LEEWAY
    );
  }

  /** Tries one change; true when that gives the best plan yet. What is as good as before is kept too, to get on. */
  try(draw: Draw): boolean {
    const picked = this.pick(draw);
    // Half the time all that is planned on those units goes.
    const removals = goAlong(
      this.draft,
      draw(2) === 0 ? picked : new Map([...picked.keys()].map((key) => [key, -Infinity])),
    );
    const going = removed(this.draft, removals);
    const canGo = going.length > 0 && going.length <= MOST_PASSES;
    if (!canGo || [...removals.keys()].some((key) => !this.isMovable.has(key))) return false;
    // A whole is ready with its parts.
    const touched = new Set(
      going.flatMap(({ pieceId }) => [pieceId, ...(this.workload.wholesOf.get(pieceId) ?? [])]),
    );
    const was = [...touched].map((id) => [id, entryOf(this.pieces, id)] as const);
    const scoreWas = this.score;
    // In the order they were, which what is drawn next changes.
    const inTime = going.sort((a, b) => (a.laidAt ?? Infinity) - (b.laidAt ?? Infinity) || 0);
    const order = this.order(inTime, draw);
    const throughWas = this.draft.letDryThrough;
    const through = this.drawThrough(going, draw);
    const drawn = nth(habits, draw(habits.length));
    const heldUntil = this.drawHolds(inTime, draw);
    const change = () => {
      const putBack = takeOut(this.draft, removals);
      this.draft.habits = drawn;
      this.draft.letDryThrough = through;
      this.draft.heldUntil = heldUntil;
      this.draft.placeAll(order);
      this.draft.heldUntil = new Map();
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
    if (this.isNear(this.score) && draw(LEAVE_ONE_IN) === 0) {
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

  /** Where to cut: passes that may have something to do with each other, and what comes after them on their units. */
  private pick(draw: Draw): Removals {
    const any = <T>(list: readonly T[]): T => nth(list, draw(list.length));
    if (this.movable.length === 0) return new Map();
    const some = (list: readonly string[], count: number): Removals =>
      new Map(Array.from({ length: count }, () => this.cutAtRandom(any(list), draw)));
    switch (draw(5)) {
      case 0:
        return some(this.movable, 1 + draw(3));
      case 1: {
        // Everything of a session with little in it, in the hope that it can do without.
        const sessions = this.draft.sessions();
        return sessions.length === 0 ? new Map() : cutsOf(least(sessions, draw));
      }
      case 2: {
        // A short batch, in the hope that it fits into another.
        const batches = this.draft.batches();
        return batches.length === 0 ? new Map() : cutsOf(least(batches, draw));
      }
      case 3: {
        // Passes with the same things.
        const { batchKey } = any(entryOf(this.workload.byUnit, any(this.movable)));
        const kin = [...this.draft.planned.values()].filter(
          (one) => one.batchKey === batchKey && one.status === 'planned',
        );
        return kin.length === 0
          ? new Map()
          : cutsOf(Array.from({ length: 2 + draw(4) }, () => ({ operation: any(kin) })));
      }
      default: {
        // The piece that is worst off, with some others in its way.
        const worst = [...this.pieces].reduce((a, b) =>
          b[1].late > a[1].late || (b[1].late === a[1].late && b[1].slack < a[1].slack) ? b : a,
        )[0];
        const own = this.movable.filter(
          (key) => nth(entryOf(this.workload.byUnit, key), 0).pieceId === worst,
        );
        return own.length === 0 ? new Map() : new Map([...some(own, 1), ...some(this.movable, draw(3))]);
      }
    }
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

  /**
   * Until when the first pass of each unit is held back, now and then: until a session begins in the coming days, until
   * something with the same things is done, or for some minutes. What waits may share a set-up, or leave an evening free.
   */
  private drawHolds(inTime: readonly PlannedOperation[], draw: Draw): ReadonlyMap<string, number> {
    const held = new Map<string, number>();
    if (draw(HOLD_ONE_IN) > 0) return held;
    const [first] = inTime;
    if (!first?.laidAt) return held;
    const together = draw(2) === 0;
    const moment = (operation: PlannedOperation): number => {
      const { laidAt = this.ground.now, workMinutes, rinseKey } = operation;
      const begins = laidAt - workMinutes;
      const how = draw(3);
      if (how === 0) return begins + 5 * (1 + draw(MOST_MINUTES_HELD / 5));
      if (how === 1) {
        const kin = [...this.draft.planned.values()].filter(
          (one) =>
            one.rinseKey === rinseKey && one.laidAt !== undefined && one.laidAt > begins && one !== operation,
        );
        if (kin.length > 0) return nth(kin, draw(kin.length)).laidAt ?? begins;
      }
      const sessions = this.draft
        .sessions()
        .flatMap(([one]) => (one && one.start > begins ? [one.start] : []));
      return sessions.length > 0
        ? nth(sessions, draw(Math.min(sessions.length, MOST_SESSIONS_HELD)))
        : begins;
    };
    const all = moment(first);
    const seen = new Set<string>();
    for (const operation of inTime) {
      const key = unitKey(operation);
      if (seen.has(key)) continue;
      seen.add(key);
      held.set(operation.id, together ? all : moment(operation));
    }
    return held;
  }

  /** A unit with the moment of one of its passes. */
  private cutAtRandom(key: string, draw: Draw): [string, number] {
    const own = entryOf(this.workload.byUnit, key);
    const { laidAt = -Infinity } = entryOf(this.draft.planned, nth(own, draw(own.length)).id);
    return [key, laidAt];
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
