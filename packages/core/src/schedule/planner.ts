import { filmFactor } from '../drying/film';
import { placeAir, type PlaceAir } from '../drying/placeAir';
import type { Build, LogEntry, TouchTest } from '../build/schema';
import type { Reading } from '../drying/readings';
import type { Material } from '../materials/material';
import { materialsOf } from '../materials/ownMaterials';
import { expandBuild, operationId, placesOf, type Operation } from '../stack/operations';
import { epochMinute, type EpochMinute } from '../time/wallTime';
import { parseRecoat } from '../materials/material';
import { personCalendar, placeCalendar, type Calendar } from './calendar';
import { gate, type Binding } from './gates';
import { firstGoodAir } from './goodAir';
import type { PlannedOperation } from './plan';
import { UnitState, type TouchLesson } from './unitState';

/** What stays the same however often a build is planned: its operations, clocks and calendars. */
export interface PlanningGround {
  build: Build;
  operations: Operation[];
  byId: Map<string, Operation>;
  materials: Map<string, Material>;
  airs: Map<string, PlaceAir>;
  placeHours: Map<string, Calendar>;
  people: { id: string; calendar: Calendar }[];
  /** Minutes of label waits and work from the start of an operation to a ready piece. */
  tails: Map<string, number>;
  dueAt: Map<string, EpochMinute>;
  startAt: EpochMinute;
  /** The log in the order things happened, its moments read once. */
  log: { entry: LogEntry; doneAt: EpochMinute; startedAt: EpochMinute | undefined }[];
  /** The touch tests in the order they were made. */
  touchTests: { test: TouchTest; at: EpochMinute }[];
}

/** What was measured in each place, by its id, sorted by time. */
export type ReadingsByPlace = Readonly<Record<string, readonly Reading[]>>;

/** How near two starts must be for the more urgent one to go first. */
const SAME_TIME_MINUTES = 20;
/** Sanding back a pass that failed, before it is done again. */
const SAND_BACK_MINUTES = 10;
/** A coat may wait this long for its batch before set-up counts again. */
const BATCH_GAP_MINUTES = 3;

const unitKey = (operation: Operation) => `${operation.pieceId}/${operation.unit}`;

/** Gathers everything planning needs from a build, and what was measured in its places. */
export function planningGround(build: Build, readings: ReadingsByPlace = {}): PlanningGround {
  const startAt = epochMinute(build.start, build.timeZone);
  const log = (build.log ?? [])
    .map((entry) => ({
      entry,
      doneAt: epochMinute(entry.doneAt, build.timeZone),
      startedAt: entry.startedAt === undefined ? undefined : epochMinute(entry.startedAt, build.timeZone),
    }))
    .sort((a, b) => a.doneAt - b.doneAt);
  const origin = Math.min(startAt, log[0]?.doneAt ?? startAt) - 60;
  const operations = expandBuild(build);
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const dueAt = new Map<string, EpochMinute>();
  for (const piece of build.pieces) {
    const event = build.events.find((candidate) => candidate.id === piece.event);
    if (event) dueAt.set(piece.id, epochMinute(event.packAt ?? event.wearAt, build.timeZone));
  }
  return {
    build,
    operations,
    byId,
    materials: materialsOf(build.materials),
    airs: new Map(
      placesOf(build).map((place) => [
        place.id,
        placeAir(place, build.timeZone, origin, readings[place.id] ?? []),
      ]),
    ),
    placeHours: new Map(
      placesOf(build).map((place) => [place.id, placeCalendar(place, build.timeZone, origin)]),
    ),
    people: build.people.map((person) => ({
      id: person.id,
      calendar: personCalendar(person, build.timeZone, origin),
    })),
    tails: tailsOf(operations),
    dueAt,
    startAt,
    log,
    touchTests: (build.touchTests ?? [])
      .map((test) => ({ test, at: epochMinute(test.at, build.timeZone) }))
      .sort((a, b) => a.at - b.at),
  };
}

/** Label minutes from the start of each operation to the end of what follows it, for telling urgent from idle. */
function tailsOf(operations: readonly Operation[]): Map<string, number> {
  const followers = new Map<string, Operation[]>();
  for (const operation of operations) {
    for (const before of operation.after)
      followers.set(before, [...(followers.get(before) ?? []), operation]);
  }
  const tails = new Map<string, number>();
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const tailOf = (operation: Operation): number => {
    const known = tails.get(operation.id);
    if (known !== undefined) return known;
    const next = followers.get(operation.id) ?? [];
    const cure = Math.max(operation.material?.pack ?? 0, operation.material?.wear ?? 0);
    const wait = (follower: Operation) => {
      if (!operation.material) return 0;
      if (follower.kind === 'mask') return operation.material.tape ?? 0;
      if (follower.face !== operation.face) return operation.material.handle ?? 0;
      return parseRecoat(operation.material.recoat)[0]?.from ?? 0;
    };
    const after = next.reduce((most, follower) => Math.max(most, wait(follower) + tailOf(follower)), cure);
    const tail = operation.workMinutes + after;
    tails.set(operation.id, tail);
    return tail;
  };
  for (const operation of byId.values()) tailOf(operation);
  return tails;
}

interface Helper {
  id: string;
  calendar: Calendar;
  freeAt: EpochMinute;
  /** The last thing they did, which the next may share set-up with. */
  last: PlannedOperation | undefined;
}

interface Fit {
  start: EpochMinute;
  helper: Helper | undefined;
  boundBy: Binding;
  /** The operation just before it whose set-up it shares, if it does. */
  joins: PlannedOperation | undefined;
}

/** What a run of the planner may be asked to leave out. */
export interface RunOptions {
  now: EpochMinute;
  /** Only these pieces are planned; others keep the ends given in `fixedEnds`. */
  onlyPieces?: ReadonlySet<string>;
  fixedEnds?: ReadonlyMap<string, EpochMinute>;
}

/** What one pass of the planner came to. */
export interface PlannerRun {
  operations: PlannedOperation[];
  units: Map<string, UnitState>;
  /** What touch tests showed, and when. */
  lessons: (TouchLesson & { at: EpochMinute })[];
}

/**
 * Places all work forward in time, in one pass: the log is replayed, then again and again the operation that can
 * begin first goes next; among those that can begin at nearly the same time, the one with the least time to spare.
 * Every start respects order, drying, recoat windows, the people's free windows, the place's hours and its air.
 */
export function runPlanner(ground: PlanningGround, options: RunOptions): PlannerRun {
  const { build } = ground;
  const now = Math.max(options.now, ground.startAt);
  const planned = new Map<string, PlannedOperation>();
  const units = new Map<string, UnitState>();
  const wanted = ground.operations.filter(
    (operation) => !options.onlyPieces || options.onlyPieces.has(operation.pieceId),
  );
  for (const operation of wanted) {
    planned.set(operation.id, {
      ...operation,
      status: 'planned',
      personId: undefined,
      start: undefined,
      laidAt: undefined,
      end: undefined,
      boundBy: undefined,
      failures: 0,
    });
    if (!units.has(unitKey(operation))) units.set(unitKey(operation), new UnitState());
  }
  const helpers: Helper[] = ground.people.map((person) => ({ ...person, freeAt: now, last: undefined }));

  const settle = (
    operation: PlannedOperation,
    status: PlannedOperation['status'],
    start: EpochMinute,
    laidAt: EpochMinute,
    end: EpochMinute,
  ) => Object.assign(operation, { status, start, laidAt, end });

  // What the log says has happened, in the order it happened.
  for (const { entry, doneAt, startedAt } of ground.log) {
    const operation =
      planned.get(operationId(entry)) ?? planned.get(operationId({ ...entry, face: undefined }));
    if (!operation || operation.status === 'done') continue;
    const laid = {
      ...operation,
      material:
        (entry.material === undefined ? undefined : ground.materials.get(entry.material)) ??
        operation.material,
      placeId: entry.place ?? operation.placeId,
    };
    units
      .get(unitKey(operation))!
      .lay(laid, doneAt, ground.airs.get(laid.placeId)!, entry.film ? filmFactor[entry.film] : undefined);
    if (entry.outcome === 'failed') {
      // What was laid is there; the pass is to do again, after sanding back.
      operation.failures += 1;
      operation.workMinutes = ground.byId.get(operation.id)!.workMinutes + SAND_BACK_MINUTES;
      continue;
    }
    Object.assign(operation, {
      material: laid.material,
      placeId: laid.placeId,
      workMinutes: ground.byId.get(operation.id)!.workMinutes,
    });
    settle(operation, 'done', startedAt ?? doneAt - operation.workMinutes, doneAt, doneAt);
  }
  const lessons = ground.touchTests.flatMap(({ test, at }) =>
    (units.get(`${test.piece}/${test.unit}`)?.correct(test.face, at, test.state) ?? []).map((lesson) => ({
      ...lesson,
      at,
    })),
  );
  skipPassedOver(planned);
  for (const started of build.underway ?? []) {
    const operation =
      planned.get(operationId(started)) ?? planned.get(operationId({ ...started, face: undefined }));
    if (!operation || operation.status !== 'planned') continue;
    const start = epochMinute(started.startedAt, build.timeZone);
    const laidAt = Math.max(now, start + operation.setUpMinutes + operation.workMinutes);
    settle(operation, 'underway', start, laidAt, laidAt + operation.cleanUpMinutes);
    units.get(unitKey(operation))!.lay(operation, laidAt, ground.airs.get(operation.placeId)!);
    const helper = helpers.find((candidate) => candidate.freeAt <= now);
    if (helper) {
      operation.personId = helper.id;
      helper.freeAt = operation.end!;
      helper.last = operation;
    }
  }

  /** The moment all that goes before has ended; undefined while some of it is not placed, Infinity if it never will be. */
  const orderAt = (operation: PlannedOperation): EpochMinute | undefined => {
    let at = now;
    for (const id of operation.after) {
      const before = planned.get(id);
      const end = before
        ? before.status === 'skipped'
          ? now
          : (before.laidAt ?? before.end)
        : options.fixedEnds?.get(id);
      if (before?.status === 'unplaced') return Infinity;
      if (end === undefined) {
        if (before) return undefined;
        continue;
      }
      at = Math.max(at, end);
    }
    return at;
  };

  /** The first start of an operation by one helper that every constraint agrees to. */
  const fitFor = (
    operation: PlannedOperation,
    unit: UnitState,
    from: EpochMinute,
    helper: Helper,
    setUp: number,
    notBefore: EpochMinute,
  ): Fit => {
    const total = setUp + operation.workMinutes + operation.cleanUpMinutes;
    let start = Math.max(from - setUp, notBefore, now);
    let boundBy: Binding = start === now ? 'start' : start > from - setUp ? 'hands' : 'order';
    for (let round = 0; round < 400; round += 1) {
      const before = start;
      const opened = gate(operation, unit, start + setUp) - setUp;
      if (opened > start) [start, boundBy] = [opened, opened === Infinity ? 'window' : 'drying'];
      if (start !== Infinity) {
        const free = helper.calendar.firstFit(start, total);
        if (free > start) [start, boundBy] = [free, 'hands'];
      }
      if (start !== Infinity) {
        const open = ground.placeHours.get(operation.placeId)!.firstFit(start, total);
        if (open > start) [start, boundBy] = [open, 'place'];
      }
      if (start !== Infinity && operation.material) {
        const touch =
          (operation.material.touch ?? parseRecoat(operation.material.recoat)[0]?.from ?? 0) *
          operation.filmFactor;
        const good =
          firstGoodAir(
            operation.material,
            ground.airs.get(operation.placeId)!,
            start + setUp,
            operation.workMinutes,
            touch,
          ) - setUp;
        if (good > start) [start, boundBy] = [good, 'air'];
      }
      if (start === Infinity || start === before) break;
    }
    return { start, helper, boundBy, joins: undefined };
  };

  /** The fit that goes on with the batch a helper is at, sharing its set-up; undefined if that does not come out. */
  const fitJoining = (operation: PlannedOperation, helper: Helper): Fit | undefined => {
    const { last } = helper;
    if (!last || last.batchKey !== operation.batchKey || last.laidAt === undefined) return undefined;
    const fit = fitFor(
      operation,
      units.get(unitKey(operation))!,
      fromOf.get(operation)!,
      helper,
      0,
      last.laidAt,
    );
    return fit.start <= last.laidAt + BATCH_GAP_MINUTES ? { ...fit, joins: last } : undefined;
  };

  const waiting = new Set([...planned.values()].filter((operation) => operation.status === 'planned'));
  /** The best known fit of each operation whose turn has come; a lower bound until it is asked for again. */
  const fits = new Map<PlannedOperation, Fit>();
  /** When all that goes before an operation has ended; it does not change once its turn has come. */
  const fromOf = new Map<PlannedOperation, EpochMinute>();
  const refit = (operation: PlannedOperation): Fit => {
    const from = fromOf.get(operation)!;
    const unit = units.get(unitKey(operation))!;
    let best: Fit = {
      start: Infinity,
      helper: undefined,
      boundBy: from === Infinity ? 'order' : 'hands',
      joins: undefined,
    };
    if (from !== Infinity) {
      for (const helper of helpers) {
        const fit =
          fitJoining(operation, helper) ??
          fitFor(operation, unit, from, helper, operation.setUpMinutes, helper.freeAt);
        if (fit.start < best.start || best.helper === undefined) best = fit;
      }
    }
    fits.set(operation, best);
    return best;
  };
  const admit = (operation: PlannedOperation) => {
    if (!waiting.has(operation) || fits.has(operation)) return;
    const from = orderAt(operation);
    if (from === undefined) return;
    fromOf.set(operation, from);
    refit(operation);
  };
  /** Whether a known fit has been overtaken by what its helper did since. */
  const isStale = ({ helper, joins, start }: Fit): boolean =>
    helper !== undefined && (joins ? helper.last !== joins : helper.freeAt > start);
  const followers = new Map<string, PlannedOperation[]>();
  for (const operation of planned.values()) {
    for (const id of operation.after) followers.set(id, [...(followers.get(id) ?? []), operation]);
  }
  const slackOf = (operation: PlannedOperation) =>
    (ground.dueAt.get(operation.pieceId) ?? now + 365 * 1440) - (ground.tails.get(operation.id) ?? 0);

  for (const operation of waiting) admit(operation);
  let lastHelper: Helper | undefined;
  while (fits.size > 0) {
    // Someone at work goes on with the same batch if they can.
    if (lastHelper?.last) {
      for (const operation of fits.keys()) {
        const joining = operation.batchKey === lastHelper.last.batchKey && fitJoining(operation, lastHelper);
        if (joining) fits.set(operation, joining);
      }
    }
    let chosen: PlannedOperation | undefined;
    for (let settled = false; !settled;) {
      settled = true;
      let first = Infinity;
      for (const fit of fits.values()) first = Math.min(first, fit.start);
      const near = [...fits].filter(([, fit]) => fit.start <= first + SAME_TIME_MINUTES);
      chosen = undefined;
      let chosenRank = [Infinity, Infinity, Infinity];
      for (const [operation, known] of near) {
        if (isStale(known) && refit(operation).start > known.start) settled = false;
        const fit = fits.get(operation)!;
        const rank = [fit.joins ? 0 : 1, slackOf(operation), fit.start];
        const better = rank.findIndex((value, at) => value !== chosenRank[at]);
        if (chosen === undefined || (better >= 0 && rank[better]! < chosenRank[better]!)) {
          chosen = operation;
          chosenRank = rank;
        }
      }
    }
    const operation = chosen!;
    const fit = fits.get(operation)!;
    fits.delete(operation);
    waiting.delete(operation);
    operation.boundBy = fit.boundBy;
    if (fit.start === Infinity || !fit.helper) {
      operation.status = 'unplaced';
    } else {
      const setUp = fit.joins ? 0 : operation.setUpMinutes;
      const laidAt = fit.start + setUp + operation.workMinutes;
      if (fit.joins) fit.helper.last!.end = fit.helper.last!.laidAt;
      settle(operation, 'planned', fit.start, laidAt, laidAt + operation.cleanUpMinutes);
      operation.personId = fit.helper.id;
      fit.helper.freeAt = operation.end!;
      fit.helper.last = operation;
      lastHelper = fit.helper;
      units.get(unitKey(operation))!.lay(operation, laidAt, ground.airs.get(operation.placeId)!);
    }
    for (const follower of followers.get(operation.id) ?? []) admit(follower);
  }
  return { operations: [...planned.values()], units, lessons };
}

/** Work of earlier steps that was never logged, though a later step of the same unit was, is not planned any more. */
function skipPassedOver(planned: Map<string, PlannedOperation>): void {
  const visit = (operation: PlannedOperation, from: PlannedOperation, seen: Set<string>) => {
    for (const id of operation.after) {
      const before = planned.get(id);
      if (!before || seen.has(id) || before.pieceId !== from.pieceId || before.unit !== from.unit) continue;
      seen.add(id);
      if (before.status === 'planned' && before.stepId !== from.stepId) before.status = 'skipped';
      visit(before, from, seen);
    }
  };
  for (const operation of planned.values())
    if (operation.status === 'done') visit(operation, operation, new Set());
}
