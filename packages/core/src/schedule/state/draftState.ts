import { type Operation } from '../plan/operations';
import type { EpochMinute } from '../../model/wallTime';
import { unitKey, type Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { Rack, type Span } from './rack';
import { Timeline, type Busy, type Tally } from './timeline';
import { UnitState } from './unitState';
import { entryOf } from '../../model/sure';
/** Whether a coat keeps its unit on the rack: glue does not. */
export const takesPlace = (operation: PlannedOperation) =>
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
  placement: operation.placement,
  share: operation.share,
  placeId: operation.placeId,
  air: operation.air,
  after: operation.after,
  batchKey: operation.batchKey,
  optional: operation.optional,
  waitsForCure: operation.waitsForCure,
  mustDryThrough: operation.mustDryThrough,
  setUpMinutes: operation.setUpMinutes,
  workMinutes: operation.workMinutes,
  cleanUpMinutes: operation.cleanUpMinutes,
  status: 'planned',
  personId: undefined,
  start: undefined,
  laidAt: undefined,
  end: undefined,
  boundBy: undefined,
  opensAt: undefined,
  letsDryThrough: false,
  failures: 0,
});

/** What lies ready with somebody since a pass was logged. */
export interface ReadyThings {
  personId: string;
  laidAt: EpochMinute;
  /** When the work of its batch began, which is when a two-part material was mixed. */
  mixedAt: EpochMinute;
}

/** How a unit stands: what lies on it, when it was last touched, and when it is on which rack. */
export interface UnitStanding {
  state: UnitState;
  lastOn: EpochMinute | undefined;
  stays: (readonly [place: string, stays: Span[]])[];
}

/** A stretch and those that share its set-up behind it. */
export function chainOf(stretch: Busy): Busy[] {
  const chain = [stretch];
  for (let next = stretch.joinedBy; next; next = next.joinedBy) chain.push(next);
  return chain;
}

/** What stands on the draft: what is placed where, on whose hands and on which rack, and how it dries. */
export class DraftState {
  readonly planned = new Map<string, PlannedOperation>();
  readonly units = new Map<string, UnitState>();
  readonly placed = new Set<string>();
  readonly hands: Timeline[];
  readonly racks: Map<string, Rack>;
  /** What lies ready from a pass that was logged a moment ago, by its batch: whoever goes on needs no set-up. */
  readonly ready = new Map<string, ReadyThings>();
  /** When the last thing was done to each unit: passes on one unit are placed in the order they happen. */
  readonly lastOn = new Map<string, EpochMinute>();
  /** Where each placed pass stands on somebody's hands. */
  readonly where = new Map<string, { line: Timeline; stretch: Busy }>();

  /**
   * @param pieces only these, if given
   * @param timeFactors how much longer than the label each material takes, by id
   */
  constructor(
    readonly workload: Workload,
    readonly now: EpochMinute,
    pieces?: ReadonlySet<string>,
    timeFactors?: ReadonlyMap<string, number>,
  ) {
    this.hands = workload.people.map((person) => {
      const line = new Timeline(person.id, person.calendar);
      line.startAt(now - 1440);
      return line;
    });
    this.racks = new Map([...workload.slots].map(([place, slots]) => [place, new Rack(slots)]));
    for (const operation of workload.operations) {
      if (pieces && !pieces.has(operation.pieceId)) continue;
      const planned = unplanned(operation);
      this.planned.set(operation.id, planned);
      const key = unitKey(planned);
      if (!this.units.has(key)) this.units.set(key, new UnitState(timeFactors));
    }
  }

  /** Gives a pass its place in time. */
  settle(
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

  /** How the unit that a pass works on stands. Every pass of the draft has one. */
  unitOf(operation: PlannedOperation): UnitState {
    return entryOf(this.units, unitKey(operation));
  }

  /** A coat on a unit: it dries, and takes a place on the rack until it can be handled. */
  lay(operation: PlannedOperation, laidAt: EpochMinute): void {
    const unit = this.unitOf(operation);
    unit.lay(operation, laidAt, entryOf(this.workload.airs, operation.placeId));
    if (!takesPlace(operation)) return;
    const until = unit.latest(operation.cells, (stack) => stack.handleAt);
    this.racks.get(operation.placeId)?.take(unitKey(operation), laidAt, until);
  }

  /** How each unit stood before anything was planned on it. */
  readonly before = new Map<string, UnitStanding>();

  standingOf(key: string): UnitStanding {
    return {
      state: entryOf(this.units, key),
      lastOn: this.lastOn.get(key),
      stays: [...this.racks].map(([place, rack]) => [place, [...rack.staysOf(key)]]),
    };
  }

  standAgain(key: string, { state, lastOn, stays }: UnitStanding): void {
    this.units.set(key, state);
    if (lastOn === undefined) this.lastOn.delete(key);
    else this.lastOn.set(key, lastOn);
    for (const [place, spans] of stays) entryOf(this.racks, place).putBack(key, spans);
  }

  /** Remembers how the units stand, which is what they go back to when all that is planned on them is taken out. */
  remember(): void {
    for (const [key, state] of this.units)
      this.before.set(key, { ...this.standingOf(key), state: state.clone() });
  }

  /** What all sessions with planned work come to. */
  tally(): Tally {
    const all: Tally = { sessions: 0, setUps: 0, idle: 0 };
    for (const line of this.hands) {
      const { sessions, setUps, idle } = line.tally();
      all.sessions += sessions;
      all.setUps += setUps;
      all.idle += idle;
    }
    return all;
  }

  /** What is done in each session that is used, by anybody. */
  sessions(): Busy[][] {
    return this.hands.flatMap((line) => line.used());
  }

  /** The passes of each batch, those that stand alone included. */
  batches(): Busy[][] {
    return this.sessions().flatMap((session) => session.filter((one) => !one.joined).map(chainOf));
  }

  /** How full the rack of a place is over time. */
  rackOf(placeId: string): readonly (readonly [from: EpochMinute, units: number])[] {
    return this.racks.get(placeId)?.steps() ?? [];
  }

  /** Everything as it is now, kept from what happens to the draft later. */
  copy(): { operations: PlannedOperation[]; units: Map<string, UnitState>; tally: Tally } {
    return {
      operations: [...this.planned.values()].map((operation) => ({ ...operation })),
      units: new Map(this.units),
      tally: this.tally(),
    };
  }
}
