import { isTimeZone, toEpochMinute } from './wallTime';
import type { Fault } from './fault';
import { mapMoments } from './moments';
import { referencesOf, type Path, type Reference } from './references';
import type { Build, OwnMaterial } from './schema';
import { findStepCycle, saidOfCycle } from './stepLinks';

type Say = (code: string, path: Path, message: string) => void;

/** The materials that may be used, by id, given the build's own tins: the catalogue lies above this room. */
export type KnownMaterials = (own: readonly OwnMaterial[]) => ReadonlyMap<string, unknown>;

/**
 * Every fault that needs more than one field to see: ids used twice or not at all, dates that do not exist,
 * shares that do not add up, steps that wait for each other in a circle. An empty list means the build can be used.
 */
export function findReferenceFaults(build: Build, materialsWith: KnownMaterials): Fault[] {
  const faults: Fault[] = [];
  const say: Say = (code, path, message) => faults.push({ code, path, message });
  if (!isTimeZone(build.timeZone)) {
    say(
      'time-zone',
      ['timeZone'],
      `"${build.timeZone}" is not a time zone; write one such as Europe/Lisbon.`,
    );
    return faults;
  }
  momentFaults(build, say);
  sayIdsTwice(build, say);
  workshopFaults(build, say);
  const materials = tinFaults(build, materialsWith, say);
  shareFaults(build, say);
  for (const reference of referencesOf(build, (id) => materials.has(id)))
    if (!reference.found && reference.kind !== 'pass') say(...missing(build, reference));
  if (faults.length === 0) {
    const cycle = findStepCycle(build);
    if (cycle) say('cycle', cycle.path, saidOfCycle(cycle.steps));
  }
  build.swatches?.forEach((swatch, at) => {
    if ((swatch.result === undefined) !== (swatch.judgedOn === undefined))
      say(
        'half-judged',
        ['swatches', at, swatch.result === undefined ? 'result' : 'judgedOn'],
        'A swatch is judged with a result and a date, or not at all.',
      );
  });
  return faults;
}

/** Moments and days that no calendar has, and events packed after they are worn. */
function momentFaults(build: Build, say: Say): void {
  mapMoments(build, (written, kind, path) => {
    if (kind === 'instant') return written;
    const wall = kind === 'day' ? `${written}T12:00` : written;
    if (toEpochMinute(wall, build.timeZone) === undefined)
      say(
        'no-such-date',
        path,
        kind === 'day'
          ? `${written} is not a day of the calendar.`
          : `${written} does not exist in ${build.timeZone}.`,
      );
    return written;
  });
  build.events.forEach((event, at) => {
    if (event.packAt !== undefined && event.packAt > event.wearAt)
      say(
        'dates-crossed',
        ['events', at, 'packAt'],
        `"${event.name}" is packed after it is worn; swap the two.`,
      );
  });
}

function sayIdsTwice(build: Build, say: Say): void {
  const once = (list: readonly { id: string }[] | undefined, path: Path, what: string) => {
    const seen = new Set<string>();
    list?.forEach((entry, at) => {
      if (seen.has(entry.id)) say('id-twice', [...path, at, 'id'], `Two ${what} share the id "${entry.id}".`);
      seen.add(entry.id);
    });
  };
  once(build.events, ['events'], 'events');
  once(build.people, ['people'], 'people');
  once(build.places, ['places'], 'places');
  once(build.materials, ['materials'], 'materials');
  once(build.mixes, ['mixes'], 'mixes');
  once(build.palette, ['palette'], 'colours');
  once(build.pieces, ['pieces'], 'pieces');
  build.pieces.forEach((piece, at) => {
    once(piece.zones, ['pieces', at, 'zones'], 'zones');
    once(piece.steps, ['pieces', at, 'steps'], `steps of "${piece.name}"`);
  });
  once(build.log, ['log'], 'entries');
  once(build.underway, ['underway'], 'entries');
}

/** Free windows without length, and hours of air that do not match. */
function workshopFaults(build: Build, say: Say): void {
  build.people.forEach((person, at) =>
    person.availability.forEach((window, n) => {
      if (window.from === window.to)
        say(
          'empty-window',
          ['people', at, 'availability', n, 'to'],
          `A free window from ${window.from} to ${window.to} has no length.`,
        );
    }),
  );
  build.places.forEach((place, at) => {
    if (
      place.climate.kind === 'hourly' &&
      place.climate.temperatureC.length !== place.climate.humidityPct.length
    )
      say(
        'uneven-hours',
        ['places', at, 'climate', 'humidityPct'],
        'Give as many hours of humidity as of temperature.',
      );
  });
}

/** Own tins that stand on nothing, or on each other. Returns the materials that may be used. */
function tinFaults(build: Build, materialsWith: KnownMaterials, say: Say): ReadonlyMap<string, unknown> {
  const own = build.materials ?? [];
  const nameless = (tin: OwnMaterial) =>
    tin.extends === undefined && (tin.name === undefined || tin.role === undefined);
  const materials = materialsWith(own.filter((tin) => !nameless(tin)));
  own.forEach((tin, at) => {
    if (nameless(tin)) {
      say(
        'bad-value',
        ['materials', at],
        `"${tin.id}" stands on no catalogue material, so it needs a name and a role.`,
      );
    } else if (tin.extends !== undefined && !materials.has(tin.extends)) {
      say('unknown-id', ['materials', at, 'extends'], `There is no material "${tin.extends}" to build on.`);
    } else if (!materials.has(tin.id)) {
      say('cycle', ['materials', at, 'extends'], `"${tin.id}" and what it builds on stand on each other.`);
    }
  });
  return materials;
}

function shareFaults(build: Build, say: Say): void {
  build.pieces.forEach((piece, at) => {
    if (!piece.zones || piece.zones.length === 0) return;
    const sum = piece.zones.reduce((total, zone) => total + zone.share, 0);
    if (Math.abs(sum - 1) > 0.005)
      say(
        'shares',
        ['pieces', at, 'zones'],
        `The zones of "${piece.name}" cover ${Math.round(sum * 100)} % of it; make the shares add up to 100 %.`,
      );
  });
}

/** What is wrong with a reference to something that is not there: code, path and sentence. */
function missing(build: Build, { kind, path, value, piece }: Reference): [string, Path, string] {
  const name = piece?.name ?? '';
  switch (kind) {
    case 'unit':
      return ['no-unit', path, `There are ${piece?.quantity} of "${name}", not ${value}.`];
    case 'coat': {
      const [list, at] = path;
      const entries = (list === 'underway' ? build.underway : build.log) ?? [];
      const step = piece?.steps.find((one) => one.id === entries[Number(at)]?.step);
      return ['no-coat', path, `That step of "${name}" has ${step?.coats ?? 1} coats, not ${value}.`];
    }
    case 'face':
      return [
        'no-face',
        path.slice(0, -1),
        `"${name}" has no inner face; give it an area or leave the face out.`,
      ];
    case 'step':
      return path.at(-2) === 'after'
        ? ['unknown-id', path, `There is no step "${value}" to wait for.`]
        : ['unknown-id', path, `"${name}" has no step "${value}".`];
    case 'zone':
      return ['unknown-id', path, `There is no zone of "${name}" called "${value}" in this build.`];
    default:
      return ['unknown-id', path, `There is no ${kind} "${value}" in this build.`];
  }
}
