import { z } from 'zod';
import { id } from './fields';

const mm = z.number().min(-100_000, 'further than 100 m away').max(100_000, 'further than 100 m away');
const point = z.tuple([mm, mm]);
const ring = z
  .array(point)
  .min(3, 'an outline has at least three points')
  .max(5_000, 'an outline has at most 5,000 points');
const line = z.array(point).min(2, 'a line has at least two points').max(5_000, 'at most 5,000 points');

/** A flat part as it is cut from a sheet, mm, y down: what is drawn on it lies in the same frame. */
export const partSchema = z.looseObject({
  outer: ring,
  holes: z.array(ring).max(500, 'at most 500 holes').optional(),
  grooves: z.array(line).max(2_000, 'at most 2,000 grooves').optional(),
});

/** The drawing of a piece: what its area, its edges and the shares of its zones are worked out from. */
export const drawingSchema = z.looseObject({
  parts: z.array(partSchema).min(1, 'a drawing has at least one part').max(50, 'at most 50 parts'),
  /** Of the edges of its parts, what is glued to another part, mm of seam. */
  seamMm: z.number().min(0).max(1_000_000).optional(),
  /** How many times as large the face is as its flat drawing: a dome is drawn as a circle. */
  bulge: z.number().min(1, 'at least 1, which is flat').max(3, 'at most 3').optional(),
  /** Every other unit of the set is turned over. */
  pairs: z.boolean().optional(),
  /** Where zones lie: later ones over earlier ones, and what none of them covers is of the first zone without a place. */
  zones: z
    .array(
      z.looseObject({
        zone: id,
        part: z.number().int().min(0).max(49),
        ring,
      }),
    )
    .max(500, 'at most 500 areas')
    .optional(),
});

export type DrawnPart = z.infer<typeof partSchema>;
export type PieceDrawing = z.infer<typeof drawingSchema>;
