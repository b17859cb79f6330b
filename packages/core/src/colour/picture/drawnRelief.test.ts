import type { PieceDrawing } from '../../model/drawingSchema';
import { samplePiece } from '../../testing/sampleBuild';
import { paintFinish } from './finish';
import { OUTSIDE, reliefOfDrawing } from './drawnRelief';
import { reliefFor } from './relief';
import { stillOf } from './still';

const SIZE = 100;
/** 300 by 150 mm with a hole, a band along the left, and a groove: 92 by 46 pixels of 100. */
const drawing: PieceDrawing = {
  parts: [
    {
      outer: [
        [0, 0],
        [300, 0],
        [300, 150],
        [0, 150],
      ],
      holes: [
        [
          [200, 50],
          [250, 50],
          [250, 100],
          [200, 100],
        ],
      ],
      grooves: [
        [
          [120, 0],
          [120, 150],
        ],
      ],
    },
  ],
  zones: [
    {
      zone: 'band',
      part: 0,
      ring: [
        [0, 0],
        [60, 0],
        [60, 150],
        [0, 150],
      ],
    },
  ],
};
const relief = reliefOfDrawing(drawing, ['field', 'band'], SIZE);
const at = (x: number, y: number) => y * SIZE + x;

describe('the relief of a drawing', () => {
  it('has every zone where it was drawn, and nothing outside', () => {
    const count = (zone: number) => relief.zoneOf!.filter((one) => one === zone).length;
    // 92 pixels are 300 mm: the band 60 · 150, the field 240 · 150 less 50 · 50, in pixels of 3.26 mm.
    const perMm2 = (92 / 300) ** 2;
    expect(Math.abs(count(1) / (9000 * perMm2) - 1)).toBeLessThan(0.04);
    expect(Math.abs(count(0) / (33_500 * perMm2) - 1)).toBeLessThan(0.04);
    expect(relief.zoneOf![at(50, 10)]).toBe(OUTSIDE);
    expect(relief.zoneOf![at(10, 50)]).toBe(1);
    expect(relief.zoneOf![at(40, 50)]).toBe(0);
    // The hole.
    expect(relief.zoneOf![at(73, 50)]).toBe(OUTSIDE);
  });
  it('falls at its edges and grooves, and is level between', () => {
    expect(relief.height[at(30, 50)]).toBeCloseTo(0, 9);
    // 120 mm are 36.8 pixels from the left edge, at 4.
    expect(relief.height[at(40, 60)]).toBeLessThan(-0.012);
    expect(relief.height[at(30, 27)]).toBeLessThan(-0.005);
    expect(relief.rim[at(5, 50)]).toBeGreaterThan(0.95);
    expect(relief.rim[at(25, 50)]).toBeLessThan(relief.rim[at(8, 50)]!);
  });
  it('is painted inside its outline only, each zone as it lies', () => {
    const zones = [
      { share: 0.8, layers: [] },
      { share: 0.2, layers: [] },
    ];
    const maps = paintFinish({ relief, ground: '#4b4d4f', zones });
    const alpha = (x: number, y: number) => maps.colour[at(x, y) * 4 + 3];
    expect([alpha(50, 10), alpha(40, 50), alpha(73, 50)]).toEqual([0, 255, 0]);
    expect(stillOf(maps, relief)[at(50, 10) * 4 + 3]).toBe(0);
  });
  it('is what a piece with a drawing is shown on', () => {
    expect(reliefFor({ ...samplePiece(), drawing })).toBe('drawing');
    expect(reliefFor(samplePiece())).toBe('plate');
  });
  it('of one finish is one zone', () =>
    expect(new Set(reliefOfDrawing(drawing, [], 64).zoneOf)).toEqual(new Set([0, OUTSIDE])));
});
