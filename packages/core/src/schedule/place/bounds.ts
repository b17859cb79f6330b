import { isAtPacking } from '../../model/lookOvers';
import { groupBy } from '../../model/groupBy';
import { quickestAir } from '../../drying/quickestAir';
import { firstGoodAir } from '../../drying/goodAir';
import type { PlaceAir } from '../../drying/placeAir';
import type { Piece } from '../../model/schema';
import { sayMoment } from '../../model/sayMoment';
import { epochMinute, type EpochMinute } from '../../model/wallTime';
import { gate } from './gates';
import type { Binding, PlannedOperation } from '../plan/plan';
import { unitKey, type Workload } from '../plan/workload';
import { coatAlone, UnitAtBest, type CoatAlone } from '../state/unitAtBest';
import type { CellCoat, UnitState } from '../state/unitState';
import { ancestors, unsureCells } from '../plan/ancestors';
import { entryOf, sure } from '../../model/sure';

/** The soonest a piece can be ready under any plan, and what holds it up most. */
export interface PieceBound {
  pieceId: string;
  packableAt: EpochMinute;
  wearableAt: EpochMinute;
  /** What takes most of the time. */
  binds: Binding;
  /** Whether even this misses a date: a proof that no plan makes it. */
  provesLate: boolean;
  /** "At best ready by Thu 4 Mar, 21:10: drying takes most of it." */
  sentence: string;
}

const bindingWords: Record<Binding, string> = {
  start: 'the work itself',
  order: 'the work itself',
  drying: 'drying takes most of it',
  through: 'drying takes most of it',
  window: 'a recoat window takes most of it',
  hands: 'waiting for somebody to be free takes most of it',
  tool: 'waiting for a tool takes most of it',
  place: 'waiting for the place to open takes most of it',
  quiet: 'the quiet hours take most of it',
  rack: 'the rack takes most of it',
  air: 'waiting for fit air takes most of it',
  dust: 'dust and wet paint in one room take most of it',
  material: 'waiting for a material takes most of it',
};

/** When one unit is ready at best, and how long it waits for what. */
interface UnitBound {
  pack: EpochMinute;
  wear: EpochMinute;
  waits: Map<Binding, number>;
}

/** Hands, hours and air push a start in turn; more rounds than this would mean they chase each other. */
const MOST_ROUNDS = 60;

/**
 * True bounds: no plan of any planner beats them. Each unit of a piece is taken alone and passes the same gates on the same
 * milestones as in a plan, over a unit at its best: others' work, set-up and clean-up, the rack, quiet, covering films, coats
 * that join, and the ends of recoat windows are left out; everybody works whenever anybody is free, and each coat dries in the
 * quickest air of all places its unit goes through. What is left only moves later when something moves later, so the earliest
 * start of each is best.
 */
export function pieceBounds(
  workload: Workload,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: EpochMinute,
): PieceBound[] {
  const byUnit = groupBy(operations, unitKey);
  const ends = new Map<string, EpochMinute>();
  const results = new Map<string, UnitBound>();
  // A unit that waits for parts of other pieces comes after them.
  const waiting = new Set(byUnit.keys());
  const unitOf = new Map(operations.map((operation) => [operation.id, unitKey(operation)]));
  const visit = (key: string): void => {
    if (!waiting.delete(key)) return;
    const own = entryOf(byUnit, key);
    for (const operation of own)
      for (const id of operation.after) {
        const other = unitOf.get(id);
        if (other !== undefined && other !== key) visit(other);
      }
    results.set(key, boundUnit(workload, own, units.get(key), ends, now));
  };
  for (const key of byUnit.keys()) visit(key);
  return workload.build.pieces.map((piece) => boundOf(workload, piece, results));
}

/** The quickest air that a unit can dry in on its way, and whether a fan ever blows on it. */
export function bestAirOf(
  workload: Workload,
  own: readonly PlannedOperation[],
  state: UnitState | undefined,
): { air: PlaceAir; isFanned: boolean } {
  const places = new Set<PlaceAir>(
    own.flatMap(({ placeId }) => {
      const air = entryOf(workload.airs, placeId);
      return air.indoors ? [air, air.indoors] : [air];
    }),
  );
  for (const stand of state?.stands ?? []) places.add(stand.placeAir);
  return {
    air: quickestAir([...places], workload.originAt),
    isFanned: own.some((one) => one.air === 'fan') || (state?.stands.some(({ fan }) => fan) ?? false),
  };
}

/** The soonest one unit can be ready; the soonest end of each of its passes is added to `ends`. */
function boundUnit(
  workload: Workload,
  own: readonly PlannedOperation[],
  state: UnitState | undefined,
  ends: Map<string, EpochMinute>,
  now: EpochMinute,
): UnitBound {
  const waits = new Map<Binding, number>();
  const { air, isFanned } = bestAirOf(workload, own, state);
  const alone = (cells: readonly string[], coat: Parameters<typeof coatAlone>[1]) =>
    coatAlone(cells, coat, { from: coat.laidAt, placeAir: air, fan: isFanned });

  const real = [...coatsThatLie(own, state)].map(([coat, cells]) => alone(cells, coat));
  const planned = new Map<string, CoatAlone>();
  const before = ancestors(own);
  for (const operation of own) {
    if (operation.status === 'skipped') continue;
    if (operation.status === 'done' || operation.status === 'underway') {
      ends.set(operation.id, sure(operation.laidAt, `when ${operation.id} was laid`));
      continue;
    }
    let from = operation.after.reduce((latest, id) => Math.max(latest, ends.get(id) ?? now), now);
    from = Math.max(from, workload.pins.get(operation.id) ?? -Infinity);
    const push = (to: EpochMinute, why: Binding) => {
      if (to <= from) return;
      waits.set(why, (waits.get(why) ?? 0) + to - from);
      from = to;
    };
    const certain = entryOf(before, operation.id);
    const below = [...planned].flatMap(([id, coat]) => (certain.has(id) ? [coat] : []));
    push(
      gate(operation, new UnitAtBest([...real, ...below], unsureCells(own, operation, before)), from),
      'drying',
    );
    for (let round = 0; round < MOST_ROUNDS && from !== Infinity; round += 1) {
      const start = from;
      push(firstFree(workload, from, operation.workMinutes), 'hands');
      if (from !== Infinity)
        push(entryOf(workload.placeHours, operation.placeId).firstFit(from, operation.workMinutes), 'place');
      const { material } = operation;
      if (from !== Infinity && material) {
        const here = entryOf(workload.airs, operation.placeId);
        push(firstGoodAir(material, here, from, operation.workMinutes, operation.filmFactor), 'air');
      }
      if (from === start) break;
    }
    const laidAt = from + operation.workMinutes;
    ends.set(operation.id, laidAt);
    if (operation.material) {
      const { material, filmFactor, air: aid } = operation;
      planned.set(operation.id, alone(operation.cells, { material, filmFactor, laidAt, air: aid }));
    }
  }
  const work = own.filter((operation) => !isAtPacking(operation));
  const end = Math.max(now, ...work.map((operation) => ends.get(operation.id) ?? -Infinity));
  const worked = work.some((operation) => operation.status !== 'done') ? end : -Infinity;
  // The more passes have to come before one, the further up its coat lies.
  const upwards = [...planned].sort(([a], [b]) => entryOf(before, a).size - entryOf(before, b).size);
  const unsure = own.flatMap((operation) =>
    operation.material && operation.status !== 'skipped' ? unsureCells(own, operation, before) : [],
  );
  const atBest = new UnitAtBest([...real, ...upwards.map(([, coat]) => coat)], unsure);
  const pack = Math.max(
    worked,
    atBest.latest(atBest.cells.keys(), (stack) => stack.packAt),
  );
  const wear = Math.max(
    worked,
    atBest.latest(atBest.cells.keys(), (stack) => stack.wearAt),
  );
  if (Number.isFinite(pack) && Math.max(pack, wear) > end)
    waits.set('drying', (waits.get('drying') ?? 0) + Math.max(pack, wear) - end);
  return { pack: Math.floor(pack), wear: Math.floor(wear), waits };
}

/** The first moment at which anybody is free for so many minutes. */
const firstFree = (workload: Workload, from: EpochMinute, minutes: number): EpochMinute =>
  workload.people.reduce(
    (first, person) => Math.min(first, person.calendar.firstFit(from, minutes)),
    Infinity,
  );

/** The coats that lie on a unit already, or are being laid, with their spots, oldest first; what failed lies there too. */
function coatsThatLie(
  own: readonly PlannedOperation[],
  state: UnitState | undefined,
): Map<CellCoat, string[]> {
  const byId = new Map(own.map((operation) => [operation.id, operation]));
  const lying: [CellCoat, string][] = [];
  for (const [cell, coats] of state?.cells ?? [])
    for (const coat of coats) {
      const operation = byId.get(coat.operationId);
      const isReal =
        operation?.status === 'done' || operation?.status === 'underway' || coat.laidAt !== operation?.laidAt;
      if (isReal) lying.push([coat, cell]);
    }
  const cells = new Map<CellCoat, string[]>();
  for (const [coat, cell] of lying.sort((a, b) => a[0].laidAt - b[0].laidAt))
    cells.set(coat, [...(cells.get(coat) ?? []), cell]);
  return cells;
}

/** What the bounds of its units come to for a piece. */
function boundOf(workload: Workload, piece: Piece, results: ReadonlyMap<string, UnitBound>): PieceBound {
  let packableAt = -Infinity;
  let wearableAt = -Infinity;
  const waits = new Map<Binding, number>();
  for (let unit = 1; unit <= piece.quantity; unit += 1) {
    const result = results.get(`${piece.id}/${unit}`);
    if (!result) continue;
    packableAt = Math.max(packableAt, result.pack);
    wearableAt = Math.max(wearableAt, result.wear);
    for (const [why, minutes] of result.waits) waits.set(why, Math.max(waits.get(why) ?? 0, minutes));
  }
  const binds = [...waits].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'order';
  const event = workload.build.events.find((one) => one.id === piece.event);
  const { timeZone } = workload.build;
  const missed = (at: EpochMinute, due: string | undefined) =>
    due !== undefined && at > epochMinute(due, timeZone);
  const ready = Math.max(packableAt, wearableAt);
  return {
    pieceId: piece.id,
    packableAt,
    wearableAt,
    binds,
    provesLate: event !== undefined && (missed(packableAt, event.packAt) || missed(wearableAt, event.wearAt)),
    sentence: Number.isFinite(ready)
      ? `At best ready by ${sayMoment(ready, timeZone)}: ${bindingWords[binds]}.`
      : 'It can’t be ready as it is planned.',
  };
}
