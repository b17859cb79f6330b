import { shapeSchema, type Quantity, type Shape, type ShapeKind } from '@fixatum/core';

/** One length of a shape: its field, what it is called, and what it starts with. */
export interface LengthField {
  key: string;
  label: string;
  /** What it measures; angles are degrees. */
  of?: Quantity;
  suffix?: string;
  start: number;
  /** Across something round, which can be measured round it as well. */
  isAcross?: true;
}

/** The lengths each shape is measured by, with what they are called. */
export const shapeFields: Record<Exclude<ShapeKind, 'polygon'>, LengthField[]> = {
  rectangle: [
    { key: 'widthMm', label: 'Width', of: 'lengthMm', start: 200 },
    { key: 'heightMm', label: 'Height', of: 'lengthMm', start: 300 },
  ],
  trapezoid: [
    { key: 'topMm', label: 'Top', of: 'lengthMm', start: 150 },
    { key: 'bottomMm', label: 'Bottom', of: 'lengthMm', start: 220 },
    { key: 'heightMm', label: 'Height', of: 'lengthMm', start: 300 },
  ],
  cone: [
    { key: 'topDiameterMm', label: 'Top diameter', of: 'lengthMm', start: 80, isAcross: true },
    { key: 'bottomDiameterMm', label: 'Bottom diameter', of: 'lengthMm', start: 110, isAcross: true },
    { key: 'slantMm', label: 'Length', of: 'lengthMm', start: 240 },
    { key: 'roundDegrees', label: 'Goes round', suffix: '°', start: 360 },
  ],
  dome: [{ key: 'diameterMm', label: 'Diameter', of: 'lengthMm', start: 160, isAcross: true }],
  cylinder: [
    { key: 'diameterMm', label: 'Diameter', of: 'lengthMm', start: 90, isAcross: true },
    { key: 'heightMm', label: 'Height', of: 'lengthMm', start: 200 },
  ],
  dowel: [
    { key: 'diameterMm', label: 'Diameter', of: 'lengthMm', start: 25, isAcross: true },
    { key: 'lengthMm', label: 'Length', of: 'lengthMm', start: 900 },
  ],
};

/** A length as it is typed; where it was not touched yet, what the shape starts with. */
export const lengthOf = (
  values: Readonly<Record<string, number | undefined>>,
  { key, start }: LengthField,
): number | undefined => (key in values ? values[key] : start);

/** The lengths of a shape, as `shapeFrom` takes them; none for what is no such shape. */
export const shapeLengths = (shape: Shape | undefined): Record<string, number> =>
  shape === undefined || shape.kind === 'polygon'
    ? {}
    : Object.fromEntries(
        shapeFields[shape.kind].flatMap(({ key }) => {
          const length: unknown = shape[key];
          return typeof length === 'number' ? [[key, length]] : [];
        }),
      );

/** The corners of a polygon as they are typed. */
export const polygonText = (shape: Shape | undefined): string | undefined =>
  shape?.kind === 'polygon' ? shape.pointsMm.map((corner) => corner.join(',')).join(' ') : undefined;

/** "0,0 120,0 60,90" to corners; undefined when it can't be read. */
export function readPolygon(text: string): [number, number][] | undefined {
  const corners = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
    .flatMap((pair): [number, number][] => {
      const [x = NaN, y = NaN, ...more] = pair.split(',').map(Number);
      return [more.length > 0 ? [NaN, NaN] : [x, y]];
    });
  return corners.length < 3 || corners.flat().some((value) => !Number.isFinite(value)) ? undefined : corners;
}

/** A shape from what was typed; undefined while something is missing. */
export function shapeFrom(
  kind: ShapeKind,
  values: Readonly<Record<string, number | undefined>>,
  polygon: string,
): Shape | undefined {
  if (kind === 'polygon') {
    const pointsMm = readPolygon(polygon);
    return pointsMm && { kind, pointsMm };
  }
  const lengths = Object.fromEntries(shapeFields[kind].map((field) => [field.key, lengthOf(values, field)]));
  const shape = shapeSchema.safeParse({ kind, ...lengths });
  return shape.success ? shape.data : undefined;
}
