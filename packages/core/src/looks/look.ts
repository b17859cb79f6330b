import { z } from 'zod';
import {
  clears,
  sealerSchools,
  stepSchema,
  undercoatChoices,
  waits,
  wantedEffects,
  zoneRoles,
} from '../model/schema';
import { substrateKinds } from '../model/substrates';
import { filmGrades } from '../model/filmGrades';
import { stepKinds } from '../model/stepKinds';
import { methods } from '../model/methods';
import { placementIds } from '../model/placementIds';
import { thinners } from '../model/thinners';
import { wornTones } from '../colour/worn';

const option = z.object({
  material: z.string().min(1),
  method: z.enum(methods),
  coats: z.number().int().min(1).max(10).default(1),
  film: z.enum(filmGrades).default('normal'),
});

const lookStep = z.object({
  kind: z.enum(stepKinds),
  /** Ways to do it, the best first; the first whose tool is at hand is taken, or else the last. */
  options: z.array(option).default([]),
  colour: z.string().optional(),
  /** Whether this is the colour of the look, which may be swapped for one's own. */
  main: z.boolean().default(false),
  /** Whose hue follows that one where it is swapped: as the sun fades it, or as dirt on it. */
  tone: z.enum(wornTones).optional(),
  minutes: z.number().positive().optional(),
  note: z.string().optional(),
  wanted: z.array(z.enum(wantedEffects)).optional(),
  waitFor: z.enum(waits).optional(),
  /** Where it goes, and on how much of it, where that is not as usual for its kind. */
  placement: z.enum(placementIds).optional(),
  coversPct: z.number().positive().max(100).optional(),
  /** What is stirred in, and how much. */
  thinWith: z.enum(thinners).optional(),
  thinPct: z.number().positive().max(1000).optional(),
  /** Can be dropped when time is short; the quicker variant leaves it out. */
  extra: z.boolean().default(false),
});

/** A whole finish as it was done on one piece, to be done again on another: every step, and what it was fitted to. */
const recipeSchema = z.object({
  /** The piece it comes from. */
  from: z.object({ piece: z.string(), name: z.string() }),
  substrate: z.enum(substrateKinds),
  heatSealed: z.boolean(),
  areaCm2: z.number().positive(),
  inner: z.boolean(),
  zones: z
    .array(
      z.object({
        id: z.string().min(1),
        name: z.string().min(1),
        share: z.number().positive().max(1),
        role: z.enum(zoneRoles),
        colour: z.string().optional(),
      }),
    )
    .max(100),
  keepBare: z.array(z.string()).max(40),
  steps: z.array(stepSchema).max(500),
});

/** A finish as data: what goes on a sealed piece, and what it wants below and above. */
export const lookSchema = z.object({
  id: z.string().min(1),
  name: z.string().min(1).max(120),
  about: z.string(),
  school: z.enum(sealerSchools),
  undercoat: z.enum(undercoatChoices),
  steps: z.array(lookStep),
  clear: z.enum(clears),
  /** Its face is smooth, so that the last coat of primer is sanded. */
  smooth: z.boolean().default(false),
  /** Colour to show the look by. */
  colour: z.string(),
  /** Where it was saved from a piece: all of that, to be done again as it was. */
  recipe: recipeSchema.optional(),
  tags: z.array(z.string().trim().min(1).max(40)).max(12, 'at most twelve tags').default([]),
  note: z.string().max(2000).optional(),
  /** Names of photos. */
  pictures: z.array(z.string().max(120)).max(6, 'at most six pictures').default([]),
});

export type Look = z.infer<typeof lookSchema>;
export type Recipe = z.infer<typeof recipeSchema>;
export type LookStep = z.infer<typeof lookStep>;
export type { Clear, SealerSchool, Undercoat } from '../model/schema';
