/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import type { Piece } from '@fixatum/core';
import { effectScope, nextTick, ref, type EffectScope } from 'vue';
import { useDrawing } from './useDrawing';

/** 300 by 200 mm, with a closed groove of 100 by 100 in it. */
const plate: Piece = {
  id: 'plate',
  name: 'Plate',
  quantity: 1,
  substrate: { kind: 'eva-foam', thicknessMm: 6 },
  faces: { outer: { areaCm2: 600 } },
  steps: [],
  drawing: {
    parts: [
      {
        outer: [
          [0, 0],
          [300, 0],
          [300, 200],
          [0, 200],
        ],
        grooves: [
          [
            [100, 50],
            [200, 50],
            [200, 150],
            [100, 150],
            [100, 50],
          ],
        ],
      },
    ],
  },
};
const zoned: Piece = {
  ...plate,
  zones: ['a', 'b', 'c'].map((id) => ({ id, name: id, share: 1 / 3 })),
};
let scope: EffectScope;
const opened = (piece: Piece, draft?: Piece) => {
  scope = effectScope();
  return scope.run(() => useDrawing(ref(piece), () => draft))!;
};
afterEach(() => scope.stop());

describe('the drawing of a piece while it is changed', () => {
  it('gives a picked region to the zone in hand, the larger below whichever was picked first; a second press takes it back', () => {
    const { mode, zone, press, shapes, figures } = opened(zoned);
    mode.value = 'pick';
    zone.value = 'c';
    press([150, 100]);
    zone.value = 'b';
    press([20, 20]);
    expect(shapes.value.map((shape) => shape.zone)).toEqual(['b', 'c']);
    const shares = () => figures.value?.zones.map(({ share }) => Math.round(share * 1000) / 1000);
    // The inner one is 100 of 600 cm², within a tenth of a millimetre all round.
    expect(shares()?.[2]).toBeCloseTo(0.167, 2);
    expect(shares()?.[1]).toBeCloseTo(0.833, 2);
    press([20, 20]);
    expect(shapes.value.map((shape) => shape.zone)).toEqual(['c']);
  });
  it('takes pressed edges as glued: two of 300 mm are a seam of 300', () => {
    const { mode, press, drawing, figures } = opened(plate);
    mode.value = 'seam';
    press([150, 4]);
    expect(drawing.value?.seamMm).toBe(150);
    press([150, 197]);
    expect(drawing.value?.seamMm).toBe(300);
    // 1000 mm round it, less both edges.
    expect(figures.value?.openMm).toBe(400);
    press([150, 4]);
    expect(drawing.value?.seamMm).toBe(150);
  });
  it('says where a new zone has no place yet, and what it has once it is drawn', async () => {
    const { addZone, zones, problem, shapes, active, figures, history } = opened(plate);
    addZone();
    expect(zones.value.map(({ name }) => name)).toEqual(['Main', 'Zone 2']);
    expect(problem.value).toContain('“Zone 2” has no place');
    const points = [
      { x: -5, y: -5 },
      { x: 150, y: -5 },
      { x: 150, y: 300 },
      { x: -5, y: 300 },
    ];
    shapes.value = shapes.value.map((shape) =>
      shape.id === active.value ? { ...shape, points, closed: true } : shape,
    );
    history.commit();
    expect(problem.value).toBeUndefined();
    expect(figures.value?.zones.map(({ share }) => share)).toEqual([0.5, 0.5]);
    history.undo();
    await nextTick();
    expect(problem.value).toContain('no place');
  });
  it('scales all of it', () => {
    const { scalePct, scale, figures, box } = opened(plate);
    const wide = box.value.w;
    scalePct.value = 200;
    scale();
    expect(figures.value).toMatchObject({ areaCm2: 2400, outlineMm: 2000, grooveMm: 800 });
    expect(box.value.w).toBeCloseTo(wide * 2, 6);
    expect(scalePct.value).toBe(100);
  });
  it('begins with a drawing that was read for it, where there is one', () => {
    const read: Piece = {
      ...plate,
      drawing: {
        parts: [
          {
            outer: [
              [0, 0],
              [100, 0],
              [100, 100],
            ],
          },
        ],
      },
    };
    expect(opened(plate, read).figures.value?.areaCm2).toBe(50);
  });
});
