import { type Operation } from '../plan/operations';
import type { EpochMinute } from '../../model/wallTime';
import { unitKey, type Workload } from '../plan/workload';
import type { PlannedOperation } from '../plan/plan';
import { Dust } from './dust';
import { Rack, type Span } from './rack';
import { takenByOthers, Timeline, type Busy, type Tally } from './timeline';
import { staysOf } from './stays';
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
  glueMl: operation.glueMl,
  placeId: operation.placeId,
  air: operation.air,
  after: operation.after,
  restMinutes: operation.restMinutes,
  looksOver: operation.looksOver,
  batchKey: operation.batchKey,
  rinseKey: operation.rinseKey,
  makesDust: operation.makesDust,
  rackShare: operation.rackShare,
  standing: operation.standing,
  takesIn: operation.takesIn,
  optional: operation.optional,
  reworkEveryMinutes: operation.reworkEveryMinutes,
  waitsForCure: operation.waitsForCure,
  rests: operation.rests,
  sandedCells: operation.sandedCells,
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
  dust: (readonly [place: string, dust: ReturnType<Dust['of']>])[];
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
  /** Rooms in which any pass makes dust. */
  readonly dust: Map<string, Dust>;
  /** What lies ready from a pass that was logged a moment ago, by its batch: whoever goes on needs no set-up. */
  readonly ready = new Map<string, ReadyThings>();
  /** When the last thing was done to each unit and what it was cleaned with has left: passes on one unit are placed in the order they happen. */
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
      line.startAt(now - 1440, now);
      return line;
    });
    this.racks = new Map([...workload.scarceSlots].map(([place, slots]) => [place, new Rack(slots)]));
    this.dust = new Map(workload.dustyPlaces.map((place) => [place, new Dust()]));
    const { taken } = workload;
    for (const { person, from, to, tool } of taken.hands)
      this.hands
        .find(({ id }) => id === person)
        ?.add({ start: from, end: to, operation: takenByOthers, tool });
    for (const { place, unit, from, to, share } of taken.racks)
      this.racks.get(place)?.take(`${unit} elsewhere`, from, to, share);
    for (const { place, from, to } of taken.wet) this.dust.get(place)?.standsWet('elsewhere', { from, to });
    for (const { place, from, to } of taken.dusty) this.dust.get(place)?.makesDust('elsewhere', { from, to });
    const operations = pieces
      ? [...pieces].flatMap((id) => workload.byPiece.get(id) ?? [])
      : workload.operations;
    for (const operation of operations) {
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
    this.lastOn.set(key, Math.max(laidAt + operation.restMinutes, this.lastOn.get(key) ?? -Infinity));
  }

  /** How the unit that a pass works on stands. Every pass of the draft has one. */
  unitOf(operation: PlannedOperation): UnitState {
    return entryOf(this.units, unitKey(operation));
  }

  /** A pass on a unit: dust, or a coat that dries, and takes a place on the rack until it can be handled. */
  lay(operation: PlannedOperation, laidAt: EpochMinute): void {
    const unit = this.unitOf(operation);
    const key = unitKey(operation);
    const { placeId, cells, workMinutes, makesDust, material, rackShare } = operation;
    const dust = this.dust.get(placeId);
    const begins = laidAt - workMinutes;
    if (makesDust) dust?.makesDust(key, { from: begins, to: laidAt });
    const air = entryOf(this.workload.airs, placeId);
    unit.lay(operation, laidAt, air);
    if (material && dust) {
      const touchAt = cells.reduce(
        (latest, cell) => Math.max(latest, unit.top(cell)?.milestones.touchAt ?? laidAt),
        laidAt,
      );
      dust.standsWet(key, { from: begins, to: touchAt });
    }
    if (!takesPlace(operation) || this.racks.size === 0) return;
    const handleAt = unit.latest(cells, (stack) => stack.handleAt);
    const touchAt = cells.reduce(
      (latest, cell) => Math.max(latest, unit.top(cell)?.milestones.touchAt ?? laidAt),
      laidAt,
    );
    for (const stay of staysOf(air, { laidAt, touchAt, handleAt }))
      this.racks.get(stay.placeId)?.take(key, stay.from, stay.to, rackShare);
  }

  /** How each unit stood before anything was planned on it. */
  readonly before = new Map<string, UnitStanding>();

  standingOf(key: string): UnitStanding {
    return {
      state: entryOf(this.units, key),
      lastOn: this.lastOn.get(key),
      stays: [...this.racks].map(([place, rack]) => [place, [...rack.staysOf(key)]]),
      dust: [...this.dust].map(([place, dust]) => [place, dust.of(key)]),
    };
  }

  standAgain(key: string, { state, lastOn, stays, dust }: UnitStanding): void {
    this.units.set(key, state);
    if (lastOn === undefined) this.lastOn.delete(key);
    else this.lastOn.set(key, lastOn);
    for (const [place, spans] of stays) entryOf(this.racks, place).putBack(key, spans);
    for (const [place, own] of dust) entryOf(this.dust, place).putBack(key, own);
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
