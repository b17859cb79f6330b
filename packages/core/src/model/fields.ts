import { z } from 'zod';
import { sayC } from './sayMeasure';

export const faces = ['outer', 'inner'] as const;

export const airAids = ['still', 'fan', 'warm'] as const;

export const weekdays = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

export const ventilations = ['none', 'window', 'extraction', 'outdoor'] as const;

/** What an attach step puts on. */
export const attachments = [
  'strap',
  'elastic',
  'closure',
  'fabric',
  'leather',
  'mesh',
  'lens',
  'decal',
  'vinyl',
  'iron-on',
  'led',
  'battery',
  'hardware',
] as const;

/** What of that is pulled at when it is worn. */
export const pulledAt: readonly Attachment[] = ['strap', 'elastic', 'closure', 'leather', 'battery'];

/** What of that paint and clear beside it would stain or fog. */
export const stainable: readonly Attachment[] = ['fabric', 'leather', 'mesh', 'lens'];

/**
 * What a coat can be told to wait for: `cured` for its step to begin only when all below is packable and wearable; `through`
 * for each of its coats to wait until what it lands on is dry through, if the recoat window is still open then; `night` and `day` for each to wait so long after what it lands
 * on was laid, and a day until that can be handled, too.
 */
export const waits = ['cured', 'through', 'night', 'day'] as const;
export type RestKind = 'night' | 'day';

/** How long a night and a day of waiting are, from when what lies there was laid. */
export const restMinutes: Readonly<Record<RestKind, number>> = { night: 600, day: 1440 };

export const wantedEffects = [
  'cracking',
  'undercoat-shows',
  'patchy',
  'short-reheat',
  'painted-cloth',
] as const;

/** How texture got into foam: pressed in while warm, burned in with a hot tip, or ground in. */
export const textureKinds = ['pressed', 'burned', 'ground'] as const;

/** The state a surface comes in: with its factory skin or mould release on it, or opened already. */
export const surfaces = ['skin', 'release', 'opened'] as const;

/** What a zone is in a finish, so that it is known again on another piece. */
/** The ready choices of sealer that practitioners differ on, of undercoat, and of clear. */
export const sealerSchools = [
  'pva',
  'rubber-dip',
  'neoprene',
  'decoupage',
  'seal-spray',
  'foam-coat',
  'epoxy',
  'heat-only',
] as const;
export const undercoatChoices = ['black', 'white', 'grey', 'oxide', 'none'] as const;
export const clears = ['matte', 'satin', 'gloss', 'none'] as const;

/** A climate as people say it, and which half of the globe it is on. */
export const climateZones = ['cold', 'mild', 'warm', 'hot'] as const;
export const halves = ['north', 'south'] as const;
/** How the edge of a zone is kept: cut in by hand, along a groove or relief edge; or taped, as it has to be sharp without one. */
export const zoneEdges = ['by-hand', 'tape'] as const;
export const zoneRoles = ['field', 'trim', 'accent', 'line', 'hardware'] as const;

export const id = z.string().min(1, 'give it an id').max(80, 'an id has at most 80 letters');

export const name = z.string().trim().min(1, 'give it a name').max(120, 'a name has at most 120 letters');

export const note = z.string().max(4000).optional();

export const wallTime = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'write a date with a time of day, in a file as 2027-03-05T19:00');

/** When something happened: wall time, and in the second of autumn's two hours its offset from UTC behind it. */
export const loggedTime = z
  .string()
  .regex(
    /^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}([+-]\d{2}:\d{2})?$/,
    'write a date with a time of day, in a file as 2027-03-05T19:00',
  );

export const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'write a date, in a file as 2027-03-05');

export const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'write a time of day as 19:00');

export const temperatureC = z
  .number()
  .min(-40, { error: () => `colder than ${sayC(-40)}` })
  .max(60, { error: () => `hotter than ${sayC(60)}` });

export const humidityPct = z.number().min(0, 'below 0 %').max(100, 'above 100 %');

export const areaCm2 = z.number().positive('an area is more than zero').max(1_000_000, 'more than 100 m²');

export const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'write a colour as #8a6f3b');

export const window = z.looseObject({ from: clock, to: clock });

export type Face = (typeof faces)[number];

export type Attachment = (typeof attachments)[number];

export type WantedEffect = (typeof wantedEffects)[number];

export type TextureKind = (typeof textureKinds)[number];

export type Surface = (typeof surfaces)[number];

export type SealerSchool = (typeof sealerSchools)[number];
export type Undercoat = (typeof undercoatChoices)[number];
export type Clear = (typeof clears)[number];
export type ClimateZone = (typeof climateZones)[number];
export type Half = (typeof halves)[number];
export type ZoneEdge = (typeof zoneEdges)[number];
export type ZoneRole = (typeof zoneRoles)[number];

export type AirAid = (typeof airAids)[number];

export type Weekday = (typeof weekdays)[number];
