import { likelyMeshUnit, meshFigures } from './mesh';
import type { MeshPart } from './meshWeld';

type Place = readonly [number, number, number];
const part = (name: string, faces: readonly (readonly [Place, Place, Place])[]): MeshPart => ({
  name,
  positions: Float32Array.from(faces.flat(2)),
});
/** The two triangles of a flat quadrilateral, seen against the clock from outside. */
const quad = (a: Place, b: Place, c: Place, d: Place) =>
  [
    [a, b, c],
    [a, c, d],
  ] as const;
function box(w: number, d: number, h: number): (readonly [Place, Place, Place])[] {
  const p = (x: number, y: number, z: number): Place => [x * w, y * d, z * h];
  return [
    ...quad(p(0, 0, 0), p(0, 1, 0), p(1, 1, 0), p(1, 0, 0)),
    ...quad(p(0, 0, 1), p(1, 0, 1), p(1, 1, 1), p(0, 1, 1)),
    ...quad(p(0, 0, 0), p(1, 0, 0), p(1, 0, 1), p(0, 0, 1)),
    ...quad(p(0, 1, 0), p(0, 1, 1), p(1, 1, 1), p(1, 1, 0)),
    ...quad(p(0, 0, 0), p(0, 0, 1), p(0, 1, 1), p(0, 1, 0)),
    ...quad(p(1, 0, 0), p(1, 1, 0), p(1, 1, 1), p(1, 0, 1)),
  ];
}
/** A ball; or from the top down to an angle, radians. */
function ball(
  radius: number,
  until = Math.PI,
  inwards = false,
  steps = 200,
): (readonly [Place, Place, Place])[] {
  const rings = steps / 2;
  const at = (ring: number, step: number): Place => {
    const [polar, round] = [(until * ring) / rings, (2 * Math.PI * (step % steps)) / steps];
    return [
      radius * Math.sin(polar) * Math.cos(round),
      radius * Math.sin(polar) * Math.sin(round),
      radius * Math.cos(polar),
    ];
  };
  const faces: (readonly [Place, Place, Place])[] = [];
  for (let ring = 0; ring < rings; ring += 1)
    for (let step = 0; step < steps; step += 1) {
      const [a, b, c, d] = [at(ring, step), at(ring + 1, step), at(ring + 1, step + 1), at(ring, step + 1)];
      if (ring < rings - 1 || until < Math.PI) faces.push(inwards ? [a, c, b] : [a, b, c]);
      if (ring > 0) faces.push(inwards ? [a, d, c] : [a, c, d]);
    }
  return faces;
}

describe('meshes', () => {
  it('a cube of 100 mm is 600 cm² all round, and solid', () => {
    const cube = meshFigures([part('cube', box(100, 100, 100))], 1);
    expect(cube).toMatchObject({ triangles: 12, kind: 'solid', innerCm2: undefined, tightestMm: undefined });
    expect(cube.outerCm2).toBeCloseTo(600, 6);
    expect(cube.sizeMm).toEqual([100, 100, 100]);
  });
  it('in inches it is 6.4516 times a hundredth of that', () =>
    expect(meshFigures([part('cube', box(10, 10, 10))], 25.4).outerCm2).toBeCloseTo(6 * 6.4516 * 100, 1));
  it('a ball of 100 mm is 4π·100² within a tenth of a per cent, and its tightest curve is its radius', () => {
    const sphere = meshFigures([part('ball', ball(100))], 1);
    expect(Math.abs(sphere.outerCm2 / (400 * Math.PI) - 1)).toBeLessThan(0.001);
    expect(sphere.kind).toBe('solid');
    expect(Math.abs((sphere.tightestMm ?? 0) / 100 - 1)).toBeLessThan(0.02);
  });
  it('a plate of 300 by 200 by 6 is a shell: one face, the other, and its rim', () => {
    const plate = meshFigures([part('plate', box(300, 200, 6))], 1);
    expect(plate.kind).toBe('shell');
    expect(plate.outerCm2).toBeCloseTo(600, 6);
    expect(plate.innerCm2).toBeCloseTo(600, 6);
    // 1000 mm round it, 6 thick.
    expect(plate.rimCm2).toBeCloseTo(60, 6);
    expect(plate.thicknessMm).toBeCloseTo(6, 6);
  });
  it('a hollow ball is a shell: its inside is turned the other way', () => {
    const hollow = meshFigures([part('ball', [...ball(100), ...ball(95, Math.PI, true)])], 1);
    expect(hollow.kind).toBe('shell');
    expect(hollow.outerCm2 / (400 * Math.PI)).toBeCloseTo(1, 2);
    expect((hollow.innerCm2 ?? 0) / (4 * Math.PI * 9.5 * 9.5 * 1)).toBeCloseTo(1, 2);
    expect(hollow.thicknessMm).toBeCloseTo(5, 1);
  });
  it('an open half ball is a sheet of 2π·80²', () => {
    const bowl = meshFigures([part('bowl', ball(80, Math.PI / 2))], 1);
    expect(bowl.kind).toBe('sheet');
    expect(Math.abs(bowl.outerCm2 / (128 * Math.PI) - 1)).toBeLessThan(0.001);
    expect(bowl.innerCm2).toBeUndefined();
  });
  it('groups become zones with shares and the edge between them', () => {
    const left = quad([0, 0, 0], [100, 0, 0], [100, 200, 0], [0, 200, 0]);
    const right = quad([100, 0, 0], [400, 0, 0], [400, 200, 0], [100, 200, 0]);
    const { zones, outerCm2 } = meshFigures([part('rim', left), part('field', right)], 1);
    expect(outerCm2).toBeCloseTo(800, 6);
    expect(zones.map(({ name, share, edgeMm }) => [name, share, edgeMm])).toEqual([
      ['rim', expect.closeTo(0.25, 9), expect.closeTo(600, 3)],
      ['field', expect.closeTo(0.75, 9), expect.closeTo(1000, 3)],
    ]);
    expect(zones.map(({ borders }) => borders)).toEqual([
      [{ part: 1, mm: expect.closeTo(200, 3) }],
      [{ part: 0, mm: expect.closeTo(200, 3) }],
    ]);
  });
  describe('that are odd', () => {
    type Face = readonly [Place, Place, Place];
    const moved = (faces: readonly Face[], by: number): Face[] =>
      faces.map((face) => face.map(([x, y, z]): Place => [x + by, y, z]) as unknown as Face);
    const turned = (faces: readonly Face[]): Face[] => faces.map(([a, b, c]) => [a, c, b]);
    const plate = box(300, 200, 6);

    it('two plates count in full, one of them wound inside out', () => {
      const two = meshFigures([part('', [...plate, ...moved(turned(plate), 400)])], 1);
      expect(two.outerCm2).toBeCloseTo(1200, 3);
      expect(two).toMatchObject({ kind: 'shell', thicknessMm: expect.closeTo(6, 3) });
    });
    it('a ball that is inside out is a ball', () => {
      const { outerCm2, kind } = meshFigures([part('', ball(100, Math.PI, true))], 1);
      expect(Math.abs(outerCm2 / (400 * Math.PI) - 1)).toBeLessThan(0.001);
      expect(kind).toBe('solid');
    });
    it('a body inside another is a hollow, whichever way it is wound', () => {
      const hollow = meshFigures([part('', [...ball(100), ...ball(95)])], 1);
      expect(hollow).toMatchObject({ kind: 'shell', thicknessMm: expect.closeTo(5, 1) });
      expect(hollow.outerCm2 / (400 * Math.PI)).toBeCloseTo(1, 2);
      expect(hollow.notes).toEqual(['One body lies inside another: it is a hollow.']);
    });
    it('and what lies in the hollow is whole again', () =>
      expect(
        meshFigures([part('', [...ball(100), ...ball(95), ...ball(40)])], 1).outerCm2 / (464 * Math.PI),
      ).toBeCloseTo(1, 2));
    it('single faces that are turned over are turned back', () => {
      const [first, ...others] = box(100, 100, 100);
      const cube = meshFigures([part('', [...turned([first!]), ...others])], 1);
      expect(cube.outerCm2).toBeCloseTo(600, 3);
      expect(cube.notes).toEqual(['1 face was inside out, and is turned.']);
    });
    it('faces without an area are no bodies, and part no face in two', () => {
      const nothing: Face = [
        [20, 20, 6],
        [20, 20, 6],
        [50, 20, 6],
      ];
      // A corner in the middle of an edge between the two triangles of the top.
      const [a, b, c, d]: Place[] = [
        [0, 0, 6],
        [300, 0, 6],
        [300, 200, 6],
        [0, 200, 6],
      ] as Place[];
      const half: Place = [150, 100, 6];
      const others = plate.filter((face) => face.some(([, , z]) => z === 0));
      const odd = meshFigures(
        [part('', [...others, nothing, [a!, b!, half], [b!, c!, half], [a!, half, c!], [a!, c!, d!]])],
        1,
      );
      expect(odd).toMatchObject({ kind: 'shell', outerCm2: expect.closeTo(600, 3) });
      expect(odd.rimCm2).toBeCloseTo(60, 3);
    });
    it('corners that are 0.00002 mm apart are one', () => {
      const shaken = box(100, 100, 100).map(
        (face, at) =>
          face.map(([x, y, z], n): Place => [
            x + (((at * 7 + n * 3) % 5) - 2) * 1e-5,
            y + (((at * 5 + n) % 5) - 2) * 1e-5,
            z,
          ]) as unknown as Face,
      );
      const cube = meshFigures([part('', shaken)], 1);
      expect(cube).toMatchObject({ kind: 'solid', outerCm2: expect.closeTo(600, 3) });
    });
    it('what was drawn twice counts once, either way round', () => {
      const cube = box(100, 100, 100);
      const twice = meshFigures([part('', [...cube, ...cube]), part('b', turned(cube))], 1);
      expect(twice).toMatchObject({ triangles: 12, outerCm2: expect.closeTo(600, 3) });
      expect(twice.notes).toEqual(['24 faces stood in the file twice, and count once.']);
    });
    it('a plate is asked about: its face, or all round', () => {
      const ways = [
        { count: 'outside', areaCm2: expect.closeTo(600, 3) },
        // Both faces and 60 cm² of rim.
        { count: 'all-round', areaCm2: expect.closeTo(1260, 3) },
      ];
      expect(meshFigures([part('', plate)], 1)).toMatchObject({ counted: 'outside', ways });
      expect(meshFigures([part('', plate)], 1, 'all-round')).toMatchObject({
        counted: 'all-round',
        kind: 'solid',
        outerCm2: expect.closeTo(1260, 3),
        innerCm2: undefined,
        thicknessMm: undefined,
      });
    });
    it('a blade of 900 by 60, 8 thick in its middle, is finished all round', () => {
      const cut = (x: number): Place[] => [
        [x, -30, 0],
        [x, 0, -4],
        [x, 30, 0],
        [x, 0, 4],
      ];
      const [near, far] = [cut(0), cut(900)] as [Place[], Place[]];
      const sides = [0, 1, 2, 3].flatMap((at) =>
        quad(near[at]!, far[at]!, far[(at + 1) % 4]!, near[(at + 1) % 4]!),
      );
      const ends = [
        ...quad(near[3]!, near[2]!, near[1]!, near[0]!),
        ...quad(far[0]!, far[1]!, far[2]!, far[3]!),
      ];
      const blade = meshFigures([part('', [...sides, ...ends])], 1);
      // Four sides of 900 · √(30² + 4²), two ends of 60 · 8 / 2.
      const allCm2 = (4 * 900 * Math.hypot(30, 4) + 2 * 240) / 100;
      expect(blade).toMatchObject({ counted: 'all-round', outerCm2: expect.closeTo(allCm2, 2) });
      expect(blade.ways.map(({ count }) => count)).toEqual(['one-side', 'all-round']);
      expect(blade.ways[0]!.areaCm2).toBeCloseTo((allCm2 - 4.8) / 2, 2);
    });
    it('a lens is a blade, and a bent shell without a rim is none', () => {
      const flat = (faces: readonly Face[], by: number) =>
        faces.map((face) => face.map(([x, y, z]): Place => [x, y, z * by]) as unknown as Face);
      expect(meshFigures([part('', flat(ball(100), 0.1))], 1).counted).toBe('all-round');
      // Two half balls of 100 and 96 mm on one rim of 98: 4 mm thick, 100 mm high.
      const bowl = (radius: number) =>
        ball(radius, Math.PI / 2).map(
          (face) =>
            face.map(([x, y, z]): Place => {
              const long = Math.hypot(x, y);
              return z < 1e-6 ? [(x / long) * 98, (y / long) * 98, 0] : [x, y, z];
            }) as unknown as Face,
        );
      const shell = meshFigures([part('', [...bowl(100), ...turned(bowl(96))])], 1);
      expect(shell).toMatchObject({ counted: 'outside', kind: 'shell' });
      expect(Math.abs(shell.outerCm2 / (200 * Math.PI) - 1)).toBeLessThan(0.02);
    });
    it('a bevelled plate has its bevelled face up', () => {
      // 300 by 200 at its back, 294 by 194 at its front, 6 thick: the bevel is √(3² + 6²) wide.
      const p = (x: number, y: number, z: number): Place =>
        z === 0 ? [x * 300, y * 200, 0] : [3 + x * 294, 3 + y * 194, 6];
      const bevelled = [
        ...quad(p(0, 0, 0), p(0, 1, 0), p(1, 1, 0), p(1, 0, 0)),
        ...quad(p(0, 0, 1), p(1, 0, 1), p(1, 1, 1), p(0, 1, 1)),
        ...quad(p(0, 0, 0), p(1, 0, 0), p(1, 0, 1), p(0, 0, 1)),
        ...quad(p(0, 1, 0), p(0, 1, 1), p(1, 1, 1), p(1, 1, 0)),
        ...quad(p(0, 0, 0), p(0, 0, 1), p(0, 1, 1), p(0, 1, 0)),
        ...quad(p(1, 0, 0), p(1, 1, 0), p(1, 1, 1), p(1, 0, 1)),
      ];
      const bevelMm2 = (594 + 394) * Math.hypot(3, 6);
      const figures = meshFigures([part('', bevelled)], 1);
      expect(figures.outerCm2).toBeCloseTo((294 * 194 + bevelMm2) / 100, 2);
      expect(figures.innerCm2).toBeCloseTo(600, 2);
      expect(figures.rimCm2).toBeCloseTo(0, 2);
    });
    it('what is thick is asked about too: a half ball on a wall shows its round side only', () => {
      const base = Array.from({ length: 200 }, (_, at): Face => {
        const rim = (n: number): Place => [
          80 * Math.cos((2 * Math.PI * (n % 200)) / 200),
          80 * Math.sin((2 * Math.PI * (n % 200)) / 200),
          0,
        ];
        return [[0, 0, 0], rim(at + 1), rim(at)];
      });
      const half = [...ball(80, Math.PI / 2), ...base];
      const { ways, counted } = meshFigures([part('', half)], 1);
      expect(counted).toBe('all-round');
      expect(ways.map(({ count, areaCm2 }) => [count, Math.round(areaCm2 / Math.PI)])).toEqual([
        // Of 128 π the last of a hundred rings, sin 0.9° of it, stands as good as upright.
        ['one-side', 126],
        ['all-round', 192],
      ]);
    });
  });
  it('says what is wrong in a sentence', () => {
    expect(() => meshFigures([], 1)).toThrow('no faces');
    expect(() =>
      meshFigures([{ name: '', positions: Float32Array.from([0, 0, NaN, 1, 0, 0, 0, 1, 0]) }], 1),
    ).toThrow('damaged');
  });
  it.each([
    [180, 'mm'],
    [2400, 'mm'],
    [9.5, 'cm'],
    [1.7, 'cm'],
    [0.9, 'inch'],
    [0.4, 'm'],
    [3000, undefined],
  ] as const)('a mesh of %d is likely in %s', (largest, unit) => {
    expect(likelyMeshUnit(largest)).toBe(unit);
  });
});
