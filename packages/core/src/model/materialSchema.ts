import { z } from 'zod';
import { methods } from './methods';
import { pigmentIds } from './pigmentIds';
import { traits } from './traits';

export const materialRoles = [
  'seal',
  'fill',
  'bond',
  'prime',
  'paint',
  'texture',
  'weather',
  'detail',
  'topcoat',
] as const;

const recoatPattern = /^\d+-\d*(\|\d+-\d*)*$/;
const minutes = z.number().min(0).max(100_000);

/** The label figures of a material that a user may override with those of their own tin. */
export const materialFigures = z.object({
  name: z.string().min(1).max(120),
  role: z.enum(materialRoles),
  binder: z.string().min(1),
  carrier: z.enum(['water', 'solvent', 'none']),
  /** Attack on what lies below: 0 none, 1 mild, 2 medium, 3 hot. */
  solvent: z.number().int().min(0).max(3),
  /** Wet film of one normal coat, µm. */
  wftUm: z.number().positive(),
  /** Solids by volume, 0–1. */
  solids: z.number().min(0).max(1),
  elongationPct: z.number().min(0).optional(),
  /** Gloss units at 60°. */
  sheenGu: z.number().min(0).max(100).optional(),
  /** Dry film that hides 98 %, µm: of an average pigment, for what comes in many colours. */
  hideUm: z.number().positive().optional(),
  /** What its label names; none where its hide figure is that of this very paint. Absent: its colour tells. */
  pigments: z.array(z.enum(pigmentIds)).max(8, 'at most 8 pigments').optional(),
  /** Label minutes to touch-dry. */
  touch: minutes.optional(),
  /** Recoat windows in label minutes, such as `15-60|2880-`. Absent: nothing may go over it. */
  recoat: z.string().regex(recoatPattern, 'write windows as "30-" or "15-60|2880-"').optional(),
  tape: minutes.optional(),
  sand: minutes.optional(),
  handle: minutes.optional(),
  pack: minutes.optional(),
  wear: minutes.optional(),
  minC: z.number().min(-40).max(60),
  maxC: z.number().min(-40).max(80),
  maxRhPct: z.number().min(1).max(100),
  potLife: minutes.optional(),
  mix: z.string().optional(),
  methods: z.array(z.enum(methods)),
  /** Whether a second coat of the same material re-dissolves the first. */
  redissolves: z.boolean(),
  shelfMonths: z.number().positive().optional(),
  hazards: z.array(z.string()),
  /** What it is besides its binder. */
  traits: z.array(z.enum(traits)),
  /** A typical colour to draw the film in, `#rrggbb`. */
  colour: z.string().regex(/^#[0-9a-f]{6}$/i),
  note: z.string(),
});

export const materialSchema = materialFigures.extend({ id: z.string().min(1) });

/** One material with its label figures; times are minutes at 21 °C, 50 % RH, one normal coat. */
export type Material = z.infer<typeof materialSchema>;
