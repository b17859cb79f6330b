import { filmFactor } from '../drying/film';
import { parseRecoat } from '../materials/material';
import { operationId } from '../stack/operations';
import { epochMinute, type EpochMinute } from '../time/wallTime';
import { gate, type Binding } from './gates';
import { firstGoodAir } from './goodAir';
import type { PlanningGround } from './ground';
import type { PlannedOperation } from './plan';
import { Rack } from './rack';
import { Timeline, type Busy } from './timeline';
import { UnitState, type TouchLesson } from './unitState';

/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** A pass may begin this long after the one whose set-up it shares. */
const BATCH_GAP_MINUTES = 3;
/** A pass is put off by this much, and no more, to share set-up and clean-up with others. */
const JOIN_PATIENCE_MINUTES = 20;
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
}

/** What one pass of the planner came to. */
export interface PlannerRun {
  operations: PlannedOperation[];
  units: Map<string, UnitState>;
  /** What touch tests showed, and when. */
  lessons: (TouchLesson & { at: EpochMinute })[];
}

const unitKey = (operation: PlannedOperation) => `${operation.pieceId}/${operation.unit}`;
/** Steps that run a compressor or a sander. */
const isLoud = (operation: PlannedOperation) =>
  operation.method === 'airbrush' || operation.method === 'sand';
const takesPlace = (operation: PlannedOperation) =>
  operation.material !== undefined && operation.material.role !== 'bond';

interface Fit {
  start: EpochMinute;
  laidAt: EpochMinute;
  line: Timeline | undefined;
  boundBy: Binding;
  /** The stretch whose set-up and clean-up it shares. */
  joins: Busy | undefined;
}

/**
 * Places all open work in time. The log is replayed first; then the operations are taken in the order of `sequence`, those
 * they wait for before them, and each is put at the first moment that every constraint agrees to, in a gap between what
 * is placed already if there is one: order, drying and recoat windows, hands, hours and quiet, the rack, and the air.
 * The order of the sequence is all that tells one plan from another.
 */
export function decode(
  ground: PlanningGround,
  sequence: readonly string[],
  options: DecodeOptions,
): PlannerRun {
  const now = Math.max(options.now, ground.startAt);
  const board = new Board(ground, { ...options, now });
  const lessons = board.replay();
  const visiting = new Set<string>();
  const visit = (id: string): void => {
    const operation = board.planned.get(id);
    if (!operation || operation.status !== 'planned' || board.placed.has(id) || visiting.has(id)) return;
    visiting.add(id);
    for (const before of operation.after) visit(before);
    visiting.delete(id);
    board.place(operation);
  };
  for (const id of ground.pins.keys()) visit(id);
  for (const id of sequence) visit(id);
  for (const id of board.planned.keys()) visit(id);
  return { operations: [...board.planned.values()], units: board.units, lessons };
}

class Board {
  readonly planned = new Map<string, PlannedOperation>();
  readonly units = new Map<string, UnitState>();
  readonly placed = new Set<string>();
  private readonly lines: Timeline[];
  private readonly racks: Map<string, Rack>;
  /** When the last thing was done to each unit: passes on one unit are placed in the order they happen. */
  private readonly lastOn = new Map<string, EpochMinute>();

  constructor(
    private readonly ground: PlanningGround,
    private readonly options: DecodeOptions,
  ) {
    this.lines = ground.people.map((person) => {
      const line = new Timeline(person.id, person.calendar);
      line.startAt(options.now - 1440);
      return line;
    });
    this.racks = new Map([...ground.slots].map(([place, slots]) => [place, new Rack(slots)]));
    for (const operation of ground.operations) {
      if (options.onlyPieces && !options.onlyPieces.has(operation.pieceId)) continue;
      const planned: PlannedOperation = {
        ...operation,
        status: 'planned',
        personId: undefined,
        start: undefined,
        laidAt: undefined,
        end: undefined,
        boundBy: undefined,
        failures: 0,
      };
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
    Object.assign(operation, { status, start, laidAt, end });
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

  /** What the log, touch tests and passes under way say has happened, in the order it happened. */
  replay(): PlannerRun['lessons'] {
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
      this.options.notBefore?.get(operation.id) ?? -Infinity,
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

  /** Puts one operation at its first good moment. */
  place(operation: PlannedOperation): void {
    const reservation = this.reserved.get(operation.id);
    if (reservation) {
      reservation.line.remove(reservation.stretch);
      this.reserved.delete(operation.id);
    }
    const from = this.from(operation);
    const fit = from === Infinity ? undefined : this.bestFit(operation, from);
    operation.boundBy = fit?.boundBy ?? 'order';
    if (!fit || !fit.line || fit.start === Infinity) {
      operation.status = 'unplaced';
      this.placed.add(operation.id);
      return;
    }
    const { line, start, laidAt, joins } = fit;
    if (joins) {
      joins.end = start;
      joins.operation.end = start;
    }
    const end = laidAt + operation.cleanUpMinutes;
    this.settle(operation, 'planned', start, laidAt, end);
    operation.personId = line.id;
    line.add({ start, end, operation, mixedAt: joins?.mixedAt ?? laidAt - operation.workMinutes });
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
    const latest = best.laidAt + JOIN_PATIENCE_MINUTES;
    for (const line of this.lines) {
      if (wanted !== undefined && line.id !== wanted) continue;
      const joining = this.joiningFit(operation, from, line, latest);
      if (joining && (!best.joins || joining.laidAt < best.laidAt)) best = joining;
    }
    return best;
  }

  /** The first start by one person with a set-up of its own. Gives up beyond `limit`. */
  private freshFit(operation: PlannedOperation, from: EpochMinute, line: Timeline, limit: EpochMinute): Fit {
    const { setUpMinutes, workMinutes, cleanUpMinutes } = operation;
    const total = setUpMinutes + workMinutes + cleanUpMinutes;
    const unit = this.units.get(unitKey(operation))!;
    const { now } = this.options;
    let start = Math.max(from - setUpMinutes, now);
    let boundBy: Binding = start === now ? 'start' : 'order';
    for (let round = 0; round < MOST_ROUNDS && start !== Infinity; round += 1) {
      const before = start;
      const opened = gate(operation, unit, start + setUpMinutes) - setUpMinutes;
      if (opened > start) [start, boundBy] = [opened, opened === Infinity ? 'window' : 'drying'];
      if (start === Infinity || start + setUpMinutes + workMinutes > limit) break;
      const free = line.firstFree(start, total);
      if (free > start) [start, boundBy] = [free, 'hands'];
      const allowed = this.allowedFrom(operation, start, setUpMinutes);
      if (allowed.start > start) ({ start, boundBy } = allowed);
      if (start === before) break;
    }
    return { start, laidAt: start + setUpMinutes + workMinutes, line, boundBy, joins: undefined };
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
          rack.firstFree(unit, laidAt, this.handleMinutes(operation, laidAt)) - setUp - workMinutes,
          'rack',
        );
    }
    const touch = (material.touch ?? parseRecoat(material.recoat)[0]?.from ?? 0) * operation.filmFactor;
    push(firstGoodAir(material, air, start + setUp, workMinutes, touch) - setUp, 'air');
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
