import { colourDistance } from './distance';
import { byteHex } from './byteHex';
import { mainColours, type Pixels } from './mainColours';

/** A picture of one colour with boxes on it: left, top, width, height and colour. */
function painted(
  ground: readonly number[],
  boxes: readonly (readonly [number, number, number, number, readonly number[]])[] = [],
  size = 200,
): Pixels {
  const data = new Uint8ClampedArray(size * size * 4);
  for (let at = 0; at < size * size; at += 1) {
    const [x, y] = [at % size, Math.floor(at / size)];
    const box = boxes.findLast(([left, top, w, h]) => x >= left && x < left + w && y >= top && y < top + h);
    data.set([...(box?.[4] ?? ground), 255], at * 4);
  }
  return { data, width: size, height: size };
}
const white = [255, 255, 255];
const six = [
  [180, 20, 30],
  [30, 60, 150],
  [40, 120, 60],
  [230, 190, 40],
  [90, 40, 110],
] as const;

describe('the main colours of a picture', () => {
  it('on white are all there, white with them', () => {
    const boxes = six.map((colour, at) => [10 + at * 36, 60, 30, 30, colour] as const);
    const found = mainColours(painted(white, boxes), 6);
    expect(found.toSorted()).toEqual([white, ...six].map(byteHex).toSorted());
  });
  it('a white picture has one colour, and one that nobody sees has none', () => {
    expect(mainColours(painted(white), 6)).toEqual(['#ffffff']);
    expect(mainColours({ data: new Uint8ClampedArray(400), width: 10, height: 10 }, 6)).toEqual([]);
    expect(mainColours({ data: [], width: 0, height: 0 }, 6)).toEqual([]);
  });
  it('finds a strong spot on 0.8 % of it among shades of grey', () => {
    // 18 by 18 of 200 by 200 pixels.
    const greys = Array.from(
      { length: 8 },
      (_, n) => [n * 25, 0, 25, 200, [60 + n * 18, 62 + n * 18, 66 + n * 18]] as const,
    );
    const found = mainColours(painted(white, [...greys, [90, 90, 18, 18, [225, 70, 20]]]), 6);
    expect(found.some((colour) => colourDistance(colour, '#e14614') < 1)).toBe(true);
  });
  it('offers no colour that lies between two: a soft edge is none', () => {
    const size = 200;
    const data = new Uint8ClampedArray(size * size * 4);
    for (let at = 0; at < size * size; at += 1) {
      // Red to blue over ten pixels.
      const share = Math.min(1, Math.max(0, ((at % size) - 95) / 10));
      data.set([220 * (1 - share), 20, 200 * share, 255], at * 4);
    }
    const found = mainColours({ data, width: size, height: size }, 6);
    expect(found.toSorted()).toEqual(['#0014c8', '#dc1400']);
  });
  it('of a noisy picture every colour is near one that is there', () => {
    let seed = 7;
    const noise = () => ((seed = (seed * 16807) % 2147483647) / 2147483647 - 0.5) * 60;
    const size = 120;
    const data = new Uint8ClampedArray(size * size * 4);
    for (let at = 0; at < size * size; at += 1) {
      const base = at % size < 60 ? [60, 90, 70] : [200, 170, 120];
      data.set([...base.map((value) => value + noise()), 255], at * 4);
    }
    const found = mainColours({ data, width: size, height: size }, 6);
    expect(found.length).toBeGreaterThan(1);
    for (const colour of found) {
      let nearest = Infinity;
      for (let at = 0; at < data.length; at += 4)
        nearest = Math.min(nearest, colourDistance(colour, byteHex([...data.slice(at, at + 3)])));
      expect(nearest).toBeLessThan(5);
    }
  });
});
