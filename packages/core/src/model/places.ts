import { methodTable, type Method } from './methods';
import type { Build, Place } from './schema';

/** Where work happens when a build names no place: a room at label air. */
export const roomAtLabelAir: Place = {
  id: 'room',
  name: 'Room',
  ventilation: 'window',
  slots: 6,
  climate: { kind: 'constant', temperatureC: 21, humidityPct: 50 },
};

/** The places of a build, or the one assumed when it names none. */
export const placesOf = (build: Build): Place[] =>
  build.places.length > 0 ? build.places : [roomAtLabelAir];

const isAiry = ({ ventilation }: Pick<Place, 'ventilation'>): boolean =>
  ventilation === 'outdoor' || ventilation === 'extraction';

/** A place with moving air, where mist may go; undefined where there is none. */
export const airyPlace = (places: readonly Place[]): Place | undefined => places.find(isAiry);

/** Where a method is used: a can where the air moves, all else where people live, if there is a choice. */
export function usualPlace(places: readonly Place[], method: Method): Place | undefined {
  const found = methodTable[method].hasPropellant
    ? airyPlace(places)
    : places.find(({ ventilation }) => ventilation !== 'outdoor');
  return found ?? places[0];
}

/** Where things are carried from places outside once they are touch-dry: the first place indoors, by the id of the place outside. */
export function indoorsOf(places: readonly Place[]): Map<string, string> {
  const home = places.find(({ ventilation }) => ventilation !== 'outdoor');
  return new Map(
    places.flatMap(({ id, carriedIn }) => (carriedIn && home && home.id !== id ? [[id, home.id]] : [])),
  );
}
