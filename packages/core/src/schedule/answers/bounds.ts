import { rateTrack, type RateTrack } from '../../drying/rateTrack';
import type { Clock, PlaceAir } from '../../drying/placeAir';
import { parseRecoat } from '../../materials/material';
import { epochMinute, sayMoment, type EpochMinute } from '../../model/wallTime';
import { firstGoodAir } from '../../drying/goodAir';
import type { Workload } from '../plan/workload';
import type { PlannedOperation, Binding } from '../plan/plan';
import type { UnitState } from '../state/unitState';
import type { Material } from '../../model/materialSchema';

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

/** All hands together against all work for one date. */
export interface HandsBound {
  eventId: string;
  /** Minutes of bare work that have to be done before it. */
  needMinutes: number;
  /** Minutes that people are free before it. */
  haveMinutes: number;
  /** The soonest all of it can be done with everybody at work in all their free time; Infinity for never. */
  doneAt: EpochMinute;
  /** Whether that proves that something will be late. */
  provesLate: boolean;
}

const bindingWords: Record<Binding, string> = {
  start: 'the work itself',
  order: 'the work itself',
  drying: 'drying takes most of it',
  through: 'drying takes most of it',
  window: 'a recoat window takes most of it',
  hands: 'waiting for somebody to be free takes most of it',
  place: 'waiting for the place to open takes most of it',
  quiet: 'the quiet hours take most of it',
  rack: 'the rack takes most of it',
  air: 'waiting for fit air takes most of it',
};

/** A fan speeds every clock by this. */
const FAN = 1.5;

/**
 * True bounds: no plan of any planner beats them. Each unit of a piece is taken alone and everything that could slow it is
 * left out: others' work, set-up and clean-up, the rack, quiet, covering films, coats that join, and the ends of recoat
 * windows; everybody works whenever anybody is free, and each coat dries in the quickest air of all places its unit goes
 * through. What is left only moves later when something moves later, so the earliest start of each is best.
 */
export function pieceBounds(
  workload: Workload,
  operations: readonly PlannedOperation[],
  units: ReadonlyMap<string, UnitState>,
  now: EpochMinute,
): PieceBound[] {
  const anybody = (from: EpochMinute, minutes: number) =>
    workload.people.reduce(
      (first, person) => Math.min(first, person.calendar.firstFit(from, minutes)),
      Infinity,
    );
  const byUnit = new Map<string, PlannedOperation[]>();
  for (const operation of operations) {
    const key = `${operation.pieceId}/${operation.unit}`;
    const list = byUnit.get(key);
    if (list) list.push(operation);
    else byUnit.set(key, [operation]);
  }
  const ends = new Map<string, EpochMinute>();
  const results = new Map<string, { pack: EpochMinute; wear: EpochMinute; waits: Map<Binding, number> }>();

  const boundUnit = (key: string): void => {
    const own = byUnit.get(key)!;
    const places = [...new Set(own.map((operation) => operation.placeId))].map((id) =>
      workload.airs.get(id)!,
    );
    const fan = own.some((operation) => operation.air === 'fan') ? FAN : 1;
    const quickest = new Map<string, RateTrack>();
    const trackOf = (material: Material, clock: Clock): RateTrack => {
      const id = `${material.id} ${clock}`;
      let track = quickest.get(id);
      if (!track) {
        track = quickestTrack(places, material, clock, workload.originAt);
        quickest.set(id, track);
      }
      return track;
    };
    const reach = (material: Material, clock: Clock, from: EpochMinute, need: number, speed = fan) => {
      const track = trackOf(material, clock);
      return track.minuteAt(track.progressAt(from) + need / speed);
    };
    interface Laid {
      operation: PlannedOperation;
      factor: number;
      filmFactor: number;
      at: EpochMinute;
      material: Material;
    }
    const laid: Laid[] = [];
    const state = units.get(key);
    const waits = new Map<Binding, number>();
    const late = (coat: Laid, label: number | undefined) =>
      reach(coat.material, 'late', coat.at, (label ?? 0) * coat.filmFactor ** 2 * coat.factor);
    for (const operation of own) {
      if (operation.status === 'done' || operation.status === 'underway') {
        ends.set(operation.id, operation.laidAt!);
        if (!operation.material) continue;
        const coat = [...(state?.cells.values() ?? [])]
          .flat()
          .find((one) => one.operationId === operation.id);
        laid.push({
          operation,
          factor: coat?.timeFactor ?? 1,
          filmFactor: coat?.filmFactor ?? operation.filmFactor,
          at: operation.laidAt!,
          material: operation.material,
        });
        continue;
      }
      if (operation.status === 'skipped') continue;
      let from = operation.after.reduce((latest, id) => Math.max(latest, ends.get(id) ?? now), now);
      const pinned = workload.pins.get(operation.id);
      if (pinned !== undefined) from = Math.max(from, pinned);
      const push = (to: EpochMinute, why: Binding) => {
        if (to <= from) return;
        waits.set(why, (waits.get(why) ?? 0) + to - from);
        from = to;
      };
      push(gateAlone(operation, laid), 'drying');
      for (let round = 0; round < 60 && from !== Infinity; round += 1) {
        const before = from;
        push(anybody(from, operation.workMinutes), 'hands');
        if (from !== Infinity)
          push(workload.placeHours.get(operation.placeId)!.firstFit(from, operation.workMinutes), 'place');
        if (from !== Infinity && operation.material) {
          const touch =
            (operation.material.touch ?? parseRecoat(operation.material.recoat)[0]?.from ?? 0) *
            operation.filmFactor;
          push(
            firstGoodAir(
              operation.material,
              workload.airs.get(operation.placeId)!,
              from,
              operation.workMinutes,
              touch,
            ),
            'air',
          );
        }
        if (from === before) break;
      }
      const at = from + operation.workMinutes;
      ends.set(operation.id, at);
      if (operation.material)
        laid.push({
          operation,
          factor: 1,
          filmFactor: operation.filmFactor,
          at,
          material: operation.material,
        });
    }
    const end = Math.max(now, ...own.map((operation) => ends.get(operation.id) ?? -Infinity));
    let pack = own.some((operation) => operation.status !== 'done') ? end : -Infinity;
    let wear = pack;
    for (const coat of laid) {
      pack = Math.max(pack, late(coat, coat.material.pack));
      wear = Math.max(wear, late(coat, coat.material.wear));
    }
    if (Number.isFinite(pack) && Math.max(pack, wear) > end)
      waits.set('drying', (waits.get('drying') ?? 0) + Math.max(pack, wear) - end);
    results.set(key, { pack: Math.floor(pack), wear: Math.floor(wear), waits });

    /** What already lies lets this begin, each coat by itself. */
    function gateAlone(operation: PlannedOperation, coats: readonly Laid[]): EpochMinute {
      const meets = (coat: Laid) => coat.operation.cells.some((cell) => operation.cells.includes(cell));
      let at = -Infinity;
      const topOf = new Map<string, Laid>();
      for (const coat of coats) for (const cell of coat.operation.cells) topOf.set(cell, coat);
      const tops = new Set(
        [...topOf].filter(([cell]) => operation.cells.includes(cell)).map(([, coat]) => coat),
      );
      if (operation.material && operation.material.role !== 'bond') {
        for (const coat of coats)
          if (coat.operation.face !== operation.face || operation.waitsForCure)
            at = Math.max(at, late(coat, coat.material.handle));
        for (const coat of tops) {
          const opens = parseRecoat(coat.material.recoat)[0]?.from ?? 0;
          const speed = coat.operation.air === 'warm' ? 3 * fan : fan;
          at = Math.max(
            at,
            reach(coat.material, 'early', coat.at, opens * coat.filmFactor ** 1.5 * coat.factor, speed),
          );
        }
        if (operation.waitsForCure)
          for (const coat of coats)
            if (meets(coat))
              at = Math.max(at, late(coat, coat.material.pack), late(coat, coat.material.wear));
        return Math.floor(at);
      }
      for (const coat of coats) {
        if (operation.kind === 'mask' && meets(coat))
          at = Math.max(at, late(coat, coat.material.tape ?? coat.material.handle));
        else if (operation.kind === 'sand' && tops.has(coat))
          at = Math.max(at, late(coat, coat.material.sand ?? coat.material.handle));
        else if (
          operation.kind !== 'unmask' &&
          operation.kind !== 'weather' &&
          operation.kind !== 'mask' &&
          operation.kind !== 'sand'
        )
          at = Math.max(at, late(coat, coat.material.handle));
      }
      return Math.floor(at);
    }
  };

  // A unit that waits for parts of other pieces comes after them.
  const waiting = new Set(byUnit.keys());
  const unitOf = new Map(
    operations.map((operation) => [operation.id, `${operation.pieceId}/${operation.unit}`]),
  );
  const visit = (key: string): void => {
    if (!waiting.delete(key)) return;
    for (const operation of byUnit.get(key)!)
      for (const id of operation.after) {
        const other = unitOf.get(id);
        if (other !== undefined && other !== key) visit(other);
      }
    boundUnit(key);
  };
  for (const key of byUnit.keys()) visit(key);

  return workload.build.pieces.map((piece) => {
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
      provesLate:
        event !== undefined && (missed(packableAt, event.packAt) || missed(wearableAt, event.wearAt)),
      sentence: Number.isFinite(ready)
        ? `At best ready by ${sayMoment(ready, timeZone)}: ${bindingWords[binds]}.`
        : 'It can’t be ready as it is planned.',
    };
  });
}

/** For each date, all work that has to be done before it against all time that people have. */
export function handsBounds(
  workload: Workload,
  operations: readonly PlannedOperation[],
  now: EpochMinute,
): HandsBound[] {
  const { build } = workload;
  return build.events.map((event) => {
    // Packed or worn, whichever comes first: the last work is done before.
    const dueAt = Math.min(
      ...[event.packAt ?? event.wearAt, event.wearAt].map((at) => epochMinute(at, build.timeZone)),
    );
    const pieces = new Set(build.pieces.filter((piece) => piece.event === event.id).map((piece) => piece.id));
    const needMinutes = operations
      .filter(
        (operation) =>
          pieces.has(operation.pieceId) &&
          (operation.status === 'planned' || operation.status === 'unplaced'),
      )
      .reduce((sum, operation) => sum + operation.workMinutes, 0);
    const haveMinutes =
      dueAt <= now
        ? 0
        : workload.people.reduce(
            (sum, person) =>
              sum +
              person.calendar.between(now, dueAt).reduce((free, window) => free + window.to - window.from, 0),
            0,
          );
    const doneAt = handsDoneAt(workload, needMinutes, now);
    return { eventId: event.id, needMinutes, haveMinutes, doneAt, provesLate: needMinutes > haveMinutes };
  });
}

/** Free time is looked at so far in one go, */
const LOOK_AHEAD_MINUTES = 28 * 1440;
/** and no further than a year: nobody has planned those evenings. */
const MOST_LOOKS = 13;

/** The soonest so many minutes of work can be done with everybody at it in all their free time; Infinity for never. */
export function handsDoneAt(workload: Workload, minutes: number, now: EpochMinute): EpochMinute {
  let left = minutes;
  for (let look = 0; look < MOST_LOOKS; look += 1) {
    const from = now + look * LOOK_AHEAD_MINUTES;
    // Hands come and go at the edges of free windows; between those a fixed number of them is free.
    const edges = workload.people
      .flatMap((person) => person.calendar.between(from, from + LOOK_AHEAD_MINUTES))
      .flatMap((window) => [
        { at: window.from, hands: 1 },
        { at: window.to, hands: -1 },
      ])
      .sort((a, b) => a.at - b.at);
    let hands = 0;
    let at = from;
    for (const edge of edges) {
      if (left <= hands * (edge.at - at)) return at + (hands > 0 ? left / hands : 0);
      left -= hands * (edge.at - at);
      hands += edge.hands;
      at = edge.at;
    }
  }
  return Infinity;
}

/** A clock that runs at each moment as fast as in the quickest of some places. */
function quickestTrack(
  places: readonly PlaceAir[],
  material: Material,
  clock: Clock,
  origin: EpochMinute,
): RateTrack {
  const [only] = places;
  if (places.length === 1 && only) return only.track(material, clock);
  const rateIn = places.map((place) => place.rate(material, clock));
  return rateTrack(
    {
      airAt: (minute) => {
        let best = places[0]!.series.airAt(minute);
        let rate = -1;
        places.forEach((place, at) => {
          const air = place.series.airAt(minute);
          const own = rateIn[at]!(air);
          if (own > rate) [best, rate] = [air, own];
        });
        return best;
      },
      nextChangeAfter: (minute) =>
        places.reduce((next, place) => Math.min(next, place.series.nextChangeAfter(minute)), Infinity),
    },
    rateIn[0]!,
    origin,
  );
}
