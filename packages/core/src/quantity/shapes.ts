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

export const shapeWords: Record<ShapeKind, string> = {
  rectangle: 'Rectangle',
  trapezoid: 'Trapezoid',
  cone: 'Cone section',
  dome: 'Half dome',
  cylinder: 'Cylinder',
  dowel: 'Dowel',
  polygon: 'Own polygon',
};

const MM2_PER_CM2 = 100;

/**
 * The area of one side of a shape, cm². A polygon is measured by the shoelace formula, whichever way round it runs.
 * @example shapeAreaCm2({ kind: 'rectangle', widthMm: 300, heightMm: 200 }) // 600
 */
export function shapeAreaCm2(shape: Shape): number {
  return areaMm2(shape) / MM2_PER_CM2;
}

function areaMm2(shape: Shape): number {
  switch (shape.kind) {
    case 'rectangle':
      return shape.widthMm * shape.heightMm;
    case 'trapezoid':
      return ((shape.topMm + shape.bottomMm) / 2) * shape.heightMm;
    case 'cone':
      return (
        ((Math.PI * (shape.topDiameterMm + shape.bottomDiameterMm)) / 2) *
        shape.slantMm *
        (shape.roundDegrees / 360)
      );
    case 'dome':
      return (Math.PI * shape.diameterMm ** 2) / 2;
    case 'cylinder':
      return Math.PI * shape.diameterMm * shape.heightMm;
    case 'dowel':
      return Math.PI * shape.diameterMm * shape.lengthMm + (Math.PI * shape.diameterMm ** 2) / 2;
    case 'polygon':
      return Math.abs(
        shape.pointsMm.reduce((sum, [x, y], at) => {
          const [nextX, nextY] = shape.pointsMm[(at + 1) % shape.pointsMm.length]!;
          return sum + x * nextY - nextX * y;
        }, 0) / 2,
      );
  }
}

/**
 * The radius a part is bent to at its mid-plane, mm, when it goes round a body of this diameter: half the body and half
 * the foam.
 * @example bendRadiusRound(90, 6) // 48
 */
export const bendRadiusRound = (bodyDiameterMm: number, thicknessMm: number): number =>
  bodyDiameterMm / 2 + thicknessMm / 2;
