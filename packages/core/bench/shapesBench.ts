import { drawingFigures, keptRing } from '../src/shapes/drawing';
import { foundOutlines } from '../src/shapes/found';
import { meshFigures } from '../src/shapes/mesh';
import type { Point } from '../src/shapes/rings';
import { readSvgSheet } from '../src/io/svgSheet';

/** Outlines and meshes, as rows of the bench. */
export function shapesBench(row: (what: string, ms: number, aimMs: number) => void): void {
  const time = (work: () => unknown) => {
    const from = performance.now();
    work();
    return performance.now() - from;
  };
  /** A star with so many points round it. */
  const star = (count: number, radius: number, x: number, y: number): Point[] =>
    Array.from({ length: count }, (_, at) => {
      const angle = (at / count) * 2 * Math.PI;
      const far = radius * (1 + 0.1 * Math.sin(at * 7));
      return [x + far * Math.cos(angle), y + far * Math.sin(angle)];
    });
  const strokes = [{ points: star(10_000, 200, 300, 300), closed: true, kind: 'cut' }];
  const page = { name: '', width: 0, height: 0, strokes, texts: [] };
  row(
    'an outline of 10,000 points, found',
    time(() => foundOutlines(page, { mmPerUnit: 1 })),
    300,
  );
  const outer = keptRing(star(10_000, 200, 300, 300));
  const ring: [number, number][] = [
    [250, 0],
    [350, 0],
    [350, 600],
    [250, 600],
  ];
  const drawing = { parts: [{ outer }], zones: [{ zone: 'b', part: 0, ring }] };
  row(
    'its area, and a zone across it',
    time(() => drawingFigures(drawing, ['a', 'b'])),
    300,
  );
  const paths = Array.from({ length: 10_000 }, (_, at) => {
    const [x, y] = [(at % 100) * 12, Math.floor(at / 100) * 12];
    return `<path fill="none" stroke="#000" d="M${x} ${y}h10v10h-10z"/>`;
  });
  const svg = `<svg width="1200mm" viewBox="0 0 1200 1200">${paths.join('')}</svg>`;
  row(
    'a drawing of 10,000 paths, read and found',
    time(() => foundOutlines(readSvgSheet(svg).pages[0]!, { mmPerUnit: 1 })),
    1500,
  );
  const steps = 316;
  const positions = new Float32Array(steps * steps * 2 * 9);
  let at = 0;
  const place = (ring: number, step: number) => {
    const [polar, round] = [(Math.PI * ring) / steps, (2 * Math.PI * (step % steps)) / steps];
    positions[at++] = 100 * Math.sin(polar) * Math.cos(round);
    positions[at++] = 100 * Math.sin(polar) * Math.sin(round);
    positions[at++] = 100 * Math.cos(polar);
  };
  for (let ring = 0; ring < steps; ring += 1)
    for (let step = 0; step < steps; step += 1) {
      place(ring, step);
      place(ring + 1, step);
      place(ring + 1, step + 1);
      place(ring, step);
      place(ring + 1, step + 1);
      place(ring, step + 1);
    }
  row(
    'a mesh of 200,000 triangles, measured',
    time(() => meshFigures([{ name: '', positions }], 1)),
    1000,
  );
}
