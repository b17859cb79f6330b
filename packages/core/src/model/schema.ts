import { z } from 'zod';
import { filmGrades } from './filmGrades';
import { materialFigures } from './materialSchema';
import { methods } from './methods';
import { stepKinds } from './stepKinds';
import { substrateKinds } from './substrates';
import { shapeSchema } from './shapeSchema';
import { sheenClasses } from './sheenClasses';

/**
 * The build file, format `fixatum-build/1`: one JSON file holds a whole build. Lengths are mm, areas cm², volumes
 * ml, times minutes, temperatures °C, humidity %. Moments are wall time (`2027-03-05T19:00`) in the build's
 * `timeZone`. Objects are loose: fields this version does not know are kept on the way through.
 */

export const BUILD_FORMAT = 'fixatum-build/1';

export const faces = ['outer', 'inner'] as const;
export const airAids = ['still', 'fan', 'warm'] as const;
export const weekdays = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
export const ventilations = ['none', 'window', 'extraction', 'outdoor'] as const;
/** What an attach step puts on. */
export const attachments = ['strap', 'fabric', 'leather', 'mesh', 'lens', 'decal', 'hardware'] as const;
/**
 * What a coat can be told to wait for: `cured` for its step to begin only when all below is packable and wearable; `through`
 * for each of its coats to wait until what it lands on is dry through, if the recoat window is still open then.
 */
export const waits = ['cured', 'through'] as const;
export const wantedEffects = ['cracking', 'undercoat-shows', 'patchy'] as const;

const id = z.string().min(1, 'give it an id').max(80, 'an id has at most 80 letters');
const name = z.string().trim().min(1, 'give it a name').max(120, 'a name has at most 120 letters');
const note = z.string().max(4000).optional();
const wallTime = z
  .string()
  .regex(/^\d{4}-\d{2}-\d{2}T\d{2}:\d{2}$/, 'write a date with a time of day, in a file as 2027-03-05T19:00');
const date = z.string().regex(/^\d{4}-\d{2}-\d{2}$/, 'write a date, in a file as 2027-03-05');
const clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$|^24:00$/, 'write a time of day as 19:00');
const temperatureC = z.number().min(-40, 'colder than -40 °C').max(60, 'hotter than 60 °C');
const humidityPct = z.number().min(0, 'below 0 %').max(100, 'above 100 %');
const areaCm2 = z.number().positive('an area is more than zero').max(1_000_000, 'more than 100 m²');
const colour = z.string().regex(/^#[0-9a-fA-F]{6}$/, 'write a colour as #8a6f3b');

export const eventSchema = z.looseObject({ id, name, wearAt: wallTime, packAt: wallTime.optional() });

const window = z.looseObject({ from: clock, to: clock });

export const personSchema = z.looseObject({
  id,
  name,
  availability: z.array(
    z.looseObject({
      days: z.array(z.enum(weekdays)).min(1, 'name at least one day'),
      from: clock,
      to: clock,
    }),
  ),
  exceptions: z.array(z.looseObject({ date, windows: z.array(window) })).optional(),
});

export const climateSchema = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('constant'), temperatureC, humidityPct }),
  z.looseObject({
    kind: z.literal('hourly'),
    start: wallTime,
    temperatureC: z.array(temperatureC).min(1, 'give at least one hour'),
    humidityPct: z.array(humidityPct).min(1, 'give at least one hour'),
  }),
  z.looseObject({
    kind: z.literal('daily'),
    meanC: temperatureC,
    swingC: z.number().min(0).max(30),
    humidityPct,
  }),
]);

export const placeSchema = z.looseObject({
  id,
  name,
  ventilation: z.enum(ventilations),
  slots: z.number().int('whole places only').min(1, 'at least one piece must fit').max(500),
  climate: climateSchema,
  hours: window.optional(),
  /** The local port on which a thermo-hygrometer of this place answers. */
  hygrometerPort: z.number().int().min(1).max(65_535).optional(),
});

export const ownMaterialSchema = materialFigures.partial().loose().extend({ id, extends: id.optional() });

export const stockSchema = z.looseObject({
  material: id,
  containerMl: z.number().positive(),
  remainingMl: z.number().min(0),
  openedOn: date.optional(),
  price: z.number().min(0).optional(),
});

export const stepSchema = z.looseObject({
  id,
  kind: z.enum(stepKinds),
  material: id.optional(),
  method: z.enum(methods).optional(),
  coats: z
    .number()
    .int('whole coats only')
    .min(1, 'at least one coat')
    .max(20, 'at most 20 coats')
    .optional(),
  film: z.enum(filmGrades).optional(),
  faces: z.array(z.enum(faces)).min(1, 'name at least one face').optional(),
  zones: z.array(id).min(1, 'name at least one zone').optional(),
  place: id.optional(),
  colour: colour.optional(),
  after: z.array(z.string().min(1)).optional(),
  air: z.enum(airAids).optional(),
  wanted: z.array(z.enum(wantedEffects)).optional(),
  minutes: z.number().positive('longer than nothing').max(1440, 'longer than a day').optional(),
  optional: z.boolean().optional(),
  dilution: z.string().max(200).optional(),
  waitFor: z.enum(waits).optional(),
  /** For attach steps: what is put on. */
  attaches: z.enum(attachments).optional(),
  /** For join steps: the pieces that become part of this one. */
  parts: z.array(id).optional(),
  /** For mask steps: closures and bond areas that are covered, by name. */
  covers: z.array(name).optional(),
  /** For coats that are poured: how deep, in place of the film grade. */
  pourMm: z.number().positive('deeper than nothing').max(100, 'at most 100 mm').optional(),
  /** For two-part materials: in how many lots a coat is mixed. */
  mixes: z.number().int('whole lots only').min(1, 'at least one lot').max(20, 'at most 20 lots').optional(),
  /** For sealers: pigment stirred in, % by volume. */
  tintPct: z.number().min(0).max(100).optional(),
  /** For prep steps: foam is cut to fit, so raw edges show. */
  trims: z.boolean().optional(),
  note,
});

/** A face with its area; `shape` is what the area was worked out from, if anything. */
export const faceSchema = z.looseObject({ areaCm2, shape: shapeSchema.optional() });

export const zoneSchema = z.looseObject({
  id,
  name,
  share: z.number().positive('a share is more than zero').max(1, 'a share is at most 1'),
  edgeMm: z.number().min(0).max(1_000_000).optional(),
  wantsSheen: z.enum(sheenClasses).optional(),
});

export const pieceSchema = z.looseObject({
  id,
  name,
  quantity: z.number().int('whole pieces only').min(1, 'at least one').max(200, 'at most 200 of a kind'),
  event: id.optional(),
  substrate: z.looseObject({
    kind: z.enum(substrateKinds),
    density: z.enum(['low', 'medium', 'high']).optional(),
    thicknessMm: z.number().positive().max(200),
    heatSealed: z.boolean().optional(),
  }),
  faces: z.looseObject({ outer: faceSchema, inner: faceSchema.optional() }),
  flex: z
    .array(
      z.looseObject({
        name: name,
        bendRadiusMm: z.number().positive('a bend has a radius above zero').max(10_000),
      }),
    )
    .optional(),
  finestDetailMm: z.number().positive().max(500).optional(),
  /** Closures, tabs and bond areas that stay bare, by name. */
  keepBare: z.array(name).max(40).optional(),
  /** The piece this one mirrors: left and right. */
  mirrors: id.optional(),
  zones: z.array(zoneSchema).optional(),
  /** The sheen it should come out in, where a zone does not say otherwise. */
  wantsSheen: z.enum(sheenClasses).optional(),
  /** When it was packed, if it was. */
  packedAt: wallTime.optional(),
  steps: z.array(stepSchema),
  note,
});

const coatPlace = {
  piece: id,
  unit: z.number().int().min(1),
  step: id,
  coat: z.number().int().min(1).default(1),
  face: z.enum(faces).optional(),
};

/** One finished pass: which coat on which unit, when, in what air. `startedAt` is kept when the bench timed it. */
export const logEntrySchema = z.looseObject({
  id,
  ...coatPlace,
  doneAt: wallTime,
  startedAt: wallTime.optional(),
  temperatureC: temperatureC.optional(),
  humidityPct: humidityPct.optional(),
  film: z.enum(filmGrades).optional(),
  /** Another tin, or another place, than was planned. */
  material: id.optional(),
  place: id.optional(),
  /** It went wrong: what was laid is there, and the pass has to be done again. */
  outcome: z.enum(['failed']).optional(),
  /** The name of a photo that the server keeps. */
  photo: z.string().max(120).optional(),
  note,
});

/** A finger on the newest coat of a unit, or on that of one step: dry, or still tacky. */
export const touchTestSchema = z.looseObject({
  id,
  piece: id,
  unit: z.number().int().min(1),
  step: id.optional(),
  face: z.enum(faces).optional(),
  at: wallTime,
  state: z.enum(['dry', 'tacky']),
});

/** An operation that the user wants at a moment: it is begun then, or as soon after as can be. */
export const pinSchema = z.looseObject({ operation: z.string().min(1).max(400), at: wallTime });

/** A timer of the bench, by the instant it began: it goes on whatever happens to the screen. */
export const timerSchema = z.looseObject({
  id,
  label: name,
  startedAt: z.iso.datetime('write an instant as 2027-02-20T19:30:00Z'),
  minutes: z
    .number()
    .positive('longer than nothing')
    .max(14 * 1440, 'at most two weeks'),
  /** Rings at each of these steps on the way, such as every 4 min while epoxy is reworked. */
  everyMinutes: z.number().positive().max(1440).optional(),
});

/** A pass that has been started at the bench and not yet logged as done. */
export const underwaySchema = z.looseObject({
  id,
  ...coatPlace,
  startedAt: wallTime,
  /** Laid down since then, and for how long altogether before that. */
  pausedAt: wallTime.optional(),
  pausedMinutes: z.number().min(0).optional(),
});

/**
 * A test on an offcut: these coats in this order, bent, taped and looked at. Without a result it is planned and not
 * judged yet.
 */
export const swatchSchema = z.looseObject({
  id,
  coats: z
    .array(
      z.looseObject({
        material: id,
        film: z.enum(filmGrades).optional(),
        /** What lies below was cured right through before this went on. */
        onCured: z.boolean().optional(),
        /** What lies below was scuffed before this went on. */
        onScuffed: z.boolean().optional(),
      }),
    )
    .min(1, 'put at least one coat on it')
    .max(20, 'at most 20 coats'),
  substrate: z.enum(substrateKinds),
  /** Bent round this radius, to the middle of the foam; absent when it was not bent. */
  bendRadiusMm: z.number().positive().optional(),
  result: z.enum(['good', 'failed']).optional(),
  judgedOn: date.optional(),
  /** The name of a photo that the server keeps. */
  photo: z.string().max(120).optional(),
  note,
});

export const buildSchema = z.looseObject({
  format: z.literal(BUILD_FORMAT),
  name,
  timeZone: z.string().min(1),
  start: wallTime,
  events: z.array(eventSchema).default([]),
  people: z.array(personSchema).default([]),
  places: z.array(placeSchema).default([]),
  materials: z.array(ownMaterialSchema).optional(),
  stock: z.array(stockSchema).optional(),
  pieces: z.array(pieceSchema).default([]),
  log: z.array(logEntrySchema).optional(),
  underway: z.array(underwaySchema).optional(),
  /** No compressor and no sanding in these hours. */
  quiet: window.optional(),
  pins: z.array(pinSchema).optional(),
  touchTests: z.array(touchTestSchema).optional(),
  timers: z.array(timerSchema).optional(),
  swatches: z.array(swatchSchema).optional(),
});

/** A whole costume or prop set with its dates, people, places, pieces and log. */
export type Build = z.infer<typeof buildSchema>;
export type BuildEvent = z.infer<typeof eventSchema>;
export type Person = z.infer<typeof personSchema>;
export type Place = z.infer<typeof placeSchema>;
export type Climate = z.infer<typeof climateSchema>;
export type OwnMaterial = z.infer<typeof ownMaterialSchema>;
export type Piece = z.infer<typeof pieceSchema>;
export type Zone = z.infer<typeof zoneSchema>;
export type Step = z.infer<typeof stepSchema>;
export type LogEntry = z.infer<typeof logEntrySchema>;
export type Underway = z.infer<typeof underwaySchema>;
export type Pin = z.infer<typeof pinSchema>;
export type TouchTest = z.infer<typeof touchTestSchema>;
export type BenchTimer = z.infer<typeof timerSchema>;
export type Swatch = z.infer<typeof swatchSchema>;
export type Face = (typeof faces)[number];
export type Attachment = (typeof attachments)[number];
export type WantedEffect = (typeof wantedEffects)[number];
export type AirAid = (typeof airAids)[number];
export type Weekday = (typeof weekdays)[number];
