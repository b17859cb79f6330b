import { z } from 'zod';
import { failureCauses } from './failures';
import { filmGrades } from './filmGrades';
import { methods } from './methods';
import { substrateKinds } from './substrates';
import { id, faces, loggedTime, wallTime, temperatureC, humidityPct, name, date, note } from './fields';

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
  doneAt: loggedTime,
  startedAt: loggedTime.optional(),
  temperatureC: temperatureC.optional(),
  humidityPct: humidityPct.optional(),
  film: z.enum(filmGrades).optional(),
  /** Another tin, or another place, than was planned. */
  material: id.optional(),
  place: id.optional(),
  /** It went wrong: what was laid is there, and the pass has to be done again. */
  outcome: z.enum(['failed']).optional(),
  /** How it went wrong, which says what is done first. */
  cause: z.enum(failureCauses).optional(),
  /** The name of a photo that the server keeps. */
  photo: z.string().max(120).optional(),
  /** What it took and out of which tin, as reckoned when it was logged; what no tin had stands without one. */
  used: z
    .array(
      z.looseObject({
        tin: id.optional(),
        ml: z.number().min(0).max(100_000),
        /** The same as the book has it, and how it was put on: what is learned of amounts is held against these. */
        bookMl: z.number().min(0).max(100_000).optional(),
        method: z.enum(methods).optional(),
      }),
    )
    .max(50)
    .optional(),
  /** The device it was logged on, where that was not the computer itself. */
  by: z.string().max(60).optional(),
  /** What it said before it was put right, oldest first: when, on which device, and the fields as they were; null where nothing was said. */
  edits: z
    .array(
      z.looseObject({
        at: loggedTime,
        by: z.string().max(60).optional(),
        was: z.record(z.string().max(40), z.union([z.string().max(4000), z.number(), z.null()])),
      }),
    )
    .max(100)
    .optional(),
  note,
});

/** A finger on the newest coat of a unit, or on that of one step: dry, or still tacky. */
export const touchTestSchema = z.looseObject({
  id,
  piece: id,
  unit: z.number().int().min(1),
  step: id.optional(),
  face: z.enum(faces).optional(),
  at: loggedTime,
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
  /** The device it was set on; without one, the computer itself. */
  device: id.optional(),
});

/** A pass that has been started at the bench and not yet logged as done. */
export const underwaySchema = z.looseObject({
  id,
  ...coatPlace,
  startedAt: loggedTime,
  /** Laid down since then, and for how long altogether before that. */
  pausedAt: loggedTime.optional(),
  pausedMinutes: z.number().min(0).optional(),
  /** The device it was started on; without one, the computer itself. */
  device: id.optional(),
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
