import { placeAir, withIndoors, type PlaceAir } from '../../drying/placeAir';
import { indoorsOf } from '../../model/places';
import type { Build, Place } from '../../model/schema';
import type { EpochMinute } from '../../model/wallTime';
import type { Reading } from '../../drying/readings';
import { personCalendar, placeCalendar, quietCalendar, type Calendar } from './calendar';

/** When people are free, when places may be used and noise be made, and the air of the places. */
export interface Calendars {
  people: { id: string; calendar: Calendar }[];
  placeHours: Map<string, Calendar>;
  loudHours: Calendar | undefined;
  airs: Map<string, PlaceAir>;
}

/** Of so many are kept: a build is planned over and over with a step changed and the same evenings. */
const MOST_KEPT = 64;
const kept = new Map<string, unknown>();

/** What was made from the same words before, or is made now. What is kept only ever grows ahead of what is asked. */
function keptFor<T>(what: string, from: unknown, make: () => T): T {
  const key = `${what} ${JSON.stringify(from)}`;
  const known = kept.get(key);
  const made = known === undefined ? make() : (known as T);
  // The last asked for stays longest.
  kept.delete(key);
  kept.set(key, made);
  const [oldest] = kept.keys();
  if (kept.size > MOST_KEPT && oldest !== undefined) kept.delete(oldest);
  return made;
}

/**
 * The calendars and the air of a build.
 * @param origin before anything happened: where the clocks begin
 */
export function calendarsOf(
  { people, quiet, timeZone }: Pick<Build, 'people' | 'quiet' | 'timeZone'>,
  places: readonly Place[],
  origin: EpochMinute,
  readings: Readonly<Record<string, readonly Reading[]>>,
): Calendars {
  return {
    people: people.map((person) => ({
      id: person.id,
      calendar: keptFor('person', [person, timeZone, origin], () => personCalendar(person, timeZone, origin)),
    })),
    placeHours: new Map(
      places.map((place) => [
        place.id,
        keptFor('hours', [place.hours, place.daylightAtDeg, timeZone, origin], () =>
          placeCalendar(place, timeZone, origin),
        ),
      ]),
    ),
    loudHours:
      quiet && keptFor('quiet', [quiet, timeZone, origin], () => quietCalendar(quiet, timeZone, origin)),
    airs: withIndoors(
      new Map(
        places.map((place) => {
          const measured = readings[place.id] ?? [];
          const make = () => placeAir(place, timeZone, origin, measured);
          // Readings grow by the minute and are long; without any the air is what the place says.
          const air =
            measured.length > 0
              ? make()
              : keptFor(
                  'air',
                  [place.id, place.climate, place.airWas, place.ventilation, timeZone, origin],
                  make,
                );
          return [place.id, air];
        }),
      ),
      indoorsOf(places),
    ),
  };
}
