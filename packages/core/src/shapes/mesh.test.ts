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
