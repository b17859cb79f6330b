import { shapeAreaCm2, type ShapeKind } from '@fixatum/core';
import { readPolygon, shapeFields, shapeFrom } from './shapeFields';

describe('shapes as they are typed', () => {
  it('start from lengths that make sense', () => {
    for (const kind of Object.keys(shapeFields) as ShapeKind[]) {
      const shape = shapeFrom(kind, {}, '')!;
      expect([kind, shapeAreaCm2(shape) > 0]).toEqual([kind, true]);
    }
  });

  it('are nothing while a length is missing or zero', () => {
    expect(shapeFrom('rectangle', { widthMm: 0, heightMm: 20 }, '')).toBeUndefined();
    expect(shapeFrom('dome', { diameterMm: Number.NaN }, '')).toBeUndefined();
  });

  it('read corners with spaces or semicolons between', () => {
    expect(readPolygon('0,0 60,0; 0,80')).toEqual([
      [0, 0],
      [60, 0],
      [0, 80],
    ]);
    expect(readPolygon('0,0 60,0')).toBeUndefined();
    expect(readPolygon('0,0 60,x 0,80')).toBeUndefined();
    expect(shapeFrom('polygon', {}, 'nonsense')).toBeUndefined();
  });
});
