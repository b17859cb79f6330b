import { arcPoints, bezierPoints, bulgePoints, ellipseRing, handRing, splinePoints } from './curves';
import { distanceMm, lineMm, ringAreaCm2, ringMm, type Point } from './rings';

const TOLERANCE = 0.01;

describe('curves as points', () => {
  it('a circle of 100 mm is π·100² and 2π·100', () => {
    const ring = ellipseRing([40, 50], 100, 100, TOLERANCE);
    // 31,415.9 mm² are 314.159 cm².
    expect(ringAreaCm2(ring)).toBeCloseTo(314.159, 1);
    expect(ringMm(ring)).toBeCloseTo(628.319, 1);
  });
  it('an ellipse of 120 by 50 is π·120·50', () =>
    expect(ringAreaCm2(ellipseRing([0, 0], 120, 50, TOLERANCE))).toBeCloseTo(188.496, 1));
  it('a quarter arc of 80 mm is 125.66 long', () =>
    expect(lineMm(arcPoints([0, 0], [80, 0], [0, 80], 0, Math.PI / 2, TOLERANCE))).toBeCloseTo(125.664, 1));
  it('a bulge of 1 is a half circle, to the side that its sign says', () => {
    const points = [[0, 0] as Point, ...bulgePoints([0, 0], [100, 0], 1, TOLERANCE)];
    expect(lineMm(points)).toBeCloseTo(157.08, 1);
    // Against the clock with y up from (0, 0) to (100, 0) runs below the chord.
    expect(Math.min(...points.map(([, y]) => y))).toBeCloseTo(-50, 1);
    const other = bulgePoints([0, 0], [100, 0], -1, TOLERANCE);
    expect(Math.max(...other.map(([, y]) => y))).toBeCloseTo(50, 1);
  });
  it('a bulge of tan(22.5°) is a quarter circle', () =>
    // Its chord is 100 √2, its radius 100, its length 50π.
    expect(
      lineMm([[100, 0] as Point, ...bulgePoints([100, 0], [0, 100], Math.tan(Math.PI / 8), TOLERANCE)]),
    ).toBeCloseTo(157.08, 1));
  it('the area under a parabola as a quadratic curve is two thirds of its box', () => {
    // From (0, 0) over (50, 200) to (100, 0) the curve is 100 high: 2/3 · 100 · 100 mm².
    const ring = [
      [0, 0] as Point,
      ...bezierPoints(
        [
          [0, 0],
          [50, 200],
          [100, 0],
        ],
        TOLERANCE,
      ),
    ];
    expect(ringAreaCm2(ring)).toBeCloseTo(66.667, 1);
  });
  it('points of a cubic lie within the tolerance of it', () => {
    const controls: Point[] = [
      [0, 0],
      [0, 100],
      [100, 100],
      [100, 0],
    ];
    const points = [[0, 0] as Point, ...bezierPoints(controls, TOLERANCE)];
    const at = (t: number): Point => {
      const u = 1 - t;
      const weights = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
      return [0, 1].map((axis) =>
        weights.reduce((sum, weight, n) => sum + weight * controls[n]![axis]!, 0),
      ) as unknown as Point;
    };
    points.slice(1).forEach((point, n) => {
      const before = points[n]!;
      const middle = at((n + 0.5) / (points.length - 1));
      const chord: Point = [(before[0] + point[0]) / 2, (before[1] + point[1]) / 2];
      expect(distanceMm(middle, chord)).toBeLessThan(TOLERANCE * 1.5);
    });
  });
  it('a B-spline of degree 1 is its own control points', () =>
    expect(
      lineMm(
        splinePoints(
          [
            [0, 0],
            [30, 40],
            [30, 100],
          ],
          1,
          [0, 0, 1, 2, 2],
        ) ?? [],
      ),
    ).toBeCloseTo(110, 6));
  it('a clamped cubic B-spline of four points is their Bézier curve', () => {
    const controls: Point[] = [
      [0, 0],
      [0, 100],
      [100, 100],
      [100, 0],
    ];
    const spline = splinePoints(controls, 3, [0, 0, 0, 0, 1, 1, 1, 1]) ?? [];
    const bezier = [[0, 0] as Point, ...bezierPoints(controls, 0.001)];
    expect(lineMm(spline)).toBeCloseTo(lineMm(bezier), 0);
    expect(spline[12]).toEqual([expect.closeTo(50, 6), expect.closeTo(75, 6)]);
  });
  it('a rational quadratic with weights 1, √½, 1 is a quarter circle', () => {
    const controls: Point[] = [
      [100, 0],
      [100, 100],
      [0, 100],
    ];
    const quarter = splinePoints(controls, 2, [0, 0, 0, 1, 1, 1], [1, Math.SQRT1_2, 1]) ?? [];
    expect(quarter).toHaveLength(25);
    for (const [x, y] of quarter) expect(Math.hypot(x, y)).toBeCloseTo(100, 9);
  });
  it('says nothing of knots that do not fit', () => {
    expect(
      splinePoints(
        [
          [0, 0],
          [1, 1],
        ],
        3,
        undefined,
      ),
    ).toBeUndefined();
    expect(
      splinePoints(
        [
          [0, 0],
          [1, 1],
          [2, 0],
        ],
        2,
        [0, 1],
      ),
    ).toBeUndefined();
  });

  describe('an outline drawn by hand', () => {
    const square = [
      { x: 0, y: 0 },
      { x: 100, y: 0 },
      { x: 100, y: 100 },
      { x: 0, y: 100 },
    ];
    it('is straight from corner to corner', () => expect(ringAreaCm2(handRing(square, TOLERANCE))).toBe(100));
    it('of curve points on a circle is nearly that circle', () => {
      const points = Array.from({ length: 12 }, (_, n) => ({
        x: 100 * Math.cos((n * Math.PI) / 6),
        y: 100 * Math.sin((n * Math.PI) / 6),
        curve: true,
      }));
      // 314.16 cm²; the spline through twelve points is within a third of a per cent.
      expect(Math.abs(ringAreaCm2(handRing(points, TOLERANCE)) / 314.159 - 1)).toBeLessThan(0.0035);
    });
    it('goes through every point', () => {
      const ring = handRing(
        square.map((point, at) => ({ ...point, curve: at % 2 === 0 })),
        TOLERANCE,
      );
      for (const { x, y } of square)
        expect(Math.min(...ring.map((point) => distanceMm(point, [x, y])))).toBeLessThan(1e-9);
    });
  });
});
