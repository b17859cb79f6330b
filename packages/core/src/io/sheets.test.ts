import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { foundOutlines, type Found } from '../shapes/found';
import { lineMm, ringAreaCm2 } from '../shapes/rings';
import type { Sheet } from '../shapes/sheet';
import { sure } from '../model/sure';
import { readDxfSheet } from './dxfSheet';
import { readPdfSheet, type PdfPage } from './pdfSheet';
import { readSvgSheet } from './svgSheet';

const sample = (name: string) => readFileSync(join(__dirname, '../../../../demo/templates', name), 'utf8');
const svg = (inside: string, root = 'width="100mm" height="100mm" viewBox="0 0 100 100"') =>
  readSvgSheet(`<svg xmlns="http://www.w3.org/2000/svg" ${root}>${inside}</svg>`);
const foundIn = (sheet: Sheet): Found =>
  foundOutlines(sheet.pages[0]!, { mmPerUnit: sure(sheet.mmPerUnit, 'a unit') });
const areas = (sheet: Sheet) =>
  foundIn(sheet).outlines.map(
    ({ outer, holes }) => ringAreaCm2(outer) - holes.reduce((sum, hole) => sum + ringAreaCm2(hole), 0),
  );
const line = 'fill="none" stroke="#000"';

describe('SVG', () => {
  it.each([
    ['width="100mm" height="100mm" viewBox="0 0 100 100"', 1],
    ['width="10cm" viewBox="0 0 200 200"', 0.5],
    ['width="4in" viewBox="0 0 96 96"', (4 * 25.4) / 96],
    ['width="100mm" height="50mm"', 25.4 / 96],
    ['width="72pt" viewBox="0 0 72 72"', 25.4 / 72],
  ])('knows the unit of %s', (root, mm) => expect(svg('', root).mmPerUnit).toBeCloseTo(mm, 9));
  it.each(['width="200" height="100" viewBox="0 0 200 100"', 'viewBox="0 0 200 100"', 'width="100%"'])(
    'does not know the unit of %s',
    (root) => expect(svg('', root).mmPerUnit).toBeUndefined(),
  );
  it.each([
    [`<rect x="10" y="10" width="50" height="40" ${line}/>`, 20],
    // Rounded by 10 mm: 20 cm² less (4 − π) cm².
    [`<rect x="10" y="10" width="50" height="40" rx="10" ${line}/>`, 19.1416],
    [`<circle cx="50" cy="50" r="20" ${line}/>`, 12.5664],
    [`<ellipse cx="50" cy="50" rx="40" ry="10" ${line}/>`, 12.5664],
    [`<polygon points="10,10 60,10 60,50" ${line}/>`, 10],
    [`<path d="M10 10h50v40h-50z" ${line}/>`, 20],
    [`<path d="M10,30 a20,20 0 1 1 40,0 a20,20 0 1 1 -40,0 z" ${line}/>`, 12.5664],
    // Twice as wide and as high, a quarter turn on.
    [
      `<g transform="translate(100 0) rotate(90)"><rect x="5" y="5" width="20" height="10" transform="scale(2)" ${line}/></g>`,
      8,
    ],
    [`<defs><rect id="a" width="30" height="20" ${line}/></defs><use href="#a" x="10" y="10"/>`, 6],
    [
      `<style>.cut { fill: none; stroke: red }</style><rect class="cut" x="1" y="1" width="50" height="40"/>`,
      20,
    ],
  ])('measures %s', (inside, cm2) => {
    const [area] = areas(svg(inside));
    expect(Math.abs((area ?? 0) / cm2 - 1)).toBeLessThan(0.0005);
  });
  it.each([
    // 10 units of the box on 50 mm: a box of 4 by 2 of them is 20 by 10 mm.
    [
      `<svg x="10" y="10" width="50" height="50" viewBox="0 0 10 10"><rect width="4" height="2" ${line}/></svg>`,
      2,
    ],
    // As large as fits both ways: 40 high for 20, so 2 to one, whatever the width would give.
    [`<svg width="90" height="40" viewBox="0 0 30 20"><rect width="10" height="10" ${line}/></svg>`, 4],
    // Or as large as covers both: 3 to one.
    [
      `<svg width="90" height="40" viewBox="0 0 30 20" preserveAspectRatio="xMidYMid slice"><rect width="10" height="10" ${line}/></svg>`,
      9,
    ],
    // Or pulled out of shape: 3 across, 2 down.
    [
      `<svg width="90" height="40" viewBox="0 0 30 20" preserveAspectRatio="none"><rect width="10" height="10" ${line}/></svg>`,
      6,
    ],
    // Half of the frame across, a quarter down: 50 by 25.
    [`<svg width="100" height="100"><rect width="50%" height="25%" ${line}/></svg>`, 12.5],
    // A symbol is as large as whoever copies it says: 5 mm to a unit.
    [
      `<symbol id="s" viewBox="0 0 10 10"><rect width="4" height="4" ${line}/></symbol><use href="#s" x="20" width="50" height="50"/>`,
      4,
    ],
    // What it says itself counts where the copy says nothing: 3 mm to a unit.
    [
      `<symbol id="s" viewBox="0 0 10 10" width="30" height="30"><rect width="4" height="4" ${line}/></symbol><use href="#s"/>`,
      1.44,
    ],
    [
      `<defs><svg id="s" viewBox="0 0 10 10" width="5" height="5"><rect width="4" height="4" ${line}/></svg></defs><use href="#s" width="50" height="50"/>`,
      4,
    ],
    // A frame in a frame, 2 mm and then 3 to one of the inner: 6.
    [
      `<svg width="60" height="60" viewBox="0 0 30 30"><svg width="30" height="30" viewBox="0 0 10 10"><rect width="5" height="5" ${line}/></svg></svg>`,
      9,
    ],
    [`<style>path { fill: none; stroke: red; d: path("M10 10h50v40h-50z") }</style><path/>`, 20],
    [
      `<style>#a.b, circle { fill: none }</style><rect id="a" class="b" width="9" height="9"/><circle r="9"/><ellipse rx="20" ry="10" cx="50" cy="50"/>`,
      6.2832,
    ],
    [`<rect width="30" height="20" ${line} style="width: 50px"/>`, 10],
  ])('measures in frames and by style %s', (inside, cm2) => {
    const [area, ...more] = areas(svg(inside));
    expect(more).toEqual([]);
    expect(Math.abs((area ?? 0) / cm2 - 1)).toBeLessThan(0.0005);
  });
  it('takes lengths with units on shapes: 96 units are an inch of the drawing', () => {
    const shapes = `<rect x="1cm" width="50mm" height="2in" ${line}/>`;
    // In a drawing of pixels they are true: 50 by 50.8 mm.
    expect(areas(svg(shapes, 'width="200mm" height="200mm"'))[0]).toBeCloseTo(25.4, 3);
  });
  it.each([
    // The box of 100 by 100 lies in 200 by 100 mm as large as fits: one to one.
    ['width="200mm" height="100mm" viewBox="0 0 100 100"', 25],
    ['width="200mm" height="100mm" viewBox="0 0 100 100" preserveAspectRatio="xMinYMin slice"', 100],
    ['width="200mm" height="100mm" viewBox="0 0 100 100" preserveAspectRatio="none"', 50],
    ['height="50mm" viewBox="0 0 100 100"', 6.25],
  ])('a page with %s', (root, cm2) =>
    expect(areas(svg(`<rect width="50" height="50" ${line}/>`, root))[0]).toBeCloseTo(cm2, 3),
  );
  it('sorts lines by layer, or without layers by colour', () => {
    const byColour = svg(
      `<rect width="50" height="50" ${line}/><path d="M0 0L9 9" fill="none" stroke="#f00"/>`,
    );
    expect(byColour.kinds.map(({ id }) => id)).toEqual(['#000000', '#ff0000']);
    const group = (label: string, inside: string) => `<g inkscape:label="${label}">${inside}</g>`;
    const byLayer = svg(
      group('Cut', `<rect width="50" height="50" ${line}/>`) +
        group('Paint', `<rect width="9" height="9" ${line}/>`),
    );
    expect(byLayer.kinds.map(({ name }) => name)).toEqual(['Cut', 'Paint']);
  });
  it('draws nothing of what is hidden, only defined, or has no line', () => {
    const hidden = [
      '<rect width="50" height="50" style="display:none"/>',
      '<defs><rect width="50" height="50"/></defs>',
      '<rect width="50" height="50" fill="none"/>',
      '<clipPath><rect width="50" height="50"/></clipPath>',
    ];
    expect(svg(hidden.join('')).pages[0]!.strokes).toEqual([]);
  });
  it('runs and fetches nothing, and says what it left', () => {
    const sheet = svg(
      `<script>globalThis.ran = true</script><image href="http://other.example/a.png"/><use href="other.svg#a"/><rect onload="globalThis.ran = true" width="50" height="50" ${line}/>`,
    );
    expect('ran' in globalThis).toBe(false);
    expect(areas(sheet)).toEqual([25]);
    expect(sheet.notes).toHaveLength(3);
  });
  it('does not blow entities up', () => {
    const bomb = `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa"><!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">]><svg width="10mm" viewBox="0 0 10 10"><text>&b;</text></svg>`;
    expect(readSvgSheet(bomb).pages[0]!.texts[0]?.text.length ?? 0).toBeLessThan(40);
  });
  it('says what is wrong in a sentence', () => {
    expect(() => readSvgSheet('PNG?')).toThrow('There is no drawing in this file');
    expect(() => svg('<g>'.repeat(3000))).toThrow('deeper than can be followed');
    expect(() => svg(`<path ${line} d="M0 0L1 1"/>`.repeat(20_001))).toThrow('more than 20000 lines');
    const nested = '<g id="x"><use href="#x"/><use href="#x"/></g>';
    expect(() => svg(nested)).toThrow('than can be followed');
  });
  it('reads what it can of a damaged path', () => {
    const sheet = svg(
      `<path d="M10 10 L60 10 L60 50 z M bad" ${line}/><path ${line}/><polygon points="" ${line}/>`,
    );
    expect(sheet.pages[0]!.strokes.length).toBeLessThanOrEqual(1);
    expect(sheet.notes[0]).toContain('damaged');
  });
  it('reads the sample: six pieces with their zones, grooves and numbers', () => {
    const sheet = readSvgSheet(sample('kelp-warden.svg'));
    const { outlines } = foundIn(sheet);
    const told = outlines.map(({ name, count, pairs, zones, grooves, holes }) => [
      name,
      count,
      pairs,
      zones.map((zone) => zone.name),
      grooves.length,
      holes.length,
    ]);
    expect(told).toEqual(
      expect.arrayContaining([
        ['Chest shell', 1, false, ['shell'], 3, 0],
        ['Shoulder', 2, true, ['rim'], 1, 0],
        ['Bracer', 2, false, ['cuff'], 2, 0],
        ['Belt disc', 1, false, [], 0, 1],
        ['Fin', 4, false, ['tip'], 2, 0],
        ['Greave', 2, true, ['knee'], 0, 0],
      ]),
    );
    expect(told).toHaveLength(6);
    const bracer = sure(
      outlines.find(({ name }) => name === 'Bracer'),
      'the bracer',
    );
    // A trapezoid, 160 and 136 mm, 110 apart: 148 · 110 = 16,280 mm².
    expect(ringAreaCm2(bracer.outer)).toBeCloseTo(162.8, 1);
  });
});

describe('DXF', () => {
  const sheet = readDxfSheet(sample('buckle.dxf'));
  const { outlines } = foundIn(sheet);
  it('reads the sample by its layers, in mm', () => {
    expect(sheet.mmPerUnit).toBe(1);
    expect(sheet.kinds.map(({ name }) => name)).toEqual(['CUT', 'PAINT', 'GROOVE']);
    expect(
      outlines.map(({ name, count, holes, zones, grooves }) => [
        name,
        count,
        holes.length,
        zones.length,
        grooves.length,
      ]),
    ).toEqual([
      ['Buckle', 1, 3, 1, 0],
      ['Strap end', 2, 0, 0, 1],
    ]);
  });
  it('measures bulges, circles in blocks, and lines that meet an arc', () => {
    // 80 · 80 and a circle of 40: 64 + 16π cm².
    expect(ringAreaCm2(outlines[0]!.outer)).toBeCloseTo(64 + 16 * Math.PI, 1);
    // π·1.5² and twice π·0.4².
    expect(outlines[0]!.holes.reduce((sum, hole) => sum + ringAreaCm2(hole), 0)).toBeCloseTo(
      2.57 * Math.PI,
      2,
    );
    // 200 · 40 and half a circle of 20: 80 + 2π cm².
    expect(ringAreaCm2(outlines[1]!.outer)).toBeCloseTo(80 + 2 * Math.PI, 1);
    expect(lineMm(outlines[1]!.grooves[0]!)).toBeGreaterThan(170);
  });
  const entities = (unit: number | undefined, ...pairs: (string | number)[]) =>
    readDxfSheet(
      [
        ...(unit === undefined ? [] : [0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, unit, 0, 'ENDSEC']),
        ...[0, 'SECTION', 2, 'ENTITIES'],
        ...pairs,
        ...[0, 'ENDSEC', 0, 'EOF'],
      ].join('\n'),
    );
  const box = [0, 'LWPOLYLINE', 8, '0', 90, 4, 70, 1, 10, 0, 20, 0, 10, 5, 20, 0, 10, 5, 20, 4, 10, 0, 20, 4];
  it.each([
    [1, 20 * 6.4516],
    [4, 0.2],
    [5, 20],
  ])('unit %d makes a box of 5 by 4 %d cm²', (unit, cm2) => {
    const read = entities(unit, ...box);
    const [stroke] = read.pages[0]!.strokes;
    expect(ringAreaCm2(stroke!.points) * sure(read.mmPerUnit, 'a unit') ** 2).toBeCloseTo(cm2, 6);
  });
  it('does not know the unit where none is said', () =>
    expect(entities(undefined, ...box).mmPerUnit).toBeUndefined());
  it('follows an ellipse and a spline with weights', () => {
    const ellipse = [0, 'ELLIPSE', 8, '0', 10, 0, 20, 0, 11, 40, 21, 0, 40, 0.5, 41, 0, 42, 2 * Math.PI];
    // π·40·20 mm².
    expect(areas(entities(4, ...ellipse))[0]).toBeCloseTo(25.133, 1);
    const quarter = [
      ...[0, 'SPLINE', 8, '0', 70, 4, 71, 2, 72, 6, 73, 3],
      ...[40, 0, 40, 0, 40, 0, 40, 1, 40, 1, 40, 1],
      ...[10, 50, 20, 0, 41, 1, 10, 50, 20, 50, 41, Math.SQRT1_2, 10, 0, 20, 50, 41, 1],
      ...[0, 'LINE', 8, '0', 10, 0, 20, 50, 11, 0, 21, 0, 0, 'LINE', 8, '0', 10, 0, 20, 0, 11, 50, 21, 0],
    ];
    // A quarter of π·50².
    expect(areas(entities(4, ...quarter))[0]).toBeCloseTo(19.635, 1);
  });
  it('says what is wrong in a sentence', () => {
    expect(() => readDxfSheet('')).toThrow('This DXF file is damaged');
    expect(() => readDxfSheet('AutoCAD Binary DXF\r\n\u001a\u0000')).toThrow('This DXF file is damaged');
    const loop = [
      ...[0, 'SECTION', 2, 'BLOCKS', 0, 'BLOCK', 8, '0', 2, 'A', 10, 0, 20, 0],
      ...[0, 'INSERT', 8, '0', 2, 'A', 10, 0, 20, 0, 0, 'ENDBLK', 8, '0', 0, 'ENDSEC'],
      ...[0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '0', 2, 'A', 10, 0, 20, 0, 0, 'ENDSEC', 0, 'EOF'],
    ];
    expect(() => readDxfSheet(loop.join('\n'))).toThrow('than can be followed');
  });
});

describe('PDF', () => {
  const ops = {
    save: 1,
    restore: 2,
    transform: 3,
    setStrokeRGBColor: 4,
    setFillRGBColor: 5,
    constructPath: 6,
    stroke: 7,
    fill: 8,
    endPath: 9,
    closeStroke: 10,
    beginMarkedContentProps: 11,
    endMarkedContent: 12,
  };
  const page = (...commands: [keyof typeof ops, unknown?][]): PdfPage => ({
    width: 595,
    height: 842,
    map: [1, 0, 0, -1, 0, 842],
    commands: commands.map(([name]) => ops[name]),
    values: commands.map(([, values]) => values),
    texts: [],
    layers: { l1: 'Cut', l2: 'Paint' },
  });
  const path = (paint: keyof typeof ops, ...steps: number[]): [keyof typeof ops, unknown] => [
    'constructPath',
    [ops[paint], [Float32Array.from(steps)], null],
  ];
  // An inch by an inch: 6.4516 cm².
  const inch = [0, 100, 100, 1, 172, 100, 1, 172, 172, 1, 100, 172, 4];
  it('72 points are an inch', () =>
    expect(areas(readPdfSheet([page(path('stroke', ...inch))], ops))[0]).toBeCloseTo(6.4516, 4));
  it('follows transforms and gives them back', () => {
    const sheet = readPdfSheet(
      [
        page(
          ['save'],
          ['transform', [2, 0, 0, 2, 0, 0]],
          path('stroke', ...inch),
          ['restore'],
          path('stroke', ...inch),
        ),
      ],
      ops,
    );
    expect(sheet.pages[0]!.strokes.map(({ points }) => ringAreaCm2(points) * 0.1244521)).toEqual([
      expect.closeTo(25.8064, 2),
      expect.closeTo(6.4516, 2),
    ]);
  });
  it('follows curves: a half circle by two cubics', () => {
    const k = 0.5522847;
    const half = [0, 72, 0, 2, 72, 72 * k, 72 * k, 72, 0, 72, 2, -72 * k, 72, -72, 72 * k, -72, 0, 4];
    // Half of π·2.54².
    expect(areas(readPdfSheet([page(path('stroke', ...half))], ops))[0]).toBeCloseTo(10.134, 2);
  });
  it('sorts by layer or colour, and leaves clips and white paper', () => {
    const sheet = readPdfSheet(
      [
        page(
          ['setFillRGBColor', ['#ffffff']],
          path('fill', ...inch),
          path('endPath', ...inch),
          ['setStrokeRGBColor', ['#ff0000']],
          path('stroke', ...inch),
          ['setStrokeRGBColor', [0, 0, 255]],
          path('stroke', 0, 10, 10, 1, 20, 20),
        ),
      ],
      ops,
    );
    expect(sheet.kinds.map(({ id }) => id)).toEqual(['#ff0000', '#0000ff']);
    const layered = readPdfSheet(
      [
        page(
          ['beginMarkedContentProps', ['OC', { id: 'l1' }]],
          path('stroke', ...inch),
          ['endMarkedContent'],
          ['beginMarkedContentProps', ['OC', { id: 'l2' }]],
          path('closeStroke', ...inch),
          ['endMarkedContent'],
        ),
      ],
      ops,
    );
    expect(layered.kinds.map(({ name }) => name)).toEqual(['Cut', 'Paint']);
  });
  it('stays sound with commands that say nothing sensible', () => {
    const odd = page(
      ['restore'],
      ['transform', ['a']],
      ['transform'],
      ['constructPath'],
      ['constructPath', [7, [null]]],
      ['endMarkedContent'],
      path('stroke', 9, 9, 9),
    );
    expect(readPdfSheet([odd], ops).pages[0]!.strokes).toEqual([]);
  });
});
