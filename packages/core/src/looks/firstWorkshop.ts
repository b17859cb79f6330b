import { latitudeOf } from '../drying/seasons';
import type { ClimateZone, Half } from '../model/fields';
import type { Person, Place } from '../model/schema';
import { atZone, type EpochMinute } from '../model/wallTime';

/** Where somebody can spray. */
export const sprayPlaces = ['outside', 'booth', 'nowhere'] as const;
export type SprayPlace = (typeof sprayPlaces)[number];

/** What a new workshop is asked on its first evening; what is skipped is assumed, and marked so. */
export interface FirstAnswers {
  outside?: { zone: ClimateZone; half: Half } | undefined;
  spray?: SprayPlace | undefined;
}

/** Where nobody says what it is like outside. */
const USUAL_ZONE: ClimateZone = 'mild';

/** Which half of the globe a time zone is on: where the clocks are ahead in January it is summer then. */
export function halfOf(timeZone: string, now: EpochMinute): Half {
  const here = atZone(now, timeZone);
  return here.set({ month: 1 }).offset > here.set({ month: 7 }).offset ? 'south' : 'north';
}

/**
 * The places of a new workshop: a room, and where sprays are used. Outside has the air that is usual for the season and is used by
 * daylight; what is coated there is carried in once it is touch-dry.
 */
export function firstPlaces({ outside, spray = 'outside' }: FirstAnswers, half: Half): Place[] {
  const indoors = { kind: 'constant' as const, temperatureC: 20, humidityPct: 50 };
  const room: Place = {
    id: 'room',
    name: 'Room',
    ventilation: 'window',
    slots: 6,
    climate: indoors,
    assumed: true,
  };
  if (spray === 'nowhere') return [room];
  if (spray === 'booth')
    return [
      room,
      { id: 'booth', name: 'Booth', ventilation: 'extraction', slots: 2, climate: indoors, assumed: true },
    ];
  const { zone, half: side } = outside ?? { zone: USUAL_ZONE, half };
  return [
    room,
    {
      id: 'outside',
      name: 'Outside',
      ventilation: 'outdoor',
      slots: 4,
      climate: { kind: 'season', zone, half: side },
      daylightAtDeg: latitudeOf(zone, side),
      carriedIn: true,
      assumed: true,
    },
  ];
}

/** When somebody usually has time. */
export interface FreeTimes {
  evenings: boolean;
  weekends: boolean;
  weekdays: boolean;
}

/** The free time of the first person of a new workshop. */
export function firstAvailability({ evenings, weekends, weekdays }: FreeTimes): Person['availability'] {
  const workdays = ['mon', 'tue', 'wed', 'thu', 'fri'] as const;
  return [
    ...(weekdays ? [{ days: [...workdays], from: '09:00', to: '17:00' }] : []),
    ...(evenings ? [{ days: [...workdays], from: '19:00', to: '22:00' }] : []),
    ...(weekends ? [{ days: ['sat' as const, 'sun' as const], from: '10:00', to: '18:00' }] : []),
  ];
}
