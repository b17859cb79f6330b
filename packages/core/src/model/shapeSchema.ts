import { z } from 'zod';

const mm = z.number().positive('longer than nothing').max(10_000, 'at most 10 m');

/** Simple shapes a face can be measured as; lengths in mm. */
export const shapeSchema = z.discriminatedUnion('kind', [
  z.looseObject({ kind: z.literal('rectangle'), widthMm: mm, heightMm: mm }),
  z.looseObject({ kind: z.literal('trapezoid'), topMm: mm, bottomMm: mm, heightMm: mm }),
  /** A bent sleeve that widens: the mantle of a cut cone, all the way round or part of it. */
  z.looseObject({
    kind: z.literal('cone'),
    topDiameterMm: mm,
    bottomDiameterMm: mm,
    slantMm: mm,
    roundDegrees: z.number().positive().max(360),
  }),
  z.looseObject({ kind: z.literal('dome'), diameterMm: mm }),
  z.looseObject({ kind: z.literal('cylinder'), diameterMm: mm, heightMm: mm }),
  /** A solid rod: mantle and both ends. */
  z.looseObject({ kind: z.literal('dowel'), diameterMm: mm, lengthMm: mm }),
  z.looseObject({
    kind: z.literal('polygon'),
    pointsMm: z
      .array(z.tuple([z.number(), z.number()]))
      .min(3, 'a shape has at least three corners')
      .max(200),
  }),
]);

export type Shape = z.infer<typeof shapeSchema>;
export type ShapeKind = Shape['kind'];

/** What is known of a shape besides its lengths. */
export interface ShapeDefinition {
  word: string;
  /** It is closed all round: there is no inner face that anything could go on. */
  isSolid?: boolean;
}

export const shapeTable: Readonly<Record<ShapeKind, ShapeDefinition>> = {
  rectangle: { word: 'Rectangle' },
  trapezoid: { word: 'Trapezoid' },
  cone: { word: 'Cone section' },
  dome: { word: 'Half dome' },
  cylinder: { word: 'Cylinder' },
  dowel: { word: 'Dowel', isSolid: true },
  polygon: { word: 'Own polygon' },
};
