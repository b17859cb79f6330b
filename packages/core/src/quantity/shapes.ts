import type { Shape } from '../model/shapeSchema';
import { signedAreaMm2 } from '../shapes/rings';

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
      return Math.abs(signedAreaMm2(shape.pointsMm));
  }
}

/**
 * The radius a part is bent to at its mid-plane, mm, when it goes round a body of this diameter: half the body and half
 * the foam.
 * @example bendRadiusRound(90, 6) // 48
 */
export const bendRadiusRound = (bodyDiameterMm: number, thicknessMm: number): number =>
  bodyDiameterMm / 2 + thicknessMm / 2;
