import { lab65 } from 'culori';

const hues: readonly (readonly [upTo: number, word: string])[] = [
  [18, 'pink-red'],
  [48, 'red'],
  [66, 'orange'],
  [82, 'amber'],
  [105, 'yellow'],
  [135, 'lime'],
  [172, 'green'],
  [205, 'sea green'],
  [240, 'cyan'],
  [307, 'blue'],
  [312, 'violet'],
  [338, 'purple'],
  [360, 'pink'],
];
const GREY_CHROMA = 6;
const BROWN_L = 52;
const LIGHT_BROWN_L = 66;
const LIGHT_BROWN_CHROMA = 40;
const MUTED_CHROMA = 24;

/** Lightness, chroma and hue, degrees, in CIELAB. */
function looksOf(colour: string): { l: number; chroma: number; hue: number } {
  const { l, a, b } = lab65(colour)!;
  return { l, chroma: Math.hypot(a, b), hue: ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360 };
}

/** A name for a colour in plain words: "dark green", "pale yellow", "brown". */
export function colourWords(colour: string): string {
  const { l, chroma, hue } = looksOf(colour);
  if (l >= 94 && chroma < GREY_CHROMA) return 'white';
  if (l <= 14 && chroma < GREY_CHROMA) return 'black';
  const shade = l < 32 ? 'dark ' : l > 78 ? 'pale ' : '';
  if (chroma < GREY_CHROMA) return `${shade}grey`;
  // Dark oranges and yellows are brown to everybody, pale ones bone.
  if (hue >= 40 && hue < 95 && chroma < 48) {
    if (l < BROWN_L) return `${shade}brown`;
    if (chroma < MUTED_CHROMA) return l > 78 ? 'bone' : 'beige';
    if (l < LIGHT_BROWN_L && chroma < LIGHT_BROWN_CHROMA) return 'light brown';
  }
  const [, said] = hues.find(([upTo]) => hue < upTo) ?? [360, 'pink'];
  // Nobody calls a greyed green lime.
  const word = said === 'lime' && chroma < MUTED_CHROMA ? 'green' : said;
  return `${shade || (chroma < MUTED_CHROMA ? 'greyish ' : '')}${word}`;
}

const STEEL_CHROMA = 10;
const GOLD_CHROMA = 50;
const COPPER_CHROMA = 30;

/** A name for what shines like metal: "steel", "brass", "copper"; what no metal looks like keeps its colour, "blue metal". */
export function metalWords(colour: string): string {
  const { l, chroma, hue } = looksOf(colour);
  if (chroma < STEEL_CHROMA) return l > 80 ? 'silver' : l > 45 ? 'steel' : 'gunmetal';
  if (hue >= 68 && hue < 105) return chroma >= GOLD_CHROMA ? 'gold' : l > 70 ? 'pale gold' : 'brass';
  if (hue >= 35 && hue < 68) return chroma >= COPPER_CHROMA ? 'copper' : 'bronze';
  return `${colourWords(colour)} metal`;
}
