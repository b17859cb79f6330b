import { colourDistance } from './distance';
import { byteHex } from './byteHex';

/** A picture as a canvas gives it: four bytes a pixel, red, green, blue and how much of it is there. */
export interface Pixels {
  data: ArrayLike<number>;
  width: number;
  height: number;
}

/** Pixels are gathered in boxes of so many levels a channel. */
const BOX = 8;
/** A pixel whose neighbours differ by no more than this in any channel is of an area, and not of an edge between two. */
const FLAT = 20;
/** With fewer flat pixels than this share a picture is all texture, and every pixel counts. */
const LEAST_FLAT = 0.1;
/** A colour on less than this share of a picture is a speck. */
const LEAST_SHARE = 0.003;
/** Colours nearer to each other than this (ΔE00) are one. */
const ONE_COLOUR = 9;
/** A colour is worth its share to this power, times how far it is from those that were taken: so a small spot that stands out is found. */
const SHARE_POWER = 0.35;
/** So many of the fullest boxes are looked at. */
const MOST_BOXES = 400;
/** Of a large picture so many pixels are looked at, evenly over it. */
const MOST_PIXELS = 250_000;

/**
 * The colours that a picture is made of, the most telling first: large areas, and small spots that stand out from them. Each is the mean of
 * pixels that are all but the same, so that none is offered that is not there.
 * @returns `#rrggbb`, at most so many
 */
export function mainColours({ data, width, height }: Pixels, most: number): string[] {
  const step = Math.max(1, Math.ceil(Math.sqrt((width * height) / MOST_PIXELS)));
  const flat = new Map<number, Sums>();
  const all = new Map<number, Sums>();
  let [flatCount, count] = [0, 0];
  const isNear = (at: number, other: number) =>
    [0, 1, 2].every((band) => Math.abs(data[at + band]! - data[other + band]!) <= FLAT);
  for (let y = 0; y < height; y += step)
    for (let x = 0; x < width; x += step) {
      const at = (y * width + x) * 4;
      if (data[at + 3]! <= 127) continue;
      count += 1;
      add(all, data, at);
      const isFlat =
        (x + 1 >= width || isNear(at, at + 4)) &&
        (y + 1 >= height || isNear(at, at + width * 4)) &&
        (x === 0 || isNear(at, at - 4)) &&
        (y === 0 || isNear(at, at - width * 4));
      if (!isFlat) continue;
      flatCount += 1;
      add(flat, data, at);
    }
  if (count === 0) return [];
  const isTexture = flatCount < LEAST_FLAT * count;
  const boxes = [...(isTexture ? all : flat).values()]
    .sort((a, b) => b.count - a.count)
    .slice(0, MOST_BOXES)
    .map((box) => ({ colour: byteHex(box.sums.map((sum) => sum / box.count)), count: box.count }));
  // What is all but the same stands together under its fullest box.
  const colours: { colour: string; count: number }[] = [];
  for (const box of boxes) {
    const one = colours.find(({ colour }) => colourDistance(colour, box.colour) < ONE_COLOUR);
    if (one) one.count += box.count;
    else colours.push({ ...box });
  }
  const left = colours.filter((one) => one.count >= LEAST_SHARE * (isTexture ? count : flatCount));
  const taken: string[] = [];
  while (taken.length < most && left.length > 0) {
    const worth = (one: (typeof left)[number]) =>
      one.count ** SHARE_POWER * Math.min(60, ...taken.map((colour) => colourDistance(colour, one.colour)));
    const best = left.reduce((first, one) => (worth(one) > worth(first) ? one : first));
    taken.push(best.colour);
    left.splice(left.indexOf(best), 1);
  }
  return taken;
}

interface Sums {
  sums: [number, number, number];
  count: number;
}

function add(boxes: Map<number, Sums>, data: ArrayLike<number>, at: number): void {
  const [red, green, blue] = [data[at]!, data[at + 1]!, data[at + 2]!];
  const key = (Math.floor(red / BOX) << 10) | (Math.floor(green / BOX) << 5) | Math.floor(blue / BOX);
  const box = boxes.get(key) ?? { sums: [0, 0, 0], count: 0 };
  boxes.set(key, box);
  box.sums[0] += red;
  box.sums[1] += green;
  box.sums[2] += blue;
  box.count += 1;
}
