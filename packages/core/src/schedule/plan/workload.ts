import { passesMeant } from '../../model/logPasses';
import { serves } from '../../colour/tint';
import type { Build, LogEntry, Piece, Tin, TouchTest, Underway } from '../../model/schema';
import { isBoughtByColour } from '../../quantity/needs';
import type { Reading } from '../../drying/readings';
import { parseRecoat } from '../../materials/material';
import { materialsOf } from '../../materials/ownMaterials';
import { expandBuild, type Operation } from './operations';
import { epochMinute, type EpochMinute } from '../../model/wallTime';
import type { Material } from '../../model/materialSchema';
import { indoorsOf, placesOf } from '../../model/places';
import { nothingTaken, type Taken } from './taken';
import { findStepCycle, saidOfCycle } from '../../model/stepLinks';
import { entryOf, nth } from '../../model/sure';
import { groupBy } from '../../model/groupBy';
import { calendarsOf, type Calendars } from './calendars';
import { soonAfter } from './soonAfter';
import { tapesOf } from './tapes';
import { setsOf, type Sets } from './sets';
import { coatsOnCoats, type CoatOnCoat } from './coatsOnCoats';
import { traysOf } from './trays';

/** What stays the same however often a build is planned: its operations, clocks and calendars. */
export interface Workload extends Calendars {
  build: Build;
  /** What was measured in its places. */
  readings: ReadingsByPlace;
  pieces: Map<string, Piece>;
  operations: Operation[];
  byId: Map<string, Operation>;
  /** The operations of each unit, `piece/unit`, in order. */
  byUnit: Map<string, Operation[]>;
  /** The coats of each unit that land on others of it. */
  coatsOnCoats: Map<string, CoatOnCoat[]>;
  /** The units that wait for each unit, such as what it is joined into. */
  unitsAfter: Map<string, Set<string>>;
  materials: Map<string, Material>;
  /** How many pieces can stand or hang in each place. */
  slots: Map<string, number>;
  /** The same of those places that could ever be full, as all that is to dry there needs more. */
  scarceSlots: Map<string, number>;
  /** Rooms in which dust is still to be made. */
  dustyPlaces: string[];
  /** Minutes of label waits and work from the start of an operation to a ready piece. */
  tails: Map<string, number>;
  dueAt: Map<string, EpochMinute>;
  startAt: EpochMinute;
  /** Before anything happened: where the clocks of the places begin. */
  originAt: EpochMinute;
  /** The log in the order things happened, its moments read once, each with the operation it means. */
  log: { entry: LogEntry; id: string; doneAt: EpochMinute; startedAt: EpochMinute | undefined }[];
  /** Passes that are under way, with the operations they mean. */
  underway: { entry: Underway; id: string; startedAt: EpochMinute }[];
  /** The touch tests in the order they were made. */
  touchTests: { test: TouchTest; at: EpochMinute }[];
  /** When operations are pinned to, by their id. */
  pins: Map<string, EpochMinute>;
  /** The operations of each piece, in order. */
  byPiece: Map<string, Operation[]>;
  /** The same pass of all units of a tray, by the id of each. */
  trays: ReadonlyMap<string, readonly string[]>;
  /** Lefts with their rights. */
  sets: Sets;
  /** What hands, racks and rooms are needed for besides. */
  taken: Taken;
  /** The pieces that a piece becomes part of, however far up, by its id. */
  wholesOf: Map<string, string[]>;
  /** When what a pass takes is here, where that is only on order, by the id of the pass. */
  arrivals: Map<string, EpochMinute>;
  /** Passes that have to follow another before it has dried too far, by the id of that other. */
  soonAfter: Map<string, string>;
  /** The passes that lay the tape which a pass pulls, by its id. */
  tapeOf: Map<string, string[]>;
}

/** What was measured in each place, by its id, sorted by time. */
export type ReadingsByPlace = Readonly<Record<string, readonly Reading[]>>;

/** What a build is planned amid: whoever plans it, or a change of it, again gives the same. */
export interface Around {
  /** What was measured in the places. */
  readings?: ReadingsByPlace;
  /** What hands, racks and rooms are needed for besides. */
  taken?: Taken;
}

/** What a build was planned amid. */
export const aroundOf = ({ readings, taken }: Pick<Workload, 'readings' | 'taken'>): Required<Around> => ({
  readings,
  taken,
});

/** Gathers everything planning needs from a build and what it is planned amid. */
export function workloadOf(build: Build, { readings = {}, taken = nothingTaken }: Around = {}): Workload {
  const { timeZone } = build;
  const startAt = epochMinute(build.start, timeZone);
  const inOrder = [...(build.log ?? [])]
    .map((entry) => ({ entry, doneAt: epochMinute(entry.doneAt, timeZone) }))
    .sort((a, b) => a.doneAt - b.doneAt);
  const done = new Set<string>();
  const log = passesMeant(
    build.pieces,
    inOrder.map(({ entry }) => entry),
    done,
  ).map(({ entry, id }) => ({
    entry,
    id,
    doneAt: epochMinute(entry.doneAt, timeZone),
    startedAt: entry.startedAt === undefined ? undefined : epochMinute(entry.startedAt, timeZone),
  }));
  const underway = passesMeant(build.pieces, build.underway ?? [], done).map(({ entry, id }) => ({
    entry,
    id,
    startedAt: epochMinute(entry.startedAt, timeZone),
  }));
  const origin = Math.min(startAt, inOrder[0]?.doneAt ?? startAt) - 60;
  const operations = expandBuild(build);
  const dueAt = new Map<string, EpochMinute>();
  for (const piece of build.pieces) {
    const event = build.events.find((candidate) => candidate.id === piece.event);
    if (event) dueAt.set(piece.id, epochMinute(event.packAt ?? event.wearAt, timeZone));
  }
  const places = placesOf(build);
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  const { byUnit, unitsAfter } = unitsOf(operations, byId);
  const byPiece = groupBy(operations, ({ pieceId }) => pieceId);
  const pieces = new Map(build.pieces.map((piece) => [piece.id, piece]));
  const pieceOf = (own: readonly Operation[]) => entryOf(pieces, nth(own, 0).pieceId);
  return {
    build,
    readings,
    pieces,
    operations,
    byId,
    byUnit,
    coatsOnCoats: new Map([...byUnit].map(([key, own]) => [key, coatsOnCoats(own)])),
    unitsAfter,
    materials: materialsOf(build.materials),
    ...calendarsOf(build, places, origin, readings),
    slots: new Map(places.map(({ id, slots }) => [id, slots])),
    scarceSlots: new Map(
      places.flatMap(({ id, slots }) =>
        rackNeeded(operations, id, taken, indoorsOf(places)) > slots ? [[id, slots]] : [],
      ),
    ),
    dustyPlaces: [
      ...new Set([
        ...operations.flatMap(({ id, makesDust, placeId }) => (makesDust && !done.has(id) ? [placeId] : [])),
        ...taken.dusty.map(({ place }) => place),
      ]),
    ],
    tails: tailsOf(build, operations),
    dueAt,
    startAt,
    originAt: origin,
    log,
    underway,
    touchTests: (build.touchTests ?? [])
      .map((test) => ({ test, at: epochMinute(test.at, timeZone) }))
      .sort((a, b) => a.at - b.at),
    byPiece,
    trays: traysOf(build.pieces, byPiece),
    sets: setsOf(build.pieces),
    taken,
    wholesOf: wholesOf(build),
    arrivals: arrivalsOf(build, operations),
    soonAfter: new Map([...byUnit.values()].flatMap(soonAfter)),
    tapeOf: new Map(
      [
        ...groupBy(
          [...byUnit.values()].flatMap((own) => tapesOf(own, pieceOf(own))),
          ({ pull }) => pull.id,
        ),
      ].map(([pull, tapes]) => [pull, tapes.map(({ mask }) => mask.id)]),
    ),
    pins: new Map((build.pins ?? []).map((pin) => [pin.operation, epochMinute(pin.at, timeZone)])),
  };
}

/** `piece/unit` of an operation. */
export const unitKey = (operation: Operation): string => `${operation.pieceId}/${operation.unit}`;

function unitsOf(
  operations: readonly Operation[],
  byId: ReadonlyMap<string, Operation>,
): Pick<Workload, 'byUnit' | 'unitsAfter'> {
  const byUnit = new Map<string, Operation[]>();
  const unitsAfter = new Map<string, Set<string>>();
  for (const operation of operations) {
    const key = unitKey(operation);
    const own = byUnit.get(key);
    if (own) own.push(operation);
    else byUnit.set(key, [operation]);
    for (const id of operation.after) {
      const before = byId.get(id);
      if (!before || unitKey(before) === key) continue;
      const followers = unitsAfter.get(unitKey(before)) ?? new Set();
      unitsAfter.set(unitKey(before), followers.add(key));
    }
  }
  return { byUnit, unitsAfter };
}

/** The rack places that all units with a coat in one place would take at once. */
function rackNeeded(
  operations: readonly Operation[],
  placeId: string,
  taken: Taken,
  carriedTo: ReadonlyMap<string, string>,
): number {
  const shares = new Map(
    taken.racks.flatMap(({ place, unit, share }) => (place === placeId ? [[unit, share] as const] : [])),
  );
  for (const operation of operations)
    if (operation.material && [operation.placeId, carriedTo.get(operation.placeId)].includes(placeId))
      shares.set(unitKey(operation), operation.rackShare);
  return [...shares.values()].reduce((sum, share) => sum + share, 0);
}

function wholesOf(build: Build): Map<string, string[]> {
  const direct = new Map<string, string[]>();
  for (const { id, steps } of build.pieces)
    for (const part of steps.flatMap((step) => step.parts ?? []))
      direct.set(part, [...(direct.get(part) ?? []), id]);
  return new Map(
    [...direct].map(([part, first]) => {
      const all = new Set(first);
      for (const whole of all) for (const above of direct.get(whole) ?? []) all.add(above);
      return [part, [...all]];
    }),
  );
}

/**
 * Passes whose material is not here in their colour, or only in empty tins, with the morning on which the first of what was ordered is. Of
 * what nobody keeps a tin nothing is waited for.
 */
function arrivalsOf(build: Build, operations: readonly Operation[]): Map<string, EpochMinute> {
  const stock = build.stock ?? [];
  const arrivals = new Map<string, EpochMinute>();
  if (stock.every(({ arrivesOn }) => arrivesOn === undefined)) return arrivals;
  const known = new Map<string, EpochMinute | undefined>();
  for (const { id, material, colour: written } of operations) {
    if (!material) continue;
    const colour = isBoughtByColour(material) ? written : undefined;
    const key = `${material.id} ${colour}`;
    if (!known.has(key))
      known.set(
        key,
        arrivalOf(
          build,
          stock.filter((tin) => serves(tin, material, colour)),
        ),
      );
    const at = known.get(key);
    if (at !== undefined) arrivals.set(id, at);
  }
  return arrivals;
}

/** When the first of some tins is here; undefined where one is, or none is on its way. */
function arrivalOf({ timeZone }: Build, tins: readonly Tin[]): EpochMinute | undefined {
  if (tins.some(({ arrivesOn, remainingMl }) => arrivesOn === undefined && remainingMl > 0)) return undefined;
  const ordered = tins.flatMap(({ arrivesOn }) =>
    arrivesOn === undefined ? [] : [epochMinute(`${arrivesOn}T00:00`, timeZone)],
  );
  return ordered.length === 0 ? undefined : Math.min(...ordered);
}

/**
 * Label minutes from the start of each operation to the end of what follows it, for telling urgent from idle.
 * @throws an error that names the steps, when they wait for each other in a circle
 */
function tailsOf(build: Build, operations: readonly Operation[]): Map<string, number> {
  const byId = new Map(operations.map((operation) => [operation.id, operation]));
  /** How many of those that wait for each operation have no tail yet; once none is left, its own is known. */
  const open = new Map<string, number>();
  for (const { after } of operations)
    for (const before of new Set(after)) open.set(before, (open.get(before) ?? 0) + 1);
  const tails = new Map<string, number>();
  const longest = new Map<string, number>();
  const ready = operations.filter(({ id }) => !open.has(id));
  for (let operation = ready.pop(); operation; operation = ready.pop()) {
    const cure = Math.max(operation.material?.pack ?? 0, operation.material?.wear ?? 0);
    const tail = operation.workMinutes + Math.max(cure, longest.get(operation.id) ?? 0);
    tails.set(operation.id, tail);
    for (const id of new Set(operation.after)) {
      const before = byId.get(id);
      if (!before) continue;
      longest.set(id, Math.max(longest.get(id) ?? 0, labelWait(before, operation) + tail));
      const left = (open.get(id) ?? 0) - 1;
      open.set(id, left);
      if (left === 0) ready.push(before);
    }
  }
  if (tails.size < operations.length) throw new Error(saidOfCycle(findStepCycle(build)?.steps ?? []));
  return tails;
}

/** Label minutes between an operation and one that follows it. */
function labelWait({ material, face }: Operation, follower: Operation): number {
  if (!material) return 0;
  if (follower.kind === 'mask') return material.tape ?? 0;
  if (follower.face !== face) return material.handle ?? 0;
  return parseRecoat(material.recoat)[0]?.from ?? 0;
}
