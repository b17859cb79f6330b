import fc from 'fast-check';
import type { PieceDrawing } from '../model/drawingSchema';
import { pieceSchema } from '../model/pieceSchema';
import type { Piece } from '../model/schema';
import { samplePiece } from '../testing/sampleBuild';
import { ellipseRing } from './curves';
import {
  drawingFigures,
  drawingProblem,
  drawingUnder,
  keptRing,
  mirroredDrawing,
  withDrawing,
} from './drawing';
import { movedBy, ringAreaCm2, scaledBy, turnedBy, type Point } from './rings';
import { byMat, byRuler, inOrder, isConvex, type Mat } from './straighten';

type Ring = [number, number][];
const box = (x: number, y: number, w: number, h: number): Ring => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const plate: PieceDrawing = {
  parts: [
    {
      outer: box(0, 0, 300, 200),
      grooves: [
        [
          [0, 50],
          [300, 50],
        ],
      ],
    },
  ],
};

describe('a drawing', () => {
  it('gives area, edge, grooves and size', () =>
    expect(drawingFigures(plate)).toEqual({
      areaCm2: 600,
      outlineMm: 1000,
      openMm: 1000,
      seamMm: 0,
      grooveMm: 300,
      widthMm: 300,
      heightMm: 200,
      zones: [],
    }));
  it('takes holes off the area, and adds them to the edge', () => {
    const { areaCm2, outlineMm } = drawingFigures({
      parts: [{ outer: box(0, 0, 300, 200), holes: [box(10, 10, 100, 50)] }],
    });
    expect([areaCm2, outlineMm]).toEqual([550, 1300]);
  });
  it('of two parts glued along a seam has less open edge by twice the seam', () => {
    const { areaCm2, openMm } = drawingFigures({
      parts: [{ outer: box(0, 0, 300, 200) }, { outer: box(0, 0, 100, 200) }],
      seamMm: 200,
    });
    // 1000 + 600 − 2 · 200.
    expect([areaCm2, openMm]).toEqual([800, 1200]);
  });
  it('that bulges has more face, and no longer edge', () => {
    const { areaCm2, outlineMm } = drawingFigures({ ...plate, bulge: 1.3 });
    expect([areaCm2, outlineMm]).toEqual([780, 1000]);
  });

  // A band of 40 mm along the left, and a square of 50 in the middle.
  const zoned: PieceDrawing = {
    ...plate,
    zones: [
      { zone: 'band', part: 0, ring: box(-20, -20, 60, 300) },
      { zone: 'dial', part: 0, ring: box(120, 80, 50, 50) },
    ],
  };
  const zones = ['field', 'band', 'dial'];
  it('gives zones their shares, edges and borders', () => {
    const { zones: told } = drawingFigures(zoned, zones);
    expect(told.map(({ zone, share }) => [zone, Math.round(share * 1e6) / 1e6])).toEqual([
      ['field', 0.825],
      ['band', 0.133333],
      ['dial', 0.041667],
    ]);
    const of = (one: string, other: string) =>
      told.find(({ zone }) => zone === one)?.borders.find(({ zone }) => zone === other)?.mm ?? 0;
    expect(of('field', 'band')).toBeCloseTo(200, 0);
    expect(of('band', 'field')).toBeCloseTo(200, 0);
    expect(of('field', 'dial')).toBeCloseTo(200, 0);
    expect(of('band', 'dial')).toBe(0);
    // The band: 2 · (40 + 200).
    expect(told[1]!.edgeMm).toBeCloseTo(480, 3);
  });
  it('lets a later zone lie over an earlier one', () => {
    const over: PieceDrawing = {
      ...plate,
      zones: [...(zoned.zones ?? []), { zone: 'dial', part: 0, ring: box(0, 0, 20, 200) }],
    };
    const shares = drawingFigures(over, zones).zones.map(({ share }) => share);
    // The band keeps 20 · 200 of 60,000; the dial has that and its square.
    expect(shares[1]).toBeCloseTo(4000 / 60_000, 6);
    expect(shares[2]).toBeCloseTo(6500 / 60_000, 6);
  });
  it('says what keeps it from being taken', () => {
    const named = zones.map((id) => ({ id, name: id }));
    expect(drawingProblem(zoned, named)).toBeUndefined();
    expect(drawingProblem(plate, named)).toBe(
      '“band” has no place on the drawing: draw where it is, or take the zone away.',
    );
    expect(
      drawingProblem(
        {
          parts: [
            {
              outer: [
                [0, 0],
                [10, 10],
                [20, 20],
              ],
            },
          ],
        },
        [],
      ),
    ).toContain('no area');
  });

  const piece: Piece = samplePiece({
    faces: { outer: { areaCm2: 10 }, inner: { areaCm2: 10 } },
    zones: [
      { id: 'field', name: 'Field', share: 0.5 },
      { id: 'band', name: 'Band', share: 0.3 },
      { id: 'dial', name: 'Dial', share: 0.2 },
    ],
  });
  it('writes a piece: area, lengths, shares that add up, borders', () => {
    const drawn = withDrawing(piece, zoned);
    expect(pieceSchema.safeParse(drawn).success).toBe(true);
    expect(drawn.faces).toEqual({ outer: { areaCm2: 600 }, inner: { areaCm2: 600 } });
    expect(drawn.lengths).toEqual({ outlineMm: 1000, openMm: 1000, seamMm: 0, grooveMm: 300 });
    expect(drawn.zones?.map(({ share }) => share)).toEqual([0.825, 0.133, 0.042]);
    expect(drawn.zones?.[1]).toMatchObject({
      edgeMm: 480,
      borders: [{ zone: 'field', mm: expect.closeTo(200, 0) as number }],
    });
  });
  it('property: figures stay under moving, turning and turning over; at twice the size areas are four times, lengths twice', () => {
    const round = (drawing: PieceDrawing) => {
      const { areaCm2, outlineMm, grooveMm, zones: own } = drawingFigures(drawing, zones);
      return [areaCm2, outlineMm, grooveMm, ...own.flatMap(({ share, edgeMm }) => [share * 1000, edgeMm])];
    };
    const before = round(zoned);
    const expectNear = (list: number[], wanted: number[]) =>
      list.forEach((value, at) => expect(Math.abs(value - wanted[at]!)).toBeLessThan(0.15));
    fc.assert(
      fc.property(
        fc.double({ min: -500, max: 500, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        (move, turn) => {
          expectNear(round(drawingUnder(zoned, turnedBy(turn))), before);
          expectNear(round(drawingUnder(zoned, movedBy(move, turn))), before);
          expectNear(round(mirroredDrawing(drawingUnder(zoned, turnedBy(turn)))), before);
        },
      ),
      { numRuns: 25, seed: 17 },
    );
    const twice = drawingFigures(drawingUnder(zoned, scaledBy(2)), zones);
    expect(twice.areaCm2).toBeCloseTo(2400, 6);
    expect(twice.grooveMm).toBeCloseTo(600, 6);
  });
  it('is mirrored and back the same', () => expect(mirroredDrawing(mirroredDrawing(zoned))).toEqual(zoned));
  it('keeps a circle with few points and the same area', () => {
    const ring = ellipseRing([0, 0], 100, 100, 0.001);
    const kept = keptRing(ring);
    expect(kept.length).toBeLessThanOrEqual(ring.length / 2);
    expect(Math.abs(ringAreaCm2(kept) / (100 * Math.PI) - 1)).toBeLessThan(0.001);
  });
});

describe('a photo', () => {
  it('is scaled by a ruler: 500 pixels are 250 mm', () => {
    const map = byRuler({ from: [100, 100], to: [400, 500], mm: 250 });
    expect(map?.([200, 60])).toEqual([100, 30]);
    expect(byRuler({ from: [1, 1], to: [1, 1], mm: 250 })).toBeUndefined();
    expect(byRuler({ from: [1, 1], to: [9, 1], mm: 0 })).toBeUndefined();
  });
  it('is straightened by a mat: what is seen small at the far side comes out true', () => {
    // A mat of 300 by 200 whose far edge is seen at half the width: its middle is seen a third of the way down.
    const mat: Mat = {
      corners: [
        [150, 0],
        [450, 0],
        [600, 300],
        [0, 300],
      ],
      widthMm: 300,
      heightMm: 200,
    };
    const map = byMat(mat);
    expect(map?.([150, 0]).map((value) => Math.round(value * 1e6) / 1e6)).toEqual([0, 0]);
    // Where the diagonals cross on the photo is the middle of the mat: from (150, 0) to (600, 300) and (450, 0) to (0, 300) at (300, 100).
    expect(map?.([300, 100])[0]).toBeCloseTo(150, 6);
    expect(map?.([300, 100])[1]).toBeCloseTo(100, 6);
  });
  it('knows corners pressed in any order, and those that are no mat', () => {
    const corners: Mat['corners'] = [
      [90, 90],
      [10, 10],
      [10, 90],
      [95, 5],
    ];
    expect(inOrder(corners)).toEqual([
      [10, 10],
      [95, 5],
      [90, 90],
      [10, 90],
    ]);
    expect(isConvex(inOrder(corners))).toBe(true);
    const dented = [
      [0, 0],
      [100, 0],
      [20, 20],
      [0, 100],
    ] as unknown as Mat['corners'];
    expect(isConvex(dented)).toBe(false);
    expect(byMat({ corners: dented, widthMm: 10, heightMm: 10 })).toBeUndefined();
    const place: Point = [0, 0];
    expect(byMat({ corners: [place, place, place, place], widthMm: 10, heightMm: 10 })).toBeUndefined();
  });
});
