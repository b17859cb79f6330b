import { isTimeZone, toEpochMinute } from './wallTime';
import { findStepCycle } from './stepLinks';
import type { Fault } from './fault';
import type { Build, OwnMaterial } from './schema';

type Path = (string | number)[];

/** The materials that may be used, by id, given the build's own tins: the catalogue lies above this room. */
export type KnownMaterials = (own: readonly OwnMaterial[]) => ReadonlyMap<string, unknown>;

/**
 * Every fault that needs more than one field to see: ids used twice or not at all, dates that do not exist,
 * shares that do not add up, steps that wait for each other in a circle. An empty list means the build can be used.
 */
export function findReferenceFaults(build: Build, materialsWith: KnownMaterials): Fault[] {
  const faults: Fault[] = [];
  const say = (code: string, path: Path, message: string) => faults.push({ code, path, message });

  if (!isTimeZone(build.timeZone)) {
    say(
      'time-zone',
      ['timeZone'],
      `"${build.timeZone}" is not a time zone; write one such as Europe/Lisbon.`,
    );
    return faults;
  }
  const moment = (wall: string | undefined, path: Path) => {
    if (wall === undefined) return;
    if (toEpochMinute(wall, build.timeZone) === undefined) {
      say('no-such-date', path, `${wall} does not exist in ${build.timeZone}.`);
    }
  };
  const day = (date: string | undefined, path: Path) => {
    if (date !== undefined && toEpochMinute(`${date}T12:00`, build.timeZone) === undefined) {
      say('no-such-date', path, `${date} is not a day of the calendar.`);
    }
  };
  const ids = (list: readonly { id: string }[], path: Path, what: string): Set<string> => {
    const seen = new Set<string>();
    list.forEach((entry, at) => {
      if (seen.has(entry.id)) say('id-twice', [...path, at, 'id'], `Two ${what} share the id "${entry.id}".`);
      seen.add(entry.id);
    });
    return seen;
  };
  const known = (
    value: string | undefined,
    set: ReadonlySet<string> | ReadonlyMap<string, unknown>,
    path: Path,
    what: string,
  ) => {
    if (value !== undefined && !set.has(value))
      say('unknown-id', path, `There is no ${what} "${value}" in this build.`);
  };

  moment(build.start, ['start']);
  const events = ids(build.events, ['events'], 'events');
  build.events.forEach((event, at) => {
    moment(event.wearAt, ['events', at, 'wearAt']);
    moment(event.packAt, ['events', at, 'packAt']);
    if (event.packAt !== undefined && event.packAt > event.wearAt) {
      say(
        'dates-crossed',
        ['events', at, 'packAt'],
        `"${event.name}" is packed after it is worn; swap the two.`,
      );
    }
  });

  ids(build.people, ['people'], 'people');
  build.people.forEach((person, at) => {
    person.availability.forEach((window, n) => {
      if (window.from === window.to)
        say(
          'empty-window',
          ['people', at, 'availability', n, 'to'],
          `A free window from ${window.from} to ${window.to} has no length.`,
        );
    });
    person.exceptions?.forEach((exception, n) =>
      day(exception.date, ['people', at, 'exceptions', n, 'date']),
    );
  });

  const places = ids(build.places, ['places'], 'places');
  build.places.forEach((place, at) => {
    if (place.climate.kind !== 'hourly') return;
    moment(place.climate.start, ['places', at, 'climate', 'start']);
    if (place.climate.temperatureC.length !== place.climate.humidityPct.length) {
      say(
        'uneven-hours',
        ['places', at, 'climate', 'humidityPct'],
        'Give as many hours of humidity as of temperature.',
      );
    }
  });

  const own = build.materials ?? [];
  ids(own, ['materials'], 'materials');
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
  build.stock?.forEach((tin, at) => {
    known(tin.material, materials, ['stock', at, 'material'], 'material');
    day(tin.openedOn, ['stock', at, 'openedOn']);
  });

  const pieces = ids(build.pieces, ['pieces'], 'pieces');
  build.pieces.forEach((piece, at) => {
    const path: Path = ['pieces', at];
    known(piece.event, events, [...path, 'event'], 'event');
    const zones = ids(piece.zones ?? [], [...path, 'zones'], 'zones');
    if (piece.zones && piece.zones.length > 0) {
      const sum = piece.zones.reduce((total, zone) => total + zone.share, 0);
      if (Math.abs(sum - 1) > 0.005) {
        say(
          'shares',
          [...path, 'zones'],
          `The zones of "${piece.name}" cover ${Math.round(sum * 100)} % of it; make the shares add up to 100 %.`,
        );
      }
    }
    ids(piece.steps, [...path, 'steps'], `steps of "${piece.name}"`);
    piece.steps.forEach((step, n) => {
      const stepPath = [...path, 'steps', n];
      known(step.material, materials, [...stepPath, 'material'], 'material');
      known(step.place, places, [...stepPath, 'place'], 'place');
      step.zones?.forEach((zone, z) =>
        known(zone, zones, [...stepPath, 'zones', z], `zone of "${piece.name}" called`),
      );
      if (step.faces?.includes('inner') && !piece.faces.inner) {
        say(
          'no-face',
          [...stepPath, 'faces'],
          `"${piece.name}" has no inner face; give it an area or leave the face out.`,
        );
      }
      step.after?.forEach((link, k) => {
        const [pieceId, stepId] = link.includes('/')
          ? (link.split('/', 2) as [string, string])
          : [piece.id, link];
        const other = build.pieces.find((candidate) => candidate.id === pieceId);
        if (!other?.steps.some((candidate) => candidate.id === stepId)) {
          say('unknown-id', [...stepPath, 'after', k], `There is no step "${link}" to wait for.`);
        }
      });
    });
  });
  if (faults.length === 0) {
    const cycle = findStepCycle(build);
    if (cycle)
      say('cycle', cycle.path, `These steps wait for each other in a circle: ${cycle.steps.join(' → ')}.`);
  }

  const spots = (
    list: readonly {
      id: string;
      piece: string;
      unit: number;
      step: string;
      coat: number;
      face?: string | undefined;
    }[],
    key: string,
  ) => {
    ids(list, [key], 'entries');
    list.forEach((entry, at) => {
      const piece = build.pieces.find((candidate) => candidate.id === entry.piece);
      known(entry.piece, pieces, [key, at, 'piece'], 'piece');
      if (!piece) return;
      const step = piece.steps.find((candidate) => candidate.id === entry.step);
      if (!step) say('unknown-id', [key, at, 'step'], `"${piece.name}" has no step "${entry.step}".`);
      if (entry.unit > piece.quantity)
        say(
          'no-unit',
          [key, at, 'unit'],
          `There are ${piece.quantity} of "${piece.name}", not ${entry.unit}.`,
        );
      if (step && entry.coat > (step.coats ?? 1))
        say(
          'no-coat',
          [key, at, 'coat'],
          `That step of "${piece.name}" has ${step.coats ?? 1} coats, not ${entry.coat}.`,
        );
    });
  };
  spots(build.log ?? [], 'log');
  build.log?.forEach((entry, at) => {
    moment(entry.doneAt, ['log', at, 'doneAt']);
    moment(entry.startedAt, ['log', at, 'startedAt']);
    known(entry.material, materials, ['log', at, 'material'], 'material');
    known(entry.place, places, ['log', at, 'place'], 'place');
  });
  // A pin whose operation is gone, as when a step was deleted, means nothing and does no harm.
  build.pins?.forEach((pin, at) => moment(pin.at, ['pins', at, 'at']));
  build.touchTests?.forEach((test, at) => {
    const piece = build.pieces.find((candidate) => candidate.id === test.piece);
    known(test.piece, pieces, ['touchTests', at, 'piece'], 'piece');
    if (piece && test.unit > piece.quantity)
      say(
        'no-unit',
        ['touchTests', at, 'unit'],
        `There are ${piece.quantity} of "${piece.name}", not ${test.unit}.`,
      );
    moment(test.at, ['touchTests', at, 'at']);
  });
  spots(build.underway ?? [], 'underway');
  build.underway?.forEach((entry, at) => {
    moment(entry.startedAt, ['underway', at, 'startedAt']);
    moment(entry.pausedAt, ['underway', at, 'pausedAt']);
  });
  build.swatches?.forEach((swatch, at) => {
    swatch.coats.forEach((coat, n) =>
      known(coat.material, materials, ['swatches', at, 'coats', n, 'material'], 'material'),
    );
    day(swatch.judgedOn, ['swatches', at, 'judgedOn']);
    if ((swatch.result === undefined) !== (swatch.judgedOn === undefined))
      say(
        'half-judged',
        ['swatches', at, swatch.result === undefined ? 'result' : 'judgedOn'],
        'A swatch is judged with a result and a date, or not at all.',
      );
  });
  return faults;
}
