import { allowedFrom } from './allowed';
import type { EpochMinute } from '../../model/wallTime';
import { DraftState } from '../state/draftState';
import { gate } from './gates';
import { keptFit, stretchesKept } from './keptFit';
import { bestFit, trayFit, type Asked } from './fits';
import { unitKey, type Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { followersOf, isInTime, sessionAfter } from './fresh';
import { takeOutPasses } from './removals';
import { replayLog, type Lesson } from './replayLog';
import { linkBehind, type Busy, type Timeline } from '../state/timeline';
import { atOnce, type PlacingHabits, type DecodeOptions, plainHabits } from './decodeOptions';

/** A coat that something has to be done to while it is fresh is put off to this many other sessions at most. */
const MOST_SESSIONS_TRIED = 12;

/**
 * The plan while it is being made: what is placed where, on whose hands and on which rack, and how it dries. Passes are
 * placed one by one, each at its first good moment, and units can be taken out again with all that is planned on them.
 */
export class Draft extends DraftState {
  /** How passes are placed from now on. */
  habits: PlacingHabits;
  /** Passes placed from now on that do not begin before a moment, by id. */
  heldUntil: ReadonlyMap<string, EpochMinute> = new Map();
  /** Whose hands passes placed from now on are done by; whoever can first unless given. */
  byHands: string | undefined;
  /** Coats placed from now on that are put off until what they land on is dry through. */
  letDryThrough: ReadonlySet<string>;

  constructor(
    workload: Workload,
    private options: DecodeOptions,
  ) {
    super(workload, options.now, options.onlyPieces, options.timeFactors);
    this.habits = options.habits ?? plainHabits;
    this.letDryThrough = options.letDryThrough ?? new Set();
  }

  /** What has happened already; to be called before anything is placed. */
  replay(): Lesson[] {
    const lessons = replayLog(this, this.options.kept?.personOf ?? this.options.personOf);
    this.remember();
    this.reservePins();
    const pinned = [...this.reserved.values()];
    // What was planned for the time that a pin is given makes way for it.
    const isInTheWay = (line: Timeline, { start, end }: Busy) =>
      pinned.some((pin) => pin.line === line && pin.stretch.start < end && pin.stretch.end > start);
    if (this.options.kept)
      for (const { line, stretch } of stretchesKept(this, this.options.kept))
        if (!isInTheWay(line, stretch)) this.reserve(line, stretch);
    this.give(this.options.keepsTenth ?? false);
    return lessons;
  }

  /**
   * Lets go of what held passes to moments and people: from now on they are placed as is best.
   * @param keepsTenth a tenth of each session stays free
   */
  letGo(keepsTenth: boolean): void {
    this.habits = plainHabits;
    this.options = { now: this.now };
    this.give(keepsTenth);
  }

  /** How much of the sessions what is placed from now on may take. Who goes on with a plan may run over tonight, if they said so. */
  private give(keepsTenth: boolean): void {
    const isGoneOn = this.options.kept !== undefined;
    for (const line of this.hands) {
      const person = this.workload.build.people.find(({ id }) => id === line.id);
      line.give({ keepsTenth, overMinutes: isGoneOn ? (person?.overMinutes ?? 0) : 0 });
    }
  }

  private readonly reserved = new Map<string, { line: Timeline; stretch: Busy }>();

  /** Keeps the hands free for what is pinned to a moment. */
  private reservePins(): void {
    for (const [id, at] of this.workload.pins) {
      const operation = this.planned.get(id);
      if (!operation || operation.status !== 'planned' || at < this.now) continue;
      const minutes = operation.setUpMinutes + operation.workMinutes + operation.cleanUpMinutes;
      const line = this.hands.find((candidate) => candidate.firstFree(at, minutes) === at);
      if (!line) continue;
      this.reserve(line, { start: at, end: at + minutes, operation });
    }
  }

  private reserve(line: Timeline, stretch: Busy): void {
    const { id } = stretch.operation;
    if (this.reserved.has(id)) return;
    line.add(stretch);
    this.reserved.set(id, { line, stretch });
  }

  /** The moment all that goes before has ended; Infinity if it never will. */
  private from(operation: PlannedOperation): EpochMinute {
    const pin = this.workload.pins.get(operation.id);
    let at = Math.max(
      this.now,
      pin === undefined ? -Infinity : pin + operation.setUpMinutes,
      this.lastOn.get(unitKey(operation)) ?? -Infinity,
    );
    for (const id of operation.after) {
      const before = this.planned.get(id);
      if (before?.status === 'unplaced') return Infinity;
      const end = before ? (before.laidAt ?? before.end) : this.options.fixedEnds?.get(id);
      if (end !== undefined) at = Math.max(at, end);
    }
    // Parts that are joined to it have to be as ready for it as the piece itself.
    for (const key of operation.takesIn) {
      const part = this.units.get(key);
      if (part && at !== Infinity) at = gate(operation, part, at);
    }
    return at;
  }

  /** When all that goes before a pass and lies below it lets its work begin; Infinity for never. */
  opensAt(operation: PlannedOperation): EpochMinute {
    const from = this.from(operation);
    return from === Infinity ? Infinity : gate(operation, this.unitOf(operation), from);
  }

  /** Places what is not placed yet of some operations, in that order, what each waits for before it. */
  placeAll(ids: Iterable<string>): void {
    const visiting = new Set<string>();
    const visit = (id: string): void => {
      const operation = this.planned.get(id);
      if (!operation || operation.status !== 'planned' || this.placed.has(id) || visiting.has(id)) return;
      visiting.add(id);
      for (const before of operation.after) visit(before);
      visiting.delete(id);
      // What goes before it may have been placed with it.
      if (this.placed.has(id)) return;
      const followers = followersOf(this, operation);
      if (followers.length > 0) {
        this.placeWith(operation, followers);
        return;
      }
      const tray = this.restOfTray(operation);
      for (const other of tray) for (const before of other.after) visit(before);
      this.place(operation, -Infinity, 1 + tray.length);
      // The others right behind it, never in a gap before it.
      for (const other of tray) if (!this.placed.has(other.id)) this.place(other, operation.laidAt);
    };
    for (const id of ids) visit(id);
  }

  /** Places what is pinned, and what that waits for, as soon as can be: no habit and no older plan puts it off. */
  placePins(): void {
    const { habits } = this;
    this.habits = plainHabits;
    this.placeAll(this.workload.pins.keys());
    this.habits = habits;
  }

  /** The other units of a tray that get the same pass and have no place yet; none where something else says when they go on. */
  private restOfTray(operation: PlannedOperation): PlannedOperation[] {
    const { kept, personOf } = this.options;
    const isBound = ({ id }: PlannedOperation) =>
      kept?.beginsAt.has(id) === true ||
      personOf?.has(id) === true ||
      this.heldUntil.has(id) ||
      this.reserved.has(id);
    if (isBound(operation)) return [];
    return (this.workload.trays.get(operation.id) ?? []).flatMap((id) => {
      const other = id === operation.id ? undefined : this.planned.get(id);
      return other && other.status === 'planned' && !this.placed.has(id) && !isBound(other) ? [other] : [];
    });
  }

  /**
   * Puts a coat and what has to be done to it while it is fresh where all can be in time: if not at once, in one of the next
   * sessions; where none will do, the coat where it is best.
   */
  private placeWith(operation: PlannedOperation, followers: readonly PlannedOperation[]): void {
    const isWaiting = (one: PlannedOperation) =>
      one.after.some((id) => this.planned.has(id) && !this.placed.has(id));
    let notBefore = -Infinity;
    for (let tries = 0; tries < MOST_SESSIONS_TRIED; tries += 1) {
      this.place(operation, notBefore);
      const { laidAt } = operation;
      if (laidAt === undefined) {
        takeOutPasses(this, [operation]);
        break;
      }
      let areInTime = true;
      for (const follower of followers) {
        // What it waits for besides is placed later, which nobody can tell yet.
        if (follower.status !== 'planned' || isWaiting(follower)) return;
        this.place(follower);
        areInTime = isInTime(this, follower);
        if (!areInTime) break;
      }
      if (areInTime) return;
      const next = sessionAfter(this, operation);
      takeOutPasses(
        this,
        [operation, ...followers].filter(({ id }) => this.placed.has(id)),
      );
      if (next === Infinity) break;
      notBefore = next + operation.setUpMinutes;
    }
    this.place(operation);
  }

  /** When the last thing placed for somebody is done. */
  private readonly turns = new Map<string, EpochMinute>();

  /**
   * Puts one operation at its first good moment, its work not before the one given.
   * @param units with room behind it for the same on so many units in all, where any session has that
   */
  private place(operation: PlannedOperation, atSoonest = -Infinity, units = 1): void {
    const reservation = this.reserved.get(operation.id);
    if (reservation) {
      reservation.line.remove(reservation.stretch);
      this.reserved.delete(operation.id);
    }
    const soonest = Math.max(this.from(operation), atSoonest);
    const { kept, keepsTurns, personOf } = this.options;
    const notBefore = this.workload.pins.has(operation.id)
      ? -Infinity
      : (this.options.notBefore?.get(operation.id) ??
        kept?.beginsAt.get(operation.id) ??
        this.heldUntil.get(operation.id) ??
        -Infinity);
    const turn = this.turns.get(personOf?.get(operation.id) ?? '') ?? -Infinity;
    const from = Math.max(soonest, notBefore, keepsTurns ? turn : -Infinity);
    operation.letsDryThrough = operation.mustDryThrough || this.letDryThrough.has(operation.id);
    const asKept = kept && from !== Infinity ? keptFit(this, operation, soonest, kept) : undefined;
    const fit = asKept ?? (from === Infinity ? undefined : trayFit(this, this.asked(operation, from), units));
    const reason = kept?.reasons?.get(operation.id);
    operation.boundBy = fit?.boundBy ?? 'order';
    // What it was put there for holds while it stays there.
    if (asKept && reason?.at === notBefore) operation.boundBy = reason.why;
    else if (fit && notBefore > soonest && this.options.explain) {
      const free = bestFit(this, this.asked(operation, soonest));
      operation.boundBy = free.laidAt < fit.laidAt ? 'choice' : free.boundBy;
    }
    if (!fit || !fit.line || fit.start === Infinity) {
      operation.status = 'unplaced';
      this.placed.add(operation.id);
      return;
    }
    // It may have been let begin long before there was time for it; asked of the coats that lie there now.
    operation.opensAt = gate(operation, this.unitOf(operation), soonest, operation.letsDryThrough);
    const { line, start, laidAt, joins, mixedAt } = fit;
    // What is held back to meet others could begin sooner, unless it was only just let.
    if (!asKept && this.heldUntil.has(operation.id) && notBefore > soonest)
      operation.boundBy = operation.opensAt >= laidAt - operation.workMinutes ? 'drying' : 'choice';
    const end = laidAt + operation.cleanUpMinutes;
    this.settle(operation, 'planned', start, laidAt, end);
    operation.personId = line.id;
    if (!kept?.beginsAt.has(operation.id))
      this.turns.set(line.id, Math.max(laidAt, this.turns.get(line.id) ?? -Infinity));
    const stretch: Busy = { start, end, operation, mixedAt, joined: undefined, joinedBy: undefined };
    if (joins) linkBehind(stretch, joins);
    line.add(stretch);
    this.where.set(operation.id, { line, stretch });
    this.lay(operation, laidAt);
  }

  /** What is asked for a pass: who may do it, and how far it may be put off to share a set-up. */
  private asked(operation: PlannedOperation, from: EpochMinute): Asked {
    const personId = this.options.personOf?.get(operation.id) ?? this.byHands;
    // What is pinned is never put off, not by minutes to share a set-up.
    const habits = this.workload.pins.has(operation.id) ? atOnce : this.habits;
    return { operation, from, personId, habits };
  }

  /**
   * Whether an operation could be begun at a moment by somebody who happens to be there: what lies below takes it already, and
   * still once it is set up; the hours of its place, quiet, the rack and the air allow it. Nobody's free time is asked.
   */
  canBegin(operation: PlannedOperation, at: EpochMinute, letsDryThrough: boolean): boolean {
    const opensAt = (asked: EpochMinute) => gate(operation, this.unitOf(operation), asked, letsDryThrough);
    const work = at + operation.setUpMinutes;
    return (
      opensAt(at) <= at &&
      opensAt(work) <= work &&
      allowedFrom(this, operation, undefined, at, operation.setUpMinutes).start <= at
    );
  }
}
