import { filmFactor } from '../drying/film';
import { parseRecoat } from '../materials/material';
import { operationId, type Operation } from '../stack/operations';
import { epochMinute, type EpochMinute } from '../time/wallTime';
import { gate, type Binding } from './gates';
import { firstGoodAir } from './goodAir';
import { unitKey, type PlanningGround } from './ground';
import type { PlannedOperation } from './plan';
import { Rack, type Span } from './rack';
import { endAt, startAt, Timeline, type Busy } from './timeline';
import { UnitState, type TouchLesson } from './unitState';

/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** A pass may begin this long after the one whose set-up it shares. */
const BATCH_GAP_MINUTES = 3;
/** A start is pushed by one constraint after another; more rounds than this would mean they chase each other. */
const MOST_ROUNDS = 400;

/** What a run of the planner may be asked to leave out or take as given. */
export interface DecodeOptions {
  now: EpochMinute;
  /** Only these pieces are planned; others keep the ends given in `fixedEnds`. */
  onlyPieces?: ReadonlySet<string>;
  fixedEnds?: ReadonlyMap<string, EpochMinute>;
  /** How much longer than the label each material takes, by id; for trying uncertain futures. */
  timeFactors?: ReadonlyMap<string, number>;
  /** Moments before which operations do not begin, by id. */
  notBefore?: ReadonlyMap<string, EpochMinute>;
  /** Who does an operation, by its id, where that is given. */
  personOf?: ReadonlyMap<string, string>;
  /** How passes are placed; as soon as can be unless said otherwise. */
  habits?: PlacingHabits;
  /** Works out what really keeps each pass from beginning sooner, where `notBefore` put it. */
  explain?: boolean;
}

/** How much sooner a pass could be and still be put off, for the good of the whole plan. */
export interface PlacingHabits {
  /** A pass is put off by this many minutes, and no more, to share set-up and clean-up with others. */
  joinPatienceMinutes: number;
  /** Work goes into sessions that have some already, where it fits into one at all. */
  usedSessionsOnly: boolean;
}

/** Passes are placed as soon as can be, but for a few minutes to share a set-up. */
export const plainHabits: PlacingHabits = { joinPatienceMinutes: 20, usedSessionsOnly: false };

/** What a touch test showed, and when. */
export type Lesson = TouchLesson & { at: EpochMinute };

/** Steps that run a compressor or a sander. */
const isLoud = (operation: PlannedOperation) =>
  operation.method === 'airbrush' || operation.method === 'sand';
const takesPlace = (operation: PlannedOperation) =>
  operation.material !== undefined && operation.material.role !== 'bond';

/** An operation that has no place in time yet. Spelled out, as a spread of so many fields takes a hundred times as long. */
const unplanned = (operation: Operation): PlannedOperation => ({
  id: operation.id,
  pieceId: operation.pieceId,
  unit: operation.unit,
  stepId: operation.stepId,
  stepIndex: operation.stepIndex,
  kind: operation.kind,
  coat: operation.coat,
  coats: operation.coats,
  face: operation.face,
  material: operation.material,
  method: operation.method,
  film: operation.film,
  filmFactor: operation.filmFactor,
  wetUm: operation.wetUm,
  colour: operation.colour,
  cells: operation.cells,
  areaCm2: operation.areaCm2,
  placeId: operation.placeId,
  air: operation.air,
  after: operation.after,
  batchKey: operation.batchKey,
  optional: operation.optional,
  waitsForCure: operation.waitsForCure,
  setUpMinutes: operation.setUpMinutes,
  workMinutes: operation.workMinutes,
  cleanUpMinutes: operation.cleanUpMinutes,
  status: 'planned',
  personId: undefined,
  start: undefined,
  laidAt: undefined,
  end: undefined,
  boundBy: undefined,
  failures: 0,
});

/** How a unit stands: what lies on it, when it was last touched, and when it is on which rack. */
interface UnitStanding {
  state: UnitState;
  lastOn: EpochMinute | undefined;
  stays: (readonly [place: string, stays: Span[]])[];
}

/** From when on each unit, `piece/unit`, is taken out of the plan. */
export type Cuts = ReadonlyMap<string, EpochMinute>;

/** A stretch that would lose its set-up, and from when hands are free before it. */
interface Orphan {
  orphan: Busy;
  freeFrom: EpochMinute;
}

/** A stretch and those that share its set-up behind it. */
function chainOf(stretch: Busy): Busy[] {
  const chain = [stretch];
  for (let next = stretch.joinedBy; next; next = next.joinedBy) chain.push(next);
  return chain;
}

/** What placing an operation sets. */
const placeOf = ({ status, personId, start, laidAt, end, boundBy }: PlannedOperation) => ({
  status,
  personId,
  start,
  laidAt,
  end,
  boundBy,
});

interface Fit {
  start: EpochMinute;
  laidAt: EpochMinute;
  line: Timeline | undefined;
  boundBy: Binding | 'choice';
  /** The stretch whose set-up and clean-up it shares. */
  joins: Busy | undefined;
}

/**
 * The plan while it is being made: what is placed where, on whose hands and on which rack, and how it dries. Passes are
 * placed one by one, each at its first good moment, and units can be taken out again with all that is planned on them.
 */
export class Board {
  readonly planned = new Map<string, PlannedOperation>();
  readonly units = new Map<string, UnitState>();
  readonly placed = new Set<string>();
  private readonly lines: Timeline[];
  private readonly racks: Map<string, Rack>;
  /** When the last thing was done to each unit: passes on one unit are placed in the order they happen. */
  private readonly lastOn = new Map<string, EpochMinute>();
  /** Where each placed pass stands on somebody's hands. */
  private readonly where = new Map<string, { line: Timeline; stretch: Busy }>();
  /** How passes are placed from now on. */
  habits: PlacingHabits;

  constructor(
    private readonly ground: PlanningGround,
    private options: DecodeOptions,
  ) {
    this.habits = options.habits ?? plainHabits;
    this.lines = ground.people.map((person) => {
      const line = new Timeline(person.id, person.calendar);
      line.startAt(options.now - 1440);
      return line;
    });
    this.racks = new Map([...ground.slots].map(([place, slots]) => [place, new Rack(slots)]));
    for (const operation of ground.operations) {
      if (options.onlyPieces && !options.onlyPieces.has(operation.pieceId)) continue;
      const planned = unplanned(operation);
      this.planned.set(operation.id, planned);
      const key = unitKey(planned);
      if (!this.units.has(key)) this.units.set(key, new UnitState(options.timeFactors));
    }
  }

  private find(spot: Parameters<typeof operationId>[0]): PlannedOperation | undefined {
    return this.planned.get(operationId(spot)) ?? this.planned.get(operationId({ ...spot, face: undefined }));
  }

  private settle(
    operation: PlannedOperation,
    status: PlannedOperation['status'],
    start: EpochMinute,
    laidAt: EpochMinute,
    end: EpochMinute,
  ): void {
    operation.status = status;
    operation.start = start;
    operation.laidAt = laidAt;
    operation.end = end;
    this.placed.add(operation.id);
    const key = unitKey(operation);
    this.lastOn.set(key, Math.max(laidAt, this.lastOn.get(key) ?? -Infinity));
  }

  /** A coat on a unit: it dries, and takes a place on the rack until it can be handled. */
  private lay(operation: PlannedOperation, laidAt: EpochMinute, film = operation.filmFactor): void {
    const key = unitKey(operation);
    const unit = this.units.get(key)!;
    unit.lay(operation, laidAt, this.ground.airs.get(operation.placeId)!, film);
    if (!takesPlace(operation)) return;
    const until = unit.latest(operation.cells, (stack) => stack.handleAt);
    this.racks.get(operation.placeId)?.take(key, laidAt, until);
  }

  /** How each unit stood before anything was planned on it. */
  private readonly before = new Map<string, UnitStanding>();

  private standingOf(key: string): UnitStanding {
    return {
      state: this.units.get(key)!,
      lastOn: this.lastOn.get(key),
      stays: [...this.racks].map(([place, rack]) => [place, [...rack.staysOf(key)]]),
    };
  }
  private standAgain(key: string, { state, lastOn, stays }: UnitStanding): void {
    this.units.set(key, state);
    if (lastOn === undefined) this.lastOn.delete(key);
    else this.lastOn.set(key, lastOn);
    for (const [place, spans] of stays) this.racks.get(place)!.putBack(key, spans);
  }

  /** Lets go of what held passes to moments and people: from now on they are placed as is best. */
  letGo(): void {
    this.habits = plainHabits;
    const { now, timeFactors } = this.options;
    this.options = { now, ...(timeFactors ? { timeFactors } : {}) };
  }

  /** Whether a pass is taken out with these cuts. */
  private goes(operation: PlannedOperation, cuts: Cuts): boolean {
    const cut = cuts.get(unitKey(operation));
    return (
      cut !== undefined &&
      (operation.status === 'unplaced' ||
        (operation.status === 'planned' && (operation.laidAt ?? Infinity) >= cut))
    );
  }

  /**
   * The cuts that have to be made when some are: also on units that wait for what goes, and on those left without a set-up
   * for which the freed time is too short.
   */
  goAlong(wanted: Cuts): Cuts {
    const cuts = new Map(wanted);
    const open = [...cuts.keys()];
    const cut = (operation: PlannedOperation) => {
      const key = unitKey(operation);
      const at = operation.laidAt ?? Infinity;
      if (at >= (cuts.get(key) ?? Infinity)) return;
      cuts.set(key, at);
      open.push(key);
    };
    for (let key = open.pop(); key !== undefined; key = open.pop()) {
      for (const { id } of this.ground.byUnit.get(key) ?? []) {
        const operation = this.planned.get(id);
        if (!operation || !this.goes(operation, cuts)) continue;
        const gap = this.orphan(id, cuts);
        if (gap && gap.orphan.start - gap.freeFrom < gap.orphan.operation.setUpMinutes)
          cut(gap.orphan.operation);
        for (const followerKey of this.ground.unitsAfter.get(key) ?? [])
          for (const follower of this.ground.byUnit.get(followerKey)!)
            if (follower.after.includes(id)) cut(this.planned.get(follower.id)!);
      }
    }
    return cuts;
  }

  /** The stretch that loses its set-up when a pass goes, and from when hands are free before it. */
  private orphan(id: string, cuts: Cuts): Orphan | undefined {
    const stretch = this.where.get(id)?.stretch;
    const orphan = stretch?.joinedBy;
    if (!stretch || !orphan || this.goes(orphan.operation, cuts)) return undefined;
    let first = stretch;
    while (first.joined && this.goes(first.joined.operation, cuts)) first = first.joined;
    const kept = first.joined;
    return {
      orphan,
      freeFrom: kept ? kept.operation.laidAt! + kept.operation.cleanUpMinutes : first.start,
    };
  }

  /** What some cuts take out, `goAlong` asked before. */
  cutOut(cuts: Cuts): PlannedOperation[] {
    return [...cuts.keys()].flatMap((key) =>
      this.ground.byUnit.get(key)!.flatMap(({ id }) => {
        const operation = this.planned.get(id);
        return operation && this.goes(operation, cuts) ? [operation] : [];
      }),
    );
  }

  /**
   * Takes what is planned on some units from a moment on out of the plan; `cuts` has to hold all that `goAlong` names. What
   * shared a set-up with it gets its own. Returns how to put everything back as it was, whatever was placed since.
   */
  takeOut(cuts: Cuts): () => void {
    const operations = this.cutOut(cuts);
    const gone = new Set(operations);
    const standings = [...cuts.keys()].map((key) => [key, this.standingOf(key)] as const);
    const taken = operations.map((operation) => ({
      operation,
      fields: placeOf(operation),
      at: this.where.get(operation.id),
    }));
    const orphans = operations.flatMap(({ id }) => this.orphan(id, cuts) ?? []);
    const tails = operations.flatMap(({ id }) => {
      const kept = this.where.get(id)?.stretch.joined;
      return kept && !gone.has(kept.operation) ? [kept] : [];
    });
    const wasTails = tails.map((kept) => ({ kept, end: kept.end, joinedBy: kept.joinedBy }));
    const wasOrphans = orphans.map(({ orphan }) => ({
      orphan,
      start: orphan.start,
      mixes: chainOf(orphan).map((one) => [one, one.mixedAt] as const),
      joined: orphan.joined,
    }));

    for (const { operation, at } of taken) {
      at?.line.remove(at.stretch);
      this.forget(operation);
    }
    for (const kept of tails) {
      kept.joinedBy = undefined;
      endAt(kept, kept.operation.laidAt! + kept.operation.cleanUpMinutes);
    }
    for (const { orphan } of orphans) {
      const mixedAt = orphan.start;
      orphan.joined = undefined;
      startAt(orphan, orphan.start - orphan.operation.setUpMinutes);
      for (const one of chainOf(orphan)) one.mixedAt = mixedAt;
    }
    for (const key of cuts.keys()) this.standAsKept(key);

    return () => {
      for (const operation of operations) {
        const now = this.where.get(operation.id);
        if (!now) continue;
        now.line.remove(now.stretch);
        const { joined } = now.stretch;
        if (joined && !gone.has(joined.operation)) {
          joined.joinedBy = undefined;
          endAt(joined, joined.operation.laidAt! + joined.operation.cleanUpMinutes);
        }
      }
      for (const { orphan, start, mixes, joined } of wasOrphans) {
        orphan.joined = joined;
        startAt(orphan, start);
        for (const [one, mixedAt] of mixes) one.mixedAt = mixedAt;
      }
      for (const { kept, end, joinedBy } of wasTails) {
        kept.joinedBy = joinedBy;
        endAt(kept, end);
      }
      for (const { operation, fields, at } of taken) {
        Object.assign(operation, fields);
        this.placed.add(operation.id);
        if (at) {
          at.line.add(at.stretch);
          this.where.set(operation.id, at);
        } else this.where.delete(operation.id);
      }
      for (const [key, standing] of standings) this.standAgain(key, standing);
    };
  }

  /** Stands a unit as what is still planned on it leaves it. */
  private standAsKept(key: string): void {
    const before = this.before.get(key)!;
    this.standAgain(key, { ...before, state: before.state.clone() });
    const kept = this.ground.byUnit.get(key)!.flatMap(({ id }) => {
      const operation = this.planned.get(id);
      return operation?.status === 'planned' && operation.laidAt !== undefined ? [operation] : [];
    });
    for (const operation of kept.sort((a, b) => a.laidAt! - b.laidAt!)) {
      this.lastOn.set(key, Math.max(operation.laidAt!, this.lastOn.get(key) ?? -Infinity));
      this.lay(operation, operation.laidAt!);
    }
  }

  private forget(operation: PlannedOperation): void {
    operation.status = 'planned';
    operation.personId = undefined;
    operation.start = undefined;
    operation.laidAt = undefined;
    operation.end = undefined;
    operation.boundBy = undefined;
    this.placed.delete(operation.id);
    this.where.delete(operation.id);
  }

  /** How many sessions hold planned work, and set-ups. */
  tally(): number {
    return this.lines.reduce((sum, line) => {
      const { sessions, setUps } = line.tally();
      return sum + sessions + setUps;
    }, 0);
  }

  /** What is done in each session that is used, by anybody. */
  sessions(): Busy[][] {
    return this.lines.flatMap((line) => line.used());
  }

  /** The passes of each batch, those that stand alone included. */
  batches(): Busy[][] {
    return this.sessions().flatMap((session) => session.filter((one) => !one.joined).map(chainOf));
  }

  /** How full the rack of a place is over time. */
  rackOf(placeId: string): readonly (readonly [from: EpochMinute, units: number])[] {
    return this.racks.get(placeId)?.steps() ?? [];
  }

  /** Everything as it is now, kept from what happens to the board later. */
  copy(): { operations: PlannedOperation[]; units: Map<string, UnitState> } {
    return {
      operations: [...this.planned.values()].map((operation) => ({ ...operation })),
      units: new Map(this.units),
    };
  }

  /** What the log, touch tests and passes under way say has happened, in the order it happened. */
  replay(): Lesson[] {
    const { ground } = this;
    const { now } = this.options;
    for (const { entry, doneAt, startedAt } of ground.log) {
      const operation = this.find(entry);
      if (!operation || operation.status === 'done') continue;
      const { workMinutes } = ground.byId.get(operation.id)!;
      const own = entry.material === undefined ? undefined : ground.materials.get(entry.material);
      const laid = {
        ...operation,
        material: own ?? operation.material,
        placeId: entry.place ?? operation.placeId,
      };
      this.lay(laid, doneAt, entry.film ? filmFactor[entry.film] : undefined);
      if (entry.outcome === 'failed') {
        // What was laid is there; the pass is to do again, after sanding back.
        operation.failures += 1;
        operation.workMinutes = workMinutes + SAND_BACK_MINUTES;
        continue;
      }
      Object.assign(operation, { material: laid.material, placeId: laid.placeId, workMinutes });
      this.settle(operation, 'done', startedAt ?? doneAt - workMinutes, doneAt, doneAt);
    }
    const lessons = ground.touchTests.flatMap(({ test, at }) =>
      (this.units.get(`${test.piece}/${test.unit}`)?.correct(test, at, test.state) ?? []).map((lesson) => ({
        ...lesson,
        at,
      })),
    );
    this.skipPassedOver();
    for (const started of ground.build.underway ?? []) {
      const operation = this.find(started);
      if (!operation || operation.status !== 'planned') continue;
      const start = epochMinute(started.startedAt, ground.build.timeZone);
      const paused = started.pausedMinutes ?? 0;
      const laidAt = Math.max(now, start + paused + operation.setUpMinutes + operation.workMinutes);
      this.settle(operation, 'underway', start, laidAt, laidAt + operation.cleanUpMinutes);
      this.lay(operation, laidAt);
      // Passes of one batch run side by side in the log; the first free pair of hands has them.
      const line =
        this.lines.find((candidate) => candidate.firstFree(start, operation.end! - start) === start) ??
        this.lines[0];
      if (line) {
        operation.personId = line.id;
        line.add({ start, end: operation.end!, operation });
      }
    }
    for (const [key, state] of this.units)
      this.before.set(key, { ...this.standingOf(key), state: state.clone() });
    this.reservePins();
    return lessons;
  }

  /** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more. */
  private skipPassedOver(): void {
    const visit = (operation: PlannedOperation, from: PlannedOperation, seen: Set<string>) => {
      for (const id of operation.after) {
        const before = this.planned.get(id);
        if (!before || seen.has(id) || before.pieceId !== from.pieceId || before.unit !== from.unit) continue;
        seen.add(id);
        if (before.status === 'planned' && before.stepId !== from.stepId) {
          before.status = 'skipped';
          this.placed.add(id);
        }
        visit(before, from, seen);
      }
    };
    for (const operation of this.planned.values())
      if (operation.status === 'done') visit(operation, operation, new Set());
  }

  private readonly reserved = new Map<string, { line: Timeline; stretch: Busy }>();

  /** Keeps the hands free for what is pinned to a moment. */
  private reservePins(): void {
    for (const [id, at] of this.ground.pins) {
      const operation = this.planned.get(id);
      if (!operation || operation.status !== 'planned' || at < this.options.now) continue;
      const minutes = operation.setUpMinutes + operation.workMinutes + operation.cleanUpMinutes;
      const line = this.lines.find((candidate) => candidate.firstFree(at, minutes) === at);
      if (!line) continue;
      const stretch = { start: at, end: at + minutes, operation };
      line.add(stretch);
      this.reserved.set(id, { line, stretch });
    }
  }

  /** The moment all that goes before has ended; Infinity if it never will. */
  private from(operation: PlannedOperation): EpochMinute {
    const pin = this.ground.pins.get(operation.id);
    let at = Math.max(
      this.options.now,
      pin === undefined ? -Infinity : pin + operation.setUpMinutes,
      this.lastOn.get(unitKey(operation)) ?? -Infinity,
    );
    for (const id of operation.after) {
      const before = this.planned.get(id);
      if (before?.status === 'unplaced') return Infinity;
      const end = before ? (before.laidAt ?? before.end) : this.options.fixedEnds?.get(id);
      if (end !== undefined) at = Math.max(at, end);
    }
    return at;
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
      this.place(operation);
    };
    for (const id of ids) visit(id);
  }

  /** Puts one operation at its first good moment. */
  private place(operation: PlannedOperation): void {
    const reservation = this.reserved.get(operation.id);
    if (reservation) {
      reservation.line.remove(reservation.stretch);
      this.reserved.delete(operation.id);
    }
    const soonest = this.from(operation);
    const notBefore = this.options.notBefore?.get(operation.id) ?? -Infinity;
    const from = Math.max(soonest, notBefore);
    const fit = from === Infinity ? undefined : this.bestFit(operation, from);
    operation.boundBy = fit?.boundBy ?? 'order';
    if (fit && notBefore > soonest && this.options.explain) {
      const free = this.bestFit(operation, soonest);
      operation.boundBy = free.laidAt < fit.laidAt ? 'choice' : free.boundBy;
    }
    if (!fit || !fit.line || fit.start === Infinity) {
      operation.status = 'unplaced';
      this.placed.add(operation.id);
      return;
    }
    const { line, start, laidAt, joins } = fit;
    const end = laidAt + operation.cleanUpMinutes;
    this.settle(operation, 'planned', start, laidAt, end);
    operation.personId = line.id;
    const mixedAt = joins?.mixedAt ?? laidAt - operation.workMinutes;
    const stretch: Busy = { start, end, operation, mixedAt, joined: joins, joinedBy: undefined };
    if (joins) {
      endAt(joins, start);
      joins.joinedBy = stretch;
    }
    line.add(stretch);
    this.where.set(operation.id, { line, stretch });
    this.lay(operation, laidAt);
  }

  private bestFit(operation: PlannedOperation, from: EpochMinute): Fit {
    const wanted = this.options.personOf?.get(operation.id);
    let best: Fit = {
      start: Infinity,
      laidAt: Infinity,
      line: undefined,
      boundBy: 'hands',
      joins: undefined,
    };
    for (const line of this.lines) {
      if (wanted !== undefined && line.id !== wanted) continue;
      const fresh = this.freshFit(operation, from, line, best.laidAt);
      if (fresh.laidAt < best.laidAt || best.line === undefined) best = fresh;
    }
    const soonest = best.laidAt;
    const latest = soonest + this.habits.joinPatienceMinutes;
    for (const line of this.lines) {
      if (wanted !== undefined && line.id !== wanted) continue;
      const joining = this.joiningFit(operation, from, line, latest);
      if (joining && (!best.joins || joining.laidAt < best.laidAt)) best = joining;
    }
    if (best.laidAt > soonest + plainHabits.joinPatienceMinutes) best.boundBy = 'choice';
    return best;
  }

  /** The first start by one person with a set-up of its own. Gives up beyond `limit`. */
  private freshFit(operation: PlannedOperation, from: EpochMinute, line: Timeline, limit: EpochMinute): Fit {
    const { setUpMinutes, workMinutes, cleanUpMinutes } = operation;
    const total = setUpMinutes + workMinutes + cleanUpMinutes;
    const unit = this.units.get(unitKey(operation))!;
    const { now } = this.options;
    let start = Math.max(from - setUpMinutes, now);
    let boundBy: Binding | 'choice' = start === now ? 'start' : 'order';
    for (let round = 0; round < MOST_ROUNDS && start !== Infinity; round += 1) {
      const before = start;
      const opened = gate(operation, unit, start + setUpMinutes) - setUpMinutes;
      if (opened > start) [start, boundBy] = [opened, opened === Infinity ? 'window' : 'drying'];
      if (start === Infinity || start + setUpMinutes + workMinutes > limit) break;
      const [free, why] = this.freeFrom(line, start, total);
      if (free > start) [start, boundBy] = [free, why];
      const allowed = this.allowedFrom(operation, start, setUpMinutes);
      if (allowed.start > start) ({ start, boundBy } = allowed);
      if (start === before) break;
    }
    return { start, laidAt: start + setUpMinutes + workMinutes, line, boundBy, joins: undefined };
  }

  /** The first free moment on somebody's hands, in sessions that are used already where that is the habit. */
  private freeFrom(line: Timeline, from: EpochMinute, minutes: number): [EpochMinute, Binding | 'choice'] {
    const soonest = line.firstFree(from, minutes);
    if (!this.habits.usedSessionsOnly) return [soonest, 'hands'];
    const used = line.firstFree(from, minutes, true);
    return used === Infinity || used === soonest ? [soonest, 'hands'] : [used, 'choice'];
  }

  /** Pushes a start by hours, quiet, rack and air. */
  private allowedFrom(
    operation: PlannedOperation,
    from: EpochMinute,
    setUp: number,
  ): { start: EpochMinute; boundBy: Binding } {
    const { ground } = this;
    const { material, workMinutes, cleanUpMinutes, placeId } = operation;
    const total = setUp + workMinutes + cleanUpMinutes;
    let start = from;
    let boundBy: Binding = 'hands';
    const push = (to: EpochMinute, why: Binding) => {
      if (to > start) [start, boundBy] = [to, why];
    };
    push(ground.placeHours.get(placeId)!.firstFit(start, total), 'place');
    if (start !== Infinity && ground.loudHours && isLoud(operation))
      push(ground.loudHours.firstFit(start, total), 'quiet');
    if (start === Infinity || !material) return { start, boundBy };
    const air = ground.airs.get(placeId)!;
    if (takesPlace(operation)) {
      const laidAt = start + setUp + workMinutes;
      const rack = this.racks.get(placeId);
      const unit = unitKey(operation);
      if (rack?.mayBeFull(laidAt))
        push(
          Math.ceil(rack.firstFree(unit, laidAt, this.handleMinutes(operation, laidAt))) -
            setUp -
            workMinutes,
          'rack',
        );
    }
    const touch = (material.touch ?? parseRecoat(material.recoat)[0]?.from ?? 0) * operation.filmFactor;
    push(Math.ceil(firstGoodAir(material, air, start + setUp, workMinutes, touch)) - setUp, 'air');
    return { start, boundBy };
  }

  /** How long a coat that is laid at a moment keeps its unit on the rack. */
  private handleMinutes(operation: PlannedOperation, laidAt: EpochMinute): number {
    const unit = this.units.get(unitKey(operation))!;
    return unit.handleAfter(operation, laidAt, this.ground.airs.get(operation.placeId)!) - laidAt;
  }

  /** The first start right behind a pass of the same batch, before `latest`; undefined where there is none. */
  private joiningFit(
    operation: PlannedOperation,
    from: EpochMinute,
    line: Timeline,
    latest: EpochMinute,
  ): Fit | undefined {
    const { workMinutes, cleanUpMinutes, batchKey } = operation;
    const total = workMinutes + cleanUpMinutes;
    for (const stretch of line.withKey(batchKey, from - BATCH_GAP_MINUTES)) {
      const { laidAt, status } = stretch.operation;
      if (laidAt === undefined || status !== 'planned') continue;
      const start = Math.max(from, laidAt);
      if (start + workMinutes > latest) return undefined;
      if (start > laidAt + BATCH_GAP_MINUTES || !line.isFree(start, total, stretch)) continue;
      // What was mixed for the batch has to be laid before it sets; else it is mixed anew.
      const { potLife = Infinity } = operation.material ?? {};
      if (start + workMinutes - (stretch.mixedAt ?? start) > potLife) continue;
      const unit = this.units.get(unitKey(operation))!;
      if (gate(operation, unit, start) === start && this.allowedFrom(operation, start, 0).start === start)
        return { start, laidAt: start + workMinutes, line, boundBy: 'hands', joins: stretch };
    }
    return undefined;
  }
}
