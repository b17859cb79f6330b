import { z } from 'zod';
import { cleanings } from './cleanings';
import { drawingSchema } from './drawingSchema';
import { filmGrades } from './filmGrades';
import { flexUses } from './flexUses';
import { lookOvers } from './lookOvers';
import { methods } from './methods';
import { placementIds } from './placementIds';
import { stepKinds } from './stepKinds';
import { substrateKinds } from './substrates';
import { shapeSchema } from './shapeSchema';
import { sheenClasses } from './sheenClasses';
import { thinners } from './thinners';
import {
  id,
  faces,
  colour,
  airAids,
  wantedEffects,
  waits,
  attachments,
  name,
  wallTime,
  note,
  areaCm2,
  textureKinds,
  surfaces,
  zoneRoles,
  zoneEdges,
  sealerSchools,
  undercoatChoices,
  clears,
} from './fields';
import { sayMm } from './sayMeasure';

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
  /** The colour of the palette that this is, and follows. */
  palette: id.optional(),
  /** Where on its spots it goes; as is usual for its kind and method where nothing is said. */
  placement: z.enum(placementIds).optional(),
  /** The share of its spots that it covers, %, in place of what its placement says. */
  coversPct: z.number().positive('more than nothing').max(100, 'at most 100 %').optional(),
  after: z.array(z.string().min(1)).optional(),
  air: z.enum(airAids).optional(),
  wanted: z.array(z.enum(wantedEffects)).optional(),
  /** Hands-on minutes as somebody knows them, for the whole batch: all units together. */
  minutes: z.number().positive('longer than nothing').max(6000, 'at most a hundred hours').optional(),
  optional: z.boolean().optional(),
  dilution: z.string().max(200).optional(),
  /** What is stirred in, % of the material by volume, and with what. */
  thinPct: z.number().positive('more than nothing').max(1000, 'at most ten parts to one').optional(),
  thinWith: z.enum(thinners).optional(),
  waitFor: z.enum(waits).optional(),
  /** For attach steps: what is put on. */
  attaches: z.enum(attachments).optional(),
  /** For join steps: the pieces that become part of this one. */
  parts: z.array(id).optional(),
  /** For glue and what is put on, on one unit: how many fixings (pins, studs, buckles) … */
  fixings: z.number().int('whole fixings only').min(1, 'at least one').max(500, 'at most 500').optional(),
  /** … or what length is glued, filled or joined, mm … */
  alongMm: z.number().positive('longer than nothing').max(1_000_000).optional(),
  /** … or what area is glued, cm² on each of the two faces. */
  bondCm2: areaCm2.optional(),
  /** For mask steps: closures and bond areas that are covered, by name. */
  covers: z.array(name).optional(),
  /** For glue: the area that was kept bare for it, by its name. */
  bondArea: name.optional(),
  /** For texture without a material: how it gets into the foam. */
  texture: z.enum(textureKinds).optional(),
  /** For prep: what the surface is rid of. */
  cleans: z.enum(cleanings).optional(),
  /** For lamps and batteries: they stand off the foam, or on something that takes up their heat. */
  spaced: z.boolean().optional(),
  /** For coats that are poured: how deep, in place of the film grade. */
  pourMm: z
    .number()
    .positive('deeper than nothing')
    .max(100, { error: () => `at most ${sayMm(100)}` })
    .optional(),
  /** For two-part materials: in how many lots a coat is mixed. */
  mixes: z.number().int('whole lots only').min(1, 'at least one lot').max(20, 'at most 20 lots').optional(),
  /** For resin that levels: it is worked over again every so many minutes until it stands, which holds the hands. */
  reworkEveryMinutes: z
    .number()
    .min(1, 'at least a minute apart')
    .max(60, 'at most an hour apart')
    .optional(),
  /** For sealers and primers: pigment stirred in, % by volume. */
  tintPct: z.number().min(0).max(100).optional(),
  /** For prep steps: foam is cut to fit, so raw edges show. */
  trims: z.boolean().optional(),
  /** For look-overs: where in the work it stands, which says what is looked at. */
  looksOver: z.enum(lookOvers).optional(),
  /** No more of it is done: what is logged of it lies on the piece, and the rest is not planned. */
  ended: z.boolean().optional(),
  /** Put in to put right what failed a look; not part of the finish. */
  mends: z.boolean().optional(),
  /** The units of a set that it is done on, where that is not all. */
  units: z
    .array(z.number().int('whole units only').min(1, 'units are counted from 1').max(200, 'at most 200'))
    .min(1, 'name at least one unit')
    .optional(),
  note,
});

/** A face with its area; `shape` is what the area was worked out from, if anything. */
export const faceSchema = z.looseObject({ areaCm2, shape: shapeSchema.optional() });

export const zoneSchema = z.looseObject({
  id,
  name,
  share: z.number().positive('a share is more than zero').max(1, 'a share is at most 1'),
  edgeMm: z.number().min(0).max(1_000_000).optional(),
  /** Where it meets other zones, and for how long; known from a drawing or a mesh. */
  borders: z
    .array(z.looseObject({ zone: id, mm: z.number().min(0).max(1_000_000) }))
    .max(100)
    .optional(),
  wantsSheen: z.enum(sheenClasses).optional(),
  /** What it is made of, where that is not what the piece is. */
  substrate: z
    .looseObject({
      kind: z.enum(substrateKinds),
      thicknessMm: z.number().positive().max(200),
      density: z.enum(['low', 'medium', 'high']).optional(),
      heatSealed: z.boolean().optional(),
    })
    .optional(),
  /** How its edge is kept; where nothing is said, by hand for brush work and with tape for what sprays or is wider than the line. */
  edge: z.enum(zoneEdges).optional(),
  /** What it is in the finish, where its size does not tell. */
  role: z.enum(zoneRoles).optional(),
  /** The colour it is to have; what its steps lay says more. */
  colour: colour.optional(),
});

/** The ids of looks that no list knows any more are passed over. */
const chosenSchema = z.looseObject({
  looks: z.array(z.looseObject({ zone: id.optional(), look: id, colour: colour.optional() })).max(100),
  sealer: z.enum(sealerSchools).optional(),
  undercoat: z.enum(undercoatChoices).optional(),
  clear: z.enum(clears).optional(),
  tools: z.array(z.enum(methods)).optional(),
});

const lengthMm = z.number().min(0, 'not less than nothing').max(1_000_000, 'at most 1 km');

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
    /** What lies below it, from outside in: thermoplastic over foam over pipe. */
    over: z.array(z.enum(substrateKinds)).max(5, 'at most five below').optional(),
    surface: z.enum(surfaces).optional(),
    /** Its own colour, which thin coats have to hide. */
    colour: colour.optional(),
    /** For cloth: how far it is stretched when worn, %. */
    stretchPct: z.number().min(0).max(500, 'at most 500 %').optional(),
  }),
  faces: z.looseObject({ outer: faceSchema, inner: faceSchema.optional() }),
  /** What it looks like laid flat; its area, lengths and zones follow from it. */
  drawing: drawingSchema.optional(),
  /** Lengths of one, mm: all cut edges, those of them that stay open, glued seams, and grooves. */
  lengths: z
    .looseObject({
      outlineMm: lengthMm.optional(),
      openMm: lengthMm.optional(),
      seamMm: lengthMm.optional(),
      grooveMm: lengthMm.optional(),
    })
    .optional(),
  flex: z
    .array(
      z.looseObject({
        name: name,
        bendRadiusMm: z.number().positive('a bend has a radius above zero').max(10_000),
        /** When it bends there; it moves while worn unless said otherwise. */
        use: z.enum(flexUses).optional(),
      }),
    )
    .optional(),
  finestDetailMm: z.number().positive().max(500).optional(),
  /** Closures, tabs and bond areas that stay bare, by name. */
  keepBare: z.array(name).max(40).optional(),
  /** It dries on a stand or a hook, so that both faces are coated in one go. */
  standing: z.boolean().optional(),
  /** It lies on bare skin when worn. */
  onSkin: z.boolean().optional(),
  /** It is packed with its paint against soft vinyl or rubber. */
  againstVinyl: z.boolean().optional(),
  /** The piece this one mirrors: left and right. */
  mirrors: id.optional(),
  zones: z.array(zoneSchema).optional(),
  /** The sheen it should come out in, where a zone does not say otherwise. */
  wantsSheen: z.enum(sheenClasses).optional(),
  /** When it was packed, if it was. */
  packedAt: wallTime.optional(),
  steps: z.array(stepSchema),
  /** What was chosen when its steps were written, for when that is done again. */
  chosen: chosenSchema.optional(),
  note,
});
