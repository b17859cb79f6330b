import { z } from 'zod';
import { swatchSchema } from './benchSchema';
import { materialFigures } from './materialSchema';
import { methods } from './methods';
import {
  name,
  loggedTime,
  wallTime,
  weekdays,
  clock,
  window,
  temperatureC,
  humidityPct,
  ventilations,
  climateZones,
  halves,
  id,
  date,
  colour,
  note,
} from './fields';
import { sayMl } from './sayMeasure';
import { toolsSchema } from './tools';

export const eventSchema = z.looseObject({
  id,
  name,
  wearAt: wallTime,
  packAt: wallTime.optional(),
  /** What is packed may stand in a hot car. */
  hotCar: z.boolean().optional(),
  /** It is worn in the sun for hours. */
  inSun: z.boolean().optional(),
});

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
  /** An evening may run over by so many minutes, where its last work takes longer than planned. */
  overMinutes: z.number().int('whole minutes').min(0).max(60, 'at most an hour').optional(),
});

const steady = z.looseObject({ kind: z.literal('constant'), temperatureC, humidityPct });
const daily = z.looseObject({
  kind: z.literal('daily'),
  meanC: temperatureC,
  swingC: z.number().min(0).max(30),
  humidityPct,
});
/** Outside, as is usual for the month. */
const season = z.looseObject({ kind: z.literal('season'), zone: z.enum(climateZones), half: z.enum(halves) });
/** Air hour by hour, from a moment on. */
const hours = {
  start: wallTime,
  temperatureC: z.array(temperatureC).min(1, 'give at least one hour'),
  humidityPct: z.array(humidityPct).min(1, 'give at least one hour'),
};

export const climateSchema = z.discriminatedUnion('kind', [
  steady,
  z.looseObject({
    kind: z.literal('hourly'),
    ...hours,
    /** The air before and after those hours. Without it the first and the last of them hold on. */
    otherwise: z.discriminatedUnion('kind', [steady, daily, season]).optional(),
    /** Hours that were taken in before, the oldest first: they stay what the air was. */
    earlier: z.array(z.looseObject(hours)).max(40).optional(),
  }),
  daily,
  season,
]);

export const placeSchema = z.looseObject({
  id,
  name,
  ventilation: z.enum(ventilations),
  slots: z.number().int('whole places only').min(1, 'at least one piece must fit').max(500),
  climate: climateSchema,
  hours: window.optional(),
  /** It is used by daylight only, at this latitude; negative in the south. */
  daylightAtDeg: z.number().min(-90).max(90).optional(),
  /** What is coated here is carried indoors once it is touch-dry. */
  carriedIn: z.boolean().optional(),
  /** Its air is what is usual; nobody has said or measured it. */
  assumed: z.boolean().optional(),
  /** What its air was taken for before, each until a moment, the oldest first: what dried in it stays as it was. */
  airWas: z
    .array(z.looseObject({ until: loggedTime, climate: climateSchema }))
    .max(60)
    .optional(),
  /** Silicone spray or polish is used here, which creeps everywhere. */
  silicone: z.boolean().optional(),
  /** The local port on which a thermo-hygrometer of this place answers. */
  hygrometerPort: z.number().int().min(1).max(65_535).optional(),
});

export const ownMaterialSchema = materialFigures.partial().loose().extend({ id, extends: id.optional() });

export const stockSchema = z
  .looseObject({
    /** Files of before have none; what the app writes has. */
    id: id.optional(),
    material: id,
    /** Of what comes in many colours. */
    colour: colour.optional(),
    containerMl: z.number().positive('a container holds something').max(100_000, 'at most 100 litres'),
    remainingMl: z.number().min(0, 'no less than nothing'),
    /** When that much was left; what was laid since has to be taken off. Without it, it is what is left now. */
    levelAt: loggedTime.optional(),
    /** What it weighs empty, g. */
    emptyG: z.number().min(0).max(100_000).optional(),
    openedOn: date.optional(),
    /** By its own label. */
    bestBefore: date.optional(),
    lot: z.string().max(60, 'at most 60 letters').optional(),
    /** Ordered: it is here from this day on. */
    arrivesOn: date.optional(),
    /** The place where the tin is kept. */
    keptIn: id.optional(),
    price: z.number().min(0, 'a price is no less than nothing').optional(),
    /** The mix that is in it; it may be gone from the list. */
    mix: id.optional(),
    note,
  })
  .superRefine((tin, told) => {
    // Levels that were written before there was a day to them are let in as they are.
    if (tin.levelAt !== undefined && tin.remainingMl > tin.containerMl)
      told.addIssue({
        code: 'custom',
        path: ['remainingMl'],
        message: `there is more left than the ${sayMl(tin.containerMl)} that it holds`,
      });
  });

/** What somebody used against what was reckoned, when a level was corrected. */
export const amountMeasuredSchema = z.looseObject({
  id,
  material: id,
  /** How it was put on; none in files of earlier versions. */
  method: z.enum(methods).optional(),
  reckonedMl: z.number().min(0),
  usedMl: z.number().min(0),
  on: date,
});

/** What a container costs where the user buys. */
export const priceSchema = z.looseObject({
  material: id,
  containerMl: z.number().positive('a container holds something'),
  price: z.number().min(0, 'a price is no less than nothing'),
});

/** A colour that is mixed: of what, and each time it was made. */
export const mixSchema = z.looseObject({
  id,
  name,
  /** What it is used as: its film and its times are of that. */
  material: id,
  /** What it comes out as. */
  colour,
  parts: z
    .array(
      z.looseObject({
        material: id,
        colour: colour.optional(),
        parts: z.number().positive('a part is more than nothing').max(10_000),
      }),
    )
    .min(1, 'name at least one part')
    .max(20, 'at most 20 parts'),
  made: z
    .array(z.looseObject({ at: loggedTime, ml: z.number().positive('more than nothing').max(100_000), note }))
    .max(500)
    .optional(),
  note,
});

/** What a build has from its workshop. Whoever adds a field that serves all builds names it here and nowhere else. */
export const sharedFields = {
  /** All moments are wall time in it. */
  timeZone: z.string().min(1),
  people: z.array(personSchema).default([]),
  places: z.array(placeSchema).default([]),
  materials: z.array(ownMaterialSchema).optional(),
  stock: z.array(stockSchema).optional(),
  /** What was measured of the amounts used. */
  amounts: z.array(amountMeasuredSchema).max(2000).optional(),
  prices: z.array(priceSchema).max(2000).optional(),
  /** Days from an order until it is here. */
  deliveryDays: z.number().int('whole days').min(0).max(365).optional(),
  /** No compressor and no sanding in these hours. */
  quiet: window.optional(),
  /** How many airbrushes and heat guns there are. */
  tools: toolsSchema.optional(),
  swatches: z.array(swatchSchema).optional(),
  mixes: z.array(mixSchema).max(1000).optional(),
  /** The day the mask got new cartridges. */
  cartridgesOn: date.optional(),
};
