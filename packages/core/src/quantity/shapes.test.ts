import fc from 'fast-check';
import { catalogueById } from '../materials/catalogue';
import { passMl } from './amounts';
import { handsOn } from './handsOn';
import { bendRadiusRound, shapeAreaCm2 } from './shapes';

describe('areas', () => {
  it.each([
    ['rectangle 300 × 200', { kind: 'rectangle', widthMm: 300, heightMm: 200 }, 600],
    // (100 + 200)/2 · 120 = 18 000 mm²
    ['trapezoid', { kind: 'trapezoid', topMm: 100, bottomMm: 200, heightMm: 120 }, 180],
    // π·(80+120)/2·250 = 78 540 mm², half way round 39 270
    [
      'half a cone section',
      { kind: 'cone', topDiameterMm: 80, bottomDiameterMm: 120, slantMm: 250, roundDegrees: 180 },
      392.7,
    ],
    // Half a sphere of radius 100: 2π·100² = 62 832 mm²
    ['half dome of 200', { kind: 'dome', diameterMm: 200 }, 628.32],
    // π·60·500 = 94 248 mm²
    ['cylinder', { kind: 'cylinder', diameterMm: 60, heightMm: 500 }, 942.48],
    // The same and two ends of π·30²: 5 655 mm²
    ['dowel', { kind: 'dowel', diameterMm: 60, lengthMm: 500 }, 999.03],
    // A right triangle of 60 and 80: 2 400 mm²
    [
      'polygon',
      {
        kind: 'polygon',
        pointsMm: [
          [0, 0],
          [60, 0],
          [0, 80],
        ],
      },
      24,
    ],
  ] as const)('%s', (_what, shape, expected) => {
    expect(shapeAreaCm2(shape as Parameters<typeof shapeAreaCm2>[0])).toBeCloseTo(expected, 1);
  });

  it('do not depend on which way round a polygon runs', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 900 }), fc.integer({ min: 0, max: 900 })), {
          minLength: 3,
          maxLength: 9,
        }),
        (points) => {
          const there = shapeAreaCm2({ kind: 'polygon', pointsMm: points });
          expect(shapeAreaCm2({ kind: 'polygon', pointsMm: [...points].reverse() })).toBeCloseTo(there, 6);
        },
      ),
    );
  });
});

describe('bending round a body', () => {
  it('measures to the middle of the foam', () => {
    expect(bendRadiusRound(90, 6)).toBe(48);
  });
});

describe('amounts and minutes', () => {
  const material = catalogueById.get('pva-flex-primer')!;

  it('uses area × wet film ÷ transfer', () => {
    // 600 cm² · 120 µm = 7.2 ml, by brush 0.95 of it lands: 7.58 ml
    expect(passMl({ material, method: 'brush', wetUm: 120, areaCm2: 600 })).toBeCloseTo(7.579, 3);
    expect(passMl({ material: undefined, method: 'hand', wetUm: 0, areaCm2: 600 })).toBe(0);
  });

  it('takes set-up, area ÷ rate and clean-up', () => {
    // 600 cm² at 2 m²/h is 1.8 min, rounded up.
    expect(handsOn({ id: 's', kind: 'seal' }, 'brush', material, { areaCm2: 600 })).toEqual({
      setUpMinutes: 3,
      workMinutes: 2,
      cleanUpMinutes: 5,
    });
    // 2000 mm of tape at 4 m an hour is half an hour, and 0.3 min to take it up.
    expect(
      handsOn({ id: 's', kind: 'mask' }, 'hand', undefined, { areaCm2: 600, lengthMm: 2000 }).workMinutes,
    ).toBe(31);
    expect(handsOn({ id: 's', kind: 'seal', minutes: 12 }, 'brush', material, { areaCm2: 600 })).toEqual({
      setUpMinutes: 0,
      workMinutes: 12,
      cleanUpMinutes: 0,
    });
    expect(
      handsOn({ id: 's', kind: 'seal' }, 'brush', catalogueById.get('epoxy-clear'), { areaCm2: 600 }),
    ).toMatchObject({ setUpMinutes: 8, cleanUpMinutes: 10 });
  });
});
