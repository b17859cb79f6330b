import type { Shape, ShapeKind } from '@fixatum/core';

/** The lengths each shape is measured by, with what they are called. */
export const shapeFields: Record<
  Exclude<ShapeKind, 'polygon'>,
  { key: string; label: string; suffix: string; start: number }[]
> = {
  rectangle: [
    { key: 'widthMm', label: 'Width', suffix: 'mm', start: 200 },
    { key: 'heightMm', label: 'Height', suffix: 'mm', start: 300 },
  ],
  trapezoid: [
    { key: 'topMm', label: 'Top', suffix: 'mm', start: 150 },
    { key: 'bottomMm', label: 'Bottom', suffix: 'mm', start: 220 },
    { key: 'heightMm', label: 'Height', suffix: 'mm', start: 300 },
  ],
  cone: [
    { key: 'topDiameterMm', label: 'Top diameter', suffix: 'mm', start: 80 },
    { key: 'bottomDiameterMm', label: 'Bottom diameter', suffix: 'mm', start: 110 },
    { key: 'slantMm', label: 'Length', suffix: 'mm', start: 240 },
    { key: 'roundDegrees', label: 'Goes round', suffix: '°', start: 360 },
  ],
  dome: [{ key: 'diameterMm', label: 'Diameter', suffix: 'mm', start: 160 }],
  cylinder: [
    { key: 'diameterMm', label: 'Diameter', suffix: 'mm', start: 90 },
    { key: 'heightMm', label: 'Height', suffix: 'mm', start: 200 },
  ],
  dowel: [
    { key: 'diameterMm', label: 'Diameter', suffix: 'mm', start: 25 },
    { key: 'lengthMm', label: 'Length', suffix: 'mm', start: 900 },
  ],
};

/** "0,0 120,0 60,90" to corners; undefined when it can't be read. */
export function readPolygon(text: string): [number, number][] | undefined {
  const corners = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((pair) => pair.split(',').map(Number));
  if (
    corners.length < 3 ||
    corners.some((corner) => corner.length !== 2 || corner.some((value) => !Number.isFinite(value)))
  )
    return undefined;
  return corners as [number, number][];
}

/** A shape from what was typed; undefined while something is missing. */
export function shapeFrom(
  kind: ShapeKind,
  values: Record<string, number>,
  polygon: string,
): Shape | undefined {
  if (kind === 'polygon') {
    const pointsMm = readPolygon(polygon);
    return pointsMm && { kind, pointsMm };
  }
  const entries = shapeFields[kind].map(({ key, start }) => [key, Number(values[key] ?? start)] as const);
  if (entries.some(([, value]) => !(value > 0))) return undefined;
  return { kind, ...Object.fromEntries(entries) } as Shape;
}
