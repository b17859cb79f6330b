import fc from 'fast-check';
import { chained } from './chain';
import { ellipseRing } from './curves';
import { foundOutlines } from './found';
import { readLabel } from './labels';
import { laidTogether } from './pages';
import {
  after,
  lineMm,
  lineUnder,
  movedBy,
  ringAreaCm2,
  ringMm,
  turnedBy,
  turnedOver,
  type Point,
} from './rings';
import type { SheetPage, SheetText, Stroke } from './sheet';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const closed = (points: Point[], kind = 'cut'): Stroke => ({ points, closed: true, kind });
const open = (points: Point[], kind = 'cut'): Stroke => ({ points, closed: false, kind });
const page = (strokes: Stroke[], texts: SheetText[] = [], size = 0): SheetPage => ({
  name: 'p',
  width: size,
  height: size,
  strokes,
  texts,
});
const found = (strokes: Stroke[], texts: SheetText[] = []) =>
  foundOutlines(page(strokes, texts), { mmPerUnit: 1 });

describe('outlines of a template', () => {
  it('takes a ring with its hole', () => {
    const { outlines } = found([
      closed(ellipseRing([200, 200], 50, 50, 0.005)),
      closed(ellipseRing([200, 200], 100, 100, 0.005)),
    ]);
    expect(outlines).toHaveLength(1);
    expect(outlines[0]!.holes).toHaveLength(1);
    expect(ringAreaCm2(outlines[0]!.outer) - ringAreaCm2(outlines[0]!.holes[0]!)).toBeCloseTo(235.619, 1);
  });
  it('takes what lies in a hole as a piece of its own', () => {
    const { outlines } = found([
      closed(box(0, 0, 300, 300)),
      closed(box(50, 50, 200, 200)),
      closed(box(100, 100, 100, 100)),
    ]);
    expect(outlines.map(({ outer, holes }) => [ringAreaCm2(outer), holes.length])).toEqual([
      [900, 1],
      [100, 0],
    ]);
  });
  it('takes a closed line of another kind as a zone, and open lines as grooves', () => {
    const { outlines, loose } = found([
      closed(box(0, 0, 300, 300)),
      closed(box(20, 20, 50, 50), 'paint'),
      open([
        [0, 150],
        [300, 150],
      ]),
      open([
        [400, 0],
        [400, 90],
      ]),
    ]);
    expect(outlines).toHaveLength(1);
    expect(outlines[0]!.zones.map(({ kind }) => kind)).toEqual(['paint']);
    expect(outlines[0]!.grooves.map(lineMm)).toEqual([300]);
    expect(loose).toHaveLength(1);
  });
  it('does with a kind what is said', () => {
    const strokes = [closed(box(0, 0, 300, 300)), closed(box(20, 20, 50, 50), 'other')];
    const as = (use: 'cut' | 'zone' | 'groove' | 'leave') =>
      foundOutlines(page(strokes), { mmPerUnit: 1, uses: { other: use } }).outlines[0]!;
    expect(as('cut').holes).toHaveLength(1);
    expect(as('zone').zones).toHaveLength(1);
    expect(as('groove').grooves.map(lineMm)).toEqual([200]);
    expect(as('leave')).toMatchObject({ holes: [], zones: [], grooves: [] });
  });
  it('leaves frames and letters out, and counts what is drawn twice once', () => {
    const strokes = [
      closed(box(5, 5, 490, 490)),
      closed(box(50, 50, 100, 100)),
      closed(box(50.1, 50, 100, 100)),
      closed(box(300, 300, 5, 8)),
    ];
    const { outlines, frames, tiny } = foundOutlines(page(strokes, [], 500), { mmPerUnit: 1 });
    expect([outlines.length, frames, tiny]).toEqual([1, 1, 1]);
  });
  it('scales: a unit of 2 mm at 150 % makes three times the length', () => {
    const { outlines } = foundOutlines(page([closed(box(0, 0, 100, 50))]), { mmPerUnit: 2, scalePct: 150 });
    expect(ringAreaCm2(outlines[0]!.outer)).toBeCloseTo(450, 6);
    expect(ringMm(outlines[0]!.outer)).toBeCloseTo(900, 6);
  });
  it('takes both loops of an outline that crosses itself, and says so', () => {
    const eight: Point[] = [
      [0, 0],
      [100, 100],
      [100, 0],
      [0, 100],
    ];
    const { outlines } = found([closed(eight)]);
    // Two triangles of 100 by 50 mm.
    expect(outlines.map(({ outer, crosses }) => [ringAreaCm2(outer), crosses])).toEqual([
      [25, true],
      [25, true],
    ]);
  });
  it('joins an outline that is drawn in pieces, whichever way round each runs', () => {
    const [a, b, c, d] = box(0, 0, 200, 100) as [Point, Point, Point, Point];
    const strokes = [open([a, b]), open([c, b]), open([c, d]), open([[0.2, 0], d])];
    const { outlines } = found(strokes);
    expect(outlines).toHaveLength(1);
    expect(ringAreaCm2(outlines[0]!.outer)).toBeCloseTo(200, 0);
  });
  it('joins outlines over pages that overlap', () => {
    // A box of 300 by 100 on two pages of 200 that overlap by 20: the second begins at 180, each drawn to its edge.
    const left = page(
      [
        open([
          [200, 50],
          [50, 50],
          [50, 150],
          [200, 150],
        ]),
      ],
      [],
      200,
    );
    const right = page(
      [
        open([
          [0, 50],
          [170, 50],
          [170, 150],
          [0, 150],
        ]),
      ],
      [],
      200,
    );
    const together = laidTogether([left, right], { columns: 2, overlap: 20 });
    expect(together.width).toBe(380);
    const { outlines } = foundOutlines(together, { mmPerUnit: 1 });
    expect(outlines.map(({ outer }) => ringAreaCm2(outer))).toEqual([300]);
  });
  it('joins pages whose lines run on unseen past their edges, once each', () => {
    // The whole box of 300 by 100 on both pages, and a line across it.
    const whole = (x: number) => [
      closed(box(50 - x, 50, 300, 100)),
      open([
        [50 - x, 100],
        [350 - x, 100],
      ]),
    ];
    const pages = [page(whole(0), [], 200), page(whole(180), [], 200)];
    const { outlines, loose } = foundOutlines(laidTogether(pages, { columns: 2, overlap: 20 }), {
      mmPerUnit: 1,
    });
    expect(outlines.map(({ outer, grooves }) => [ringAreaCm2(outer), grooves.map(lineMm)])).toEqual([
      [300, [300]],
    ]);
    expect(loose).toEqual([]);
  });
  it('counts a line that is drawn twice once', () => {
    const line: Point[] = [
      [0, 150],
      [300, 150],
    ];
    const { outlines } = found([closed(box(0, 0, 300, 300)), open(line), open([...line].reverse())]);
    expect(outlines[0]!.grooves.map(lineMm)).toEqual([300]);
  });
  it('calls an outline that lies alone on its layer by that', () => {
    const { outlines } = found([
      closed(box(0, 0, 300, 300), 'gauntlet'),
      closed(box(400, 0, 100, 100), 'Cuff'),
      closed(box(600, 0, 90, 90), '#ff0000'),
    ]);
    expect(outlines.map(({ name }) => name)).toEqual(['Gauntlet', 'Cuff', undefined]);
  });
  it('names outlines by the words in them, and else by those nearest', () => {
    const { outlines } = found(
      [closed(box(0, 0, 300, 100)), closed(box(0, 200, 100, 100)), closed(box(10, 10, 40, 40), 'paint')],
      [
        { x: 200, y: 50, text: 'Greave ×2 mirrored' },
        { x: 50, y: 310, text: 'Buckle' },
        { x: 30, y: 30, text: 'bone' },
      ],
    );
    expect(outlines[0]).toMatchObject({ name: 'Greave', count: 2, pairs: true });
    expect(outlines[0]!.zones[0]!.name).toBe('bone');
    expect(outlines[1]).toMatchObject({ name: 'Buckle', count: 1 });
  });
  it.each([
    ['Tasset x4', 'Tasset', 4, false],
    ['cut 2 shoulder', 'shoulder', 2, false],
    ['Bracer pair', 'Bracer', 2, true],
    ['Spike 12x', 'Spike', 12, false],
    ['Box 6 mm', 'Box 6 mm', undefined, false],
  ])('reads "%s"', (text, name, count, pairs) => expect(readLabel(text)).toEqual({ name, count, pairs }));

  it('property: area and edge stay under moving, turning and turning over, and when a path is split', () => {
    const shape = fc.array(fc.tuple(fc.double({ min: 60, max: 200, noNaN: true })), {
      minLength: 5,
      maxLength: 12,
    });
    fc.assert(
      fc.property(
        shape,
        fc.double({ min: -300, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.boolean(),
        fc.integer({ min: 1, max: 4 }),
        (radii, move, turn, flip, cut) => {
          const ring = radii.map(([radius], at): Point => {
            const angle = (at / radii.length) * 2 * Math.PI;
            return [radius * Math.cos(angle), radius * Math.sin(angle)];
          });
          const map = after(
            movedBy(move, -move / 2),
            after(turnedBy(turn), flip ? turnedOver : [1, 0, 0, 1, 0, 0]),
          );
          const moved = lineUnder(ring, map);
          const pieces = [
            open([...moved.slice(0, cut + 1)]),
            open([...moved.slice(cut), moved[0]!].reverse()),
          ];
          for (const strokes of [[closed(moved)], pieces]) {
            const [one] = found(strokes).outlines;
            expect(one).toBeDefined();
            expect(ringAreaCm2(one!.outer)).toBeCloseTo(ringAreaCm2(ring), 3);
            expect(ringMm(one!.outer)).toBeCloseTo(ringMm(ring), 3);
          }
        },
      ),
      { numRuns: 100, seed: 17 },
    );
  });
  it('property: joining adds no more than the gaps', () => {
    const line = fc.array(fc.tuple(fc.integer({ min: 0, max: 30 }), fc.integer({ min: 0, max: 30 })), {
      minLength: 2,
      maxLength: 5,
    });
    fc.assert(
      fc.property(fc.array(line, { minLength: 1, maxLength: 15 }), (lines) => {
        const strokes = lines.map((points) => open(points as unknown as Point[]));
        const before = strokes.reduce((sum, { points }) => sum + lineMm(points), 0);
        const made = chained(strokes, 0.5);
        const long = made.reduce(
          (sum, one) => sum + (one.closed ? ringMm(one.points) : lineMm(one.points)),
          0,
        );
        expect(long).toBeGreaterThanOrEqual(before - 1e-6);
        expect(long).toBeLessThanOrEqual(before + 0.5 * strokes.length + 1e-6);
      }),
      { numRuns: 200, seed: 17 },
    );
  });
});
