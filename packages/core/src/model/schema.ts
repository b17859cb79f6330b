import { z } from 'zod';
import { name, wallTime } from './fields';
import {
  eventSchema,
  personSchema,
  placeSchema,
  ownMaterialSchema,
  stockSchema,
  amountMeasuredSchema,
  climateSchema,
  mixSchema,
  sharedFields,
} from './workshopSchema';
import { paletteColourSchema } from './paletteSchema';
import { pieceSchema, zoneSchema, stepSchema } from './pieceSchema';
import {
  logEntrySchema,
  underwaySchema,
  pinSchema,
  touchTestSchema,
  timerSchema,
  swatchSchema,
} from './benchSchema';

/**
 * The build file, format `fixatum-build/1`: one JSON file holds a whole build. Lengths are mm, areas cm², volumes
 * ml, times minutes, temperatures °C, humidity %. Moments are wall time (`2027-03-05T19:00`) in the build's
 * `timeZone`. Objects are loose: fields this version does not know are kept on the way through.
 */

export const BUILD_FORMAT = 'fixatum-build/1';
export const buildSchema = z.looseObject({
  format: z.literal(BUILD_FORMAT),
  name,
  start: wallTime,
  events: z.array(eventSchema).default([]),
  ...sharedFields,
  pieces: z.array(pieceSchema).default([]),
  /** Its colours by name; a step that names one is in it. */
  palette: z.array(paletteColourSchema).max(200, 'at most 200 colours').optional(),
  log: z.array(logEntrySchema).optional(),
  underway: z.array(underwaySchema).optional(),
  pins: z.array(pinSchema).optional(),
  touchTests: z.array(touchTestSchema).optional(),
  timers: z.array(timerSchema).optional(),
});

/** A whole costume or prop set with its dates, people, places, pieces and log. */
export type Build = z.infer<typeof buildSchema>;
export type BuildEvent = z.infer<typeof eventSchema>;
export type Person = z.infer<typeof personSchema>;
export type Place = z.infer<typeof placeSchema>;
export type Climate = z.infer<typeof climateSchema>;
export type Tin = z.infer<typeof stockSchema>;
export type Mix = z.infer<typeof mixSchema>;
export type AmountMeasuredEntry = z.infer<typeof amountMeasuredSchema>;
export type OwnMaterial = z.infer<typeof ownMaterialSchema>;
export type Piece = z.infer<typeof pieceSchema>;
export type PaletteColour = z.infer<typeof paletteColourSchema>;
export type Zone = z.infer<typeof zoneSchema>;
export type Step = z.infer<typeof stepSchema>;
export type LogEntry = z.infer<typeof logEntrySchema>;
export type Underway = z.infer<typeof underwaySchema>;
export type Pin = z.infer<typeof pinSchema>;
export type TouchTest = z.infer<typeof touchTestSchema>;
export type BenchTimer = z.infer<typeof timerSchema>;
export type Swatch = z.infer<typeof swatchSchema>;

export * from './benchSchema';
export * from './paletteSchema';
export * from './pieceSchema';
export * from './workshopSchema';
export {
  airAids,
  attachments,
  faces,
  surfaces,
  zoneRoles,
  zoneEdges,
  sealerSchools,
  undercoatChoices,
  clears,
  climateZones,
  halves,
  textureKinds,
  ventilations,
  waits,
  wantedEffects,
  weekdays,
  type AirAid,
  type Attachment,
  type Surface,
  type ZoneEdge,
  type SealerSchool,
  type Undercoat,
  type Clear,
  type ClimateZone,
  type Half,
  type ZoneRole,
  type TextureKind,
  type Face,
  type WantedEffect,
  type Weekday,
} from './fields';
