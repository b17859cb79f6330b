import type { FinishMaps } from './finish';
import type { Relief } from './relief';

/** A picture of a finish from straight above, lit from the upper left, for where there is no 3D and for small ones: red, green, blue, alpha. */
export function stillOf(maps: FinishMaps, { kind }: Pick<Relief, 'kind'>): Uint8ClampedArray {
  const { size, colour, gloss, metal, height } = maps;
  const picture = new Uint8ClampedArray(size * size * 4);
  const heightAt = (x: number, y: number) =>
    height[Math.min(size - 1, Math.max(0, y)) * size + Math.min(size - 1, Math.max(0, x))]!;
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      const at = y * size + x;
      const [bx, by] = bend(kind, (x + 0.5) / size, (y + 0.5) / size);
      const nx = bx - ((heightAt(x + 1, y) - heightAt(x - 1, y)) * size) / 2;
      const ny = by - ((heightAt(x, y + 1) - heightAt(x, y - 1)) * size) / 2;
      const long = Math.sqrt(nx * nx + ny * ny + 1);
      const [ux, uy, uz] = [nx / long, ny / long, 1 / long];
      const facing = Math.max(0, ux * LIGHT[0] + uy * LIGHT[1] + uz * LIGHT[2]);
      // Halfway between the light and the eye above.
      const half = Math.max(0, ux * HALF[0] + uy * HALF[1] + uz * HALF[2]);
      const shine = gloss[at]! / 100;
      const spot = half ** (6 + 200 * shine * shine) * (0.03 + 0.75 * shine * shine);
      const own = metal[at]! / 255;
      // A metal shows its surroundings in its own colour: bright above, dark at the horizon.
      const mirrored = 0.25 + 0.95 * Math.max(0, -uy * 1.6 + uz * 0.25) + 0.35 * facing;
      const flat = AMBIENT + (1 - AMBIENT) * facing * 1.25;
      const level = flat * (1 - own * 0.75) + mirrored * own * (0.45 + 0.4 * shine);
      for (let band = 0; band < 3; band += 1) {
        const paint = linear[colour[at * 4 + band]!]!;
        const glint = spot * (own * paint * 1.6 + (1 - own) * 0.8);
        picture[at * 4 + band] = toScreen(paint * level + glint);
      }
      picture[at * 4 + 3] = colour[at * 4 + 3]!;
    }
  return picture;
}

const AMBIENT = 0.42;
const unit = (x: number, y: number, z: number): readonly [number, number, number] => {
  const long = Math.sqrt(x * x + y * y + z * z);
  return [x / long, y / long, z / long];
};
const LIGHT = unit(-0.45, -0.6, 0.9);
const HALF = unit(LIGHT[0], LIGHT[1], LIGHT[2] + 1);

/** How the whole shape leans at a place, across and down. */
function bend(kind: Relief['kind'], u: number, v: number): readonly [number, number] {
  const [x, y] = [(u - 0.5) * 2, (v - 0.5) * 2];
  switch (kind) {
    case 'dome':
      return [x * 0.9, y * 0.9];
    case 'tube':
      return [x * 1.1, 0];
    default:
      return [x * 0.12, y * 0.12];
  }
}

const linear = Float32Array.from({ length: 256 }, (_, value) => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});
const toScreen = (value: number): number =>
  255 * (value <= 0.0031308 ? 12.92 * Math.max(0, value) : 1.055 * Math.min(1, value) ** (1 / 2.4) - 0.055);
