import { pieceSchema } from '../model/pieceSchema';
import { sure } from '../model/sure';
import { samplePiece } from '../testing/sampleBuild';
import { regionsOf } from './drawing';
import type { FoundOutline } from './outline';
import { meshFigures } from './mesh';
import { ringAreaCm2, ringMm, type Point } from './rings';
import { sidesOfRing } from './sides';
import { ellipseRing } from './curves';
import { drawnFor, pieceOfMesh, pieceOfOutlines, type TakenAs } from './takeIn';

const box = (x: number, y: number, w: number, h: number): Point[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const outline = (changes: Partial<FoundOutline> = {}): FoundOutline => ({
  outer: box(50, 40, 300, 200),
  holes: [],
  grooves: [],
  zones: [],
  kind: '#000000',
  name: 'Plate',
  count: 1,
  pairs: false,
  crosses: false,
  ...changes,
});
const as: TakenAs = { kind: 'eva-foam', thicknessMm: 6, inner: true };
const rim = { kind: '#c00000', ring: box(50, 40, 60, 200), name: 'rim' };

describe('pieces from outlines', () => {
  it('take area, lengths, and a drawing that begins at its upper left', () => {
    const piece = pieceOfOutlines(
      { name: 'Plate', quantity: 2, pairs: true, outlines: [outline()] },
      ['plate'],
      as,
    );
    expect(pieceSchema.safeParse(piece).success).toBe(true);
    expect(piece).toMatchObject({
      id: 'plate-2',
      quantity: 2,
      faces: { outer: { areaCm2: 600 }, inner: { areaCm2: 600 } },
      lengths: { outlineMm: 1000, openMm: 1000, seamMm: 0, grooveMm: 0 },
      drawing: { pairs: true },
    });
    expect(piece.zones).toBeUndefined();
    expect(Math.min(...piece.drawing!.parts[0]!.outer.flat())).toBe(0);
  });
  it('take what is drawn on them as zones, with the rest as the main one', () => {
    const piece = pieceOfOutlines(
      { name: 'Plate', quantity: 1, pairs: false, outlines: [outline({ zones: [rim] })] },
      [],
      as,
    );
    // 60 of 300 mm.
    expect(piece.zones).toEqual([
      { id: 'main', name: 'Main', share: 0.8, edgeMm: 880, borders: [{ zone: 'rim', mm: 200 }] },
      { id: 'rim', name: 'Rim', share: 0.2, edgeMm: 520, borders: [{ zone: 'main', mm: 200 }] },
    ]);
  });
  it('of one colour and no words are one zone', () => {
    const nameless = [box(60, 50, 20, 20), box(100, 50, 20, 20)].map((ring) => ({
      kind: '#c00000',
      ring,
      name: undefined,
    }));
    const piece = pieceOfOutlines(
      { name: 'Plate', quantity: 1, pairs: false, outlines: [outline({ zones: nameless })] },
      [],
      as,
    );
    expect(piece.zones?.map(({ name, share }) => [name, share])).toEqual([
      ['Main', 0.987],
      ['Panel', 0.013],
    ]);
  });
  it('that a zone covers whole are of one finish', () => {
    const all = { kind: 'paint', ring: box(0, 0, 900, 900), name: 'all' };
    expect(
      pieceOfOutlines(
        { name: 'Plate', quantity: 1, pairs: false, outlines: [outline({ zones: [all] })] },
        [],
        as,
      ).zones,
    ).toBeUndefined();
  });
  it('have grooves only where there is foam', () => {
    const hole = box(150, 100, 100, 80);
    const line: Point[] = [
      [0, 140],
      [400, 140],
    ];
    const piece = pieceOfOutlines(
      { name: 'Plate', quantity: 1, pairs: false, outlines: [outline({ holes: [hole], grooves: [line] })] },
      [],
      as,
    );
    // 300 mm across the plate, less 100 over the hole.
    expect(piece.lengths?.grooveMm).toBe(200);
    expect(piece.drawing?.parts[0]?.grooves).toHaveLength(2);
  });
  it('of several parts are one piece, parts side by side', () => {
    const piece = pieceOfOutlines(
      {
        name: 'Bracer',
        quantity: 1,
        pairs: false,
        outlines: [outline(), outline({ outer: box(0, 0, 100, 200) })],
        seamMm: 400,
      },
      [],
      as,
    );
    // 1000 + 600 round them, 400 of seam on two edges each.
    expect(piece).toMatchObject({
      faces: { outer: { areaCm2: 800 } },
      lengths: { outlineMm: 1600, openMm: 800, seamMm: 400 },
    });
    expect(piece.drawing!.parts[1]!.outer[0]![0]).toBe(320);
  });
  it('for a piece that is there keep its zones by their names', () => {
    const own = samplePiece({
      zones: [
        { id: 'f', name: 'Field', share: 0.5 },
        { id: 'r', name: 'RIM', share: 0.5 },
      ],
    });
    const drawn = drawnFor(own, {
      pairs: false,
      outlines: [outline({ zones: [rim, { ...rim, name: 'other' }] })],
    });
    expect(drawn.zones).toEqual(own.zones);
    expect(drawn.drawing?.zones?.map(({ zone }) => zone)).toEqual(['r']);
    const plain = drawnFor(samplePiece({ zones: undefined }), {
      pairs: false,
      outlines: [outline({ zones: [rim] })],
    });
    expect(plain.zones?.map(({ name }) => name)).toEqual(['Main', 'Rim']);
  });
});

describe('pieces from meshes', () => {
  const flat = (x: number, w: number) =>
    Float32Array.from([x, 0, 0, x + w, 0, 0, x + w, 200, 0, x, 0, 0, x + w, 200, 0, x, 200, 0]);
  it('take the outer face, and groups as zones', () => {
    const figures = meshFigures(
      [
        { name: 'rim', positions: flat(0, 100) },
        { name: 'field', positions: flat(100, 300) },
      ],
      1,
    );
    const piece = pieceOfMesh('Plate', 1, figures, [], as);
    expect(pieceSchema.safeParse(piece).success).toBe(true);
    expect(piece).toMatchObject({ faces: { outer: { areaCm2: 800 }, inner: { areaCm2: 800 } } });
    expect(piece.zones?.map(({ id, share, edgeMm, borders }) => [id, share, edgeMm, borders])).toEqual([
      ['rim', 0.25, 600, [{ zone: 'field', mm: 200 }]],
      ['field', 0.75, 1000, [{ zone: 'rim', mm: 200 }]],
    ]);
  });
});

describe('sides and regions', () => {
  it('a box has four sides as long as it is', () =>
    expect(sidesOfRing(box(0, 0, 300, 200)).map(({ mm }) => mm)).toEqual([300, 200, 300, 200]));
  it('a half disc on a base has three straight sides and one round', () => {
    const arc = Array.from({ length: 61 }, (_, n): Point => [
      60 - 60 * Math.cos((n * Math.PI) / 60),
      60 - 60 * Math.sin((n * Math.PI) / 60),
    ]);
    const ring: Point[] = [...arc, [120, 140], [0, 140]];
    const sides = sidesOfRing(ring);
    // The arc runs on smoothly into the sides: bottom, and all the rest.
    expect(sides.map(({ mm }) => Math.round(mm)).sort((a, b) => a - b)).toEqual([120, 348]);
    expect(sides.reduce((sum, { mm }) => sum + mm, 0)).toBeCloseTo(ringMm(ring), 6);
  });
  it('a circle is one side', () => expect(sidesOfRing(ellipseRing([0, 0], 50, 50, 0.01))).toHaveLength(1));
  it('a groove across parts a face in two', () => {
    const part = {
      outer: box(0, 0, 300, 200) as [number, number][],
      grooves: [
        [
          [100, -5],
          [100, 205],
        ] as [number, number][],
      ],
    };
    expect(regionsOf(part).map((ring) => Math.round(ringAreaCm2(ring)))).toEqual([400, 200]);
    const short = {
      ...part,
      grooves: [
        [
          [100, 50],
          [100, 150],
        ] as [number, number][],
      ],
    };
    expect(regionsOf(short)).toHaveLength(1);
  });
  it('a closed groove parts what is in it', () => {
    const ring = box(100, 50, 100, 100) as [number, number][];
    const part = {
      outer: box(0, 0, 300, 200) as [number, number][],
      grooves: [[...ring, sure(ring[0], 'a corner')]],
    };
    expect(regionsOf(part).map((one) => Math.round(ringAreaCm2(one)))).toEqual([600, 100]);
  });
});
