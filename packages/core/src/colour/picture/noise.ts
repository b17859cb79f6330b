import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { createNoise4D } from 'simplex-noise';

/** A square of smooth noise, about −1 to 1 with a mean of 0, whose edges meet. */
export interface NoiseField {
  size: number;
  values: Float32Array;
}

const known = new Map<string, NoiseField>();

/**
 * Smooth noise that is the same for the same seed. Its edges meet, so that it can be shifted and repeated.
 * @param size cells along a side
 * @param waves how many humps along a side, or down it where there are fewer across; every octave after the first has twice as many, half as high
 */
export function noiseField(
  seed: number,
  size: number,
  waves: number,
  octaves = 3,
  wavesAcross = waves,
): NoiseField {
  const key = `${seed} ${size} ${waves} ${octaves} ${wavesAcross}`;
  const found = known.get(key);
  if (found) return found;
  const random = xoroshiro128plus(seed);
  const noise = createNoise4D(() => uniformFloat64(random));
  const values = new Float32Array(size * size);
  let sum = 0;
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) {
      let [value, height, reach, wide] = [0, 1, waves / (2 * Math.PI), wavesAcross / (2 * Math.PI)];
      const [across, down] = [(2 * Math.PI * x) / size, (2 * Math.PI * y) / size];
      for (let octave = 0; octave < octaves; octave += 1) {
        value +=
          height *
          noise(
            Math.cos(across) * wide,
            Math.sin(across) * wide,
            Math.cos(down) * reach,
            Math.sin(down) * reach,
          );
        height /= 2;
        reach *= 2;
        wide *= 2;
      }
      values[y * size + x] = value;
      sum += value;
    }
  const mean = sum / values.length;
  for (let at = 0; at < values.length; at += 1) values[at]! -= mean;
  const field = { size, values };
  known.set(key, field);
  return field;
}

/**
 * Reads a field at a place, between its cells too. @param x, y in sides of the field; whole sides on it is the same again
 */
export function noiseAt({ size, values }: NoiseField, x: number, y: number): number {
  // Read for every pixel of every coat: nothing is made on the way.
  const fx = (x - Math.floor(x)) * size;
  const fy = (y - Math.floor(y)) * size;
  const left = Math.floor(fx);
  const over = Math.floor(fy);
  const dx = fx - left;
  const dy = fy - over;
  const x0 = left % size;
  const x1 = (left + 1) % size;
  const row = (over % size) * size;
  const next = ((over + 1) % size) * size;
  const top = values[row + x0]! * (1 - dx) + values[row + x1]! * dx;
  const below = values[next + x0]! * (1 - dx) + values[next + x1]! * dx;
  return top * (1 - dy) + below * dy;
}

const drawnOut = new WeakMap<NoiseField, Map<number, Float32Array>>();

/** A field as large as a picture, pixel by pixel: it can be shifted by whole pixels, as its edges meet. */
export function noisePixels(field: NoiseField, size: number): Float32Array {
  const own = drawnOut.get(field) ?? new Map<number, Float32Array>();
  drawnOut.set(field, own);
  const found = own.get(size);
  if (found) return found;
  const pixels = new Float32Array(size * size);
  for (let y = 0; y < size; y += 1)
    for (let x = 0; x < size; x += 1) pixels[y * size + x] = noiseAt(field, x / size, y / size);
  own.set(size, pixels);
  return pixels;
}

/** Where a pixel is in a picture that was shifted by whole pixels. */
export const shiftedAt = (x: number, y: number, dx: number, dy: number, size: number): number =>
  ((y + dy) % size) * size + ((x + dx) % size);
