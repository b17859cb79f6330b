import { ellipseRing, throughPoints } from './curves';
import { foundOutlines, type FoundOptions } from './found';
import { foundOnSheet, tilingOfSheet } from './foundSheet';
import { linesInBox } from './clip';
import { lettersAmong } from './letters';
import { lineMm, lineUnder, movedBy, ringAreaCm2, type Line, type Point } from './rings';
import type { SheetPage, Stroke } from './sheet';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const closed = (points: Point[], kind = 'cut'): Stroke => ({ points, closed: true, kind });
const open = (points: Point[], kind = 'cut'): Stroke => ({ points, closed: false, kind });
const found = (strokes: Stroke[], options: Partial<FoundOptions> = {}) =>
  foundOutlines({ name: '', width: 0, height: 0, strokes, texts: [] }, { mmPerUnit: 1, ...options });
const areas = (strokes: Stroke[], options: Partial<FoundOptions> = {}) =>
  found(strokes, options).outlines.map(
    ({ outer, holes }) => ringAreaCm2(outer) - holes.reduce((sum, hole) => sum + ringAreaCm2(hole), 0),
  );

describe('lines drawn as thin outlines', () => {
  // A pen of 1 mm round 200 by 100 mm: 201 by 101 outside, 199 by 99 inside.
  const pen = [closed(box(-0.5, -0.5, 201, 101)), closed(box(0.5, 0.5, 199, 99))];
  it('count by their middle', () => {
    const { outlines, thin } = found(pen);
    expect([outlines.length, thin]).toEqual([1, 1]);
    expect(outlines[0]!.holes).toEqual([]);
    expect(ringAreaCm2(outlines[0]!.outer)).toBeCloseTo(200, 3);
  });
  it('of a circle, and of a hole in it', () => {
    const circle = (radius: number) => closed(ellipseRing([0, 0], radius, radius, 0.002));
    const [area] = areas([circle(100.4), circle(99.6), circle(30.4), circle(29.6)]);
    // π (100² − 30²) mm².
    expect(Math.abs((area ?? 0) / (91 * Math.PI) - 1)).toBeLessThan(0.001);
  });
  it('or as they are drawn, if somebody says so', () =>
    expect(areas(pen, { thinAsDrawn: true })[0]).toBeCloseTo(203.01 - 197.01, 3));
  it('are grooves where they are open: 0.8 mm wide and 150 long', () => {
    const { outlines } = found([closed(box(0, 0, 200, 100)), closed(box(20, 50, 150, 0.8))]);
    expect(outlines[0]).toMatchObject({ holes: [] });
    expect(outlines[0]!.grooves.map((groove) => Math.round(lineMm(groove)))).toEqual([150]);
  });
  it('a rim of 5 mm is a part', () =>
    expect(areas([closed(box(0, 0, 200, 100)), closed(box(5, 5, 190, 90))])[0]).toBeCloseTo(29, 3));
  it('a slot of 10 by 1.6 mm is a hole', () =>
    expect(areas([closed(box(0, 0, 200, 100)), closed(box(50, 50, 10, 1.6))])[0]).toBeCloseTo(199.84, 3));
});

describe('letters as outlines', () => {
  /** An L, an O with its inside, a V and an I, 20 mm high. */
  const word = (x: number, y: number): Stroke[] => [
    closed([
      [x, y],
      [x + 4, y],
      [x + 4, y + 16],
      [x + 12, y + 16],
      [x + 12, y + 20],
      [x, y + 20],
    ]),
    closed(ellipseRing([x + 24, y + 10], 9, 10, 0.01)),
    closed(ellipseRing([x + 24, y + 10], 5, 6, 0.01)),
    closed([
      [x + 36, y],
      [x + 40, y],
      [x + 44, y + 14],
      [x + 48, y],
      [x + 52, y],
      [x + 46, y + 20],
      [x + 42, y + 20],
    ]),
    closed(box(x + 55, y, 4, 20)),
  ];
  const plate = closed(box(0, 0, 300, 200));
  it('are no holes', () => {
    const { outlines, letters } = found([plate, ...word(40, 60)]);
    expect([outlines.length, outlines[0]!.holes.length, letters]).toEqual([1, 0, 5]);
    expect(ringAreaCm2(outlines[0]!.outer)).toBeCloseTo(600, 6);
  });
  it('nor where they run down the page', () => {
    const down = word(40, 60).map(({ points, ...stroke }) => ({
      ...stroke,
      points: points.map(([x, y]): Point => [y, x]),
    }));
    expect(found([plate, ...down]).outlines[0]!.holes).toEqual([]);
  });
  it('are holes if somebody says so, with what stands in them left', () =>
    expect(found([plate, ...word(40, 60)], { lettersAreHoles: true }).outlines[0]!.holes).toHaveLength(4));
  it.each<[string, Line[]]>([
    ['round holes in a row', Array.from({ length: 6 }, (_, n) => ellipseRing([n * 15, 0], 3, 3, 0.01))],
    ['holes that grow', Array.from({ length: 5 }, (_, n) => ellipseRing([n * 25, 0], 3 + n, 3 + n, 0.01))],
    ['slots in a row', Array.from({ length: 6 }, (_, n) => box(n * 15, 0, 4, 20))],
    ['two of a kind', [box(0, 0, 4, 20), box(8, 0, 12, 20)]],
    ['what is far apart', [box(0, 0, 4, 20), box(80, 0, 12, 4), box(160, 0, 3, 20)]],
  ])('%s are none', (_, rings) => expect([...lettersAmong(rings)]).toEqual([]));
});

describe('lines that two parts share', () => {
  it('close what was drawn up to a neighbour', () => {
    // 200 by 100, and beside it 150 by 100 of which the neighbour draws the left side.
    const beside = open([
      [200, 0],
      [350, 0],
      [350, 100],
      [200, 100],
    ]);
    const { outlines, shared, loose } = found([closed(box(0, 0, 200, 100)), beside]);
    expect(outlines.map(({ outer }) => ringAreaCm2(outer))).toEqual([
      expect.closeTo(200, 6),
      expect.closeTo(150, 6),
    ]);
    expect([shared, loose.length]).toEqual([1, 0]);
  });
  it('part one outline in two, if somebody says so; until then it is a groove', () => {
    const strokes = [
      closed(box(0, 0, 350, 100)),
      open([
        [200, 0],
        [200, 100],
      ]),
    ];
    expect(found(strokes)).toMatchObject({ across: 1, outlines: [{ grooves: [expect.anything()] }] });
    const parts = found(strokes, { acrossParts: true }).outlines;
    expect(parts.map(({ outer, grooves }) => [Math.round(ringAreaCm2(outer) * 10), grooves.length])).toEqual([
      [2000, 0],
      [1500, 0],
    ]);
  });
  it('a line of another kind, or one that ends inside, is a groove and is not asked about', () => {
    const across = [
      [200, 0],
      [200, 100],
    ] as Point[];
    const inside = [
      [100, 0],
      [100, 60],
    ] as Point[];
    expect(found([closed(box(0, 0, 350, 100)), open(across, 'score'), open(inside)]).across).toBe(0);
  });
});

describe('a curve through points', () => {
  it('goes round a circle of eight of its points within a thousandth of its area', () => {
    const eight = Array.from({ length: 8 }, (_, at): Point => [
      100 * Math.cos((at * Math.PI) / 4),
      100 * Math.sin((at * Math.PI) / 4),
    ]);
    const ring = throughPoints(eight, true, 0.003);
    expect(Math.abs(ringAreaCm2(ring) / (100 * Math.PI) - 1)).toBeLessThan(0.002);
    for (const [x, y] of eight)
      expect(Math.min(...ring.map(([a, b]) => Math.hypot(a - x, b - y)))).toBeLessThan(1e-6);
  });
  it('is straight through points on a line, and bends where its ends are free', () => {
    const straight = throughPoints(
      [
        [0, 0],
        [10, 5],
        [40, 20],
      ],
      false,
      0.001,
    );
    for (const [x, y] of straight) expect(y).toBeCloseTo(x / 2, 9);
    // By hand: chords of √2, slopes along them ±1/√2 upwards; with free ends the middle slope is nought, the outer ones 1.5/√2 − 0.
    const roof = throughPoints(
      [
        [0, 0],
        [1, 1],
        [2, 0],
      ],
      false,
      0.0001,
    );
    const quarter = roof.reduce((near, point) =>
      Math.abs(point[0] - 0.5) < Math.abs(near[0] - 0.5) ? point : near,
    );
    // Halfway along a stretch of Hermite's: (0 + 1)/2 + √2 · (1.5/√2 − 0)/8 = 0.6875.
    expect(quarter[1]).toBeCloseTo(0.6875, 2);
  });
});

describe('a drawing over several pages', () => {
  /** A wavy outline of 400 by 330 mm, cut into pages of 210 by 297 with so much white round each, and so much printed on both. */
  const wavy = Array.from({ length: 400 }, (_, at): Point => {
    const angle = (at / 400) * 2 * Math.PI;
    const far = 1 + 0.08 * Math.sin(5 * angle);
    return [200 + 180 * far * Math.cos(angle), 165 + 148 * far * Math.sin(angle)];
  });
  const wavyCm2 = ringAreaCm2(wavy);
  const cut = (marginMm: number, overlapMm: number, frame: boolean): SheetPage[] => {
    const [wide, high] = [210 - 2 * marginMm, 297 - 2 * marginMm];
    const [stepX, stepY] = [wide - overlapMm, high - overlapMm];
    return [0, 1].flatMap((row) =>
      [0, 1, 2].map((column): SheetPage => {
        const [left, top] = [column * stepX, row * stepY];
        const area = { left, top, right: left + wide, bottom: top + high };
        const map = movedBy(marginMm - left, marginMm - top);
        return {
          name: `${row} ${column}`,
          width: 210,
          height: 297,
          strokes: [
            ...linesInBox([[...wavy, wavy[0]!]], area).map((line) => open(lineUnder(line, map))),
            ...(frame ? [closed(box(marginMm, marginMm, wide, high))] : []),
          ],
          texts: [{ x: 105, y: 290, text: `Page ${row * 3 + column + 1} of 6` }],
        };
      }),
    );
  };
  it.each([
    [0, 0, false],
    [10, 0, true],
    [10, 0, false],
    [0, 12, false],
    [8, 15, true],
  ])('with a margin of %d mm, %d mm on both pages, and a frame or none (%s)', (margin, overlap, frame) => {
    const pages = cut(margin, overlap, frame);
    const tiling = tilingOfSheet({ pages });
    expect(tiling?.columns).toBe(3);
    expect(tiling?.overlap).toBeCloseTo(2 * margin + overlap, 0);
    const whole = foundOnSheet({ pages }, { mmPerUnit: 1 }, tiling);
    expect(whole.tiling?.meets).toBe(true);
    expect(whole.pages[0]!.outlines).toHaveLength(1);
    expect(Math.abs(ringAreaCm2(whole.pages[0]!.outlines[0]!.outer) / wavyCm2 - 1)).toBeLessThan(0.002);
    // What counts pages is no name.
    expect(whole.pages[0]!.outlines[0]!.name).toBeUndefined();
    expect(whole.pages[0]!.frames).toBe(frame ? 6 : 0);
  });
  it('says where the lines do not meet: two in a row, or by half of the overlap', () => {
    const pages = cut(8, 15, true);
    for (const layout of [
      { columns: 2, overlap: 31 },
      { columns: 3, overlap: 12 },
    ])
      expect(foundOnSheet({ pages }, { mmPerUnit: 1 }, layout).tiling?.meets).toBe(false);
  });
  it('pages with a part each are pages of their own', () => {
    const pages = [0, 1, 2, 3].map((n): SheetPage => ({
      name: '',
      width: 210,
      height: 297,
      strokes: [closed(box(20 + n, 30, 120, 150 + 7 * n)), closed(box(10, 10, 190, 277))],
      texts: [],
    }));
    expect(tilingOfSheet({ pages })).toBeUndefined();
    const { pages: own } = foundOnSheet({ pages }, { mmPerUnit: 1 });
    expect(own.map(({ outlines }) => outlines.map(({ outer }) => ringAreaCm2(outer)))).toEqual([
      [180],
      [188.4],
      [196.8],
      [205.2],
    ]);
    expect(own[0]!.frames).toBe(4);
  });
  it('what runs over the edge of its page is said', () => {
    const page: SheetPage = {
      name: '',
      width: 210,
      height: 297,
      strokes: [closed(box(20, 20, 250, 100)), closed(box(20, 150, 100, 100))],
      texts: [],
    };
    expect(foundOnSheet({ pages: [page] }, { mmPerUnit: 1 }).pages[0]!.beyond).toEqual([0]);
  });
});
