import { formatHex, lab65 } from 'culori';
import { idsOf, tableOf } from '../model/table';
import { blend, labOfBlend, tintOf, type Tint } from './blend';
import { labDeltaE, labOf } from './lab';
import { paintFigures } from './paint';
import { DROPS_A_ML, type Ingredient } from './recipes';
import { colourOf, spectrumOf, xyzOf } from './spectrum';

/** What may be wrong with a mix, and how that shifts L*, a* and b*; `c` is what is left of its chroma. */
interface WrongDefinition {
  word: string;
  l?: number;
  a?: number;
  b?: number;
  c?: number;
}
export const wrongTable = tableOf<WrongDefinition>()({
  red: { word: 'too red', a: 9 },
  yellow: { word: 'too yellow', b: 10 },
  green: { word: 'too green', a: -9 },
  blue: { word: 'too blue', b: -10 },
  light: { word: 'too light', l: 8 },
  dark: { word: 'too dark', l: -8 },
  dull: { word: 'too dull', c: 0.65 },
});
export type Wrong = keyof typeof wrongTable;
export const wrongs = idsOf(wrongTable);

/** What a mix looks like that came out wrong in a plain way, `#rrggbb`. */
export function cameOutAs(wanted: string, wrong: Wrong): string {
  const { l, a, b } = lab65(wanted)!;
  const by: WrongDefinition = wrongTable[wrong];
  return formatHex({
    mode: 'lab65',
    l: Math.min(100, Math.max(0, l + (by.l ?? 0))),
    a: a * (by.c ?? 1) + (by.a ?? 0),
    b: b * (by.c ?? 1) + (by.b ?? 0),
  });
}

/** What to stir into a pot. */
export interface Correction {
  add: (Ingredient & { ml: number; drops: number | undefined })[];
  colour: string;
  deltaE: number;
}

/** Shares of the pot that are tried of a tin. */
const SHARES = [0.004, 0.008, 0.015, 0.03, 0.05, 0.08, 0.12, 0.18, 0.27, 0.4, 0.6];
/** Under this much it is told in drops, ml. */
const BY_DROPS_ML = 2;
/** It has to bring the colour this much nearer, ΔE00, or it is not worth it. */
const WORTH_IT = 0.5;
const TOLD = 3;

/**
 * What to add to a pot that came out otherwise than wanted: of one or two tins, the least that brings it nearest; nothing where nothing helps.
 * @param cameOut what it looks like, dry
 * @param pot how much is in it, and how strongly it tints, titanium white 1
 */
export function corrections(
  wanted: string,
  cameOut: string,
  pot: { ml: number; strength: number },
  tins: readonly Ingredient[],
): Correction[] {
  const target = labOf(xyzOf(spectrumOf(wanted)));
  const own: Tint = tintOf(spectrumOf(cameOut), pot.strength);
  const now = labDeltaE(labOfBlend([own], [1]), target);
  const figures = tins.map(({ material, colour }) => paintFigures(material, colour));
  const tints = figures.map(({ masstone, strength }) => tintOf(masstone, strength));
  const found: { adds: { tin: number; share: number }[]; deltaE: number; cost: number }[] = [];
  const consider = (adds: { tin: number; share: number }[]) => {
    const deltaE = labDeltaE(
      labOfBlend([own, ...adds.map(({ tin }) => tints[tin]!)], [1, ...adds.map(({ share }) => share)]),
      target,
    );
    // A little that helps nearly as much is better: a pot that is filled up is paint that is thrown away.
    const cost = deltaE + adds.reduce((sum, { share }) => sum + share, 0) * 2 + 0.4 * adds.length;
    if (now - deltaE > WORTH_IT) found.push({ adds, deltaE, cost });
  };
  tints.forEach((_, tin) => {
    for (const share of SHARES) consider([{ tin, share }]);
  });
  tints.forEach((_, tin) => {
    for (let other = tin + 1; other < tints.length; other += 1)
      for (const share of SHARES)
        for (const more of SHARES)
          consider([
            { tin, share },
            { tin: other, share: more },
          ]);
  });
  const told = new Set<string>();
  return found
    .sort((one, other) => one.cost - other.cost)
    .filter(({ adds }) => {
      const key = adds.map(({ tin }) => tin).join(' ');
      return !told.has(key) && told.add(key);
    })
    .slice(0, TOLD)
    .map(({ adds, deltaE }) => ({
      deltaE,
      colour: colourOf(
        blend([
          { masstone: spectrumOf(cameOut), strength: pot.strength, parts: 1 },
          ...adds.map(({ tin, share }) => ({ ...figures[tin]!, parts: share })),
        ]),
      ),
      add: adds.map(({ tin, share }) => {
        const ml = pot.ml * share;
        return {
          ...tins[tin]!,
          ml,
          drops: ml < BY_DROPS_ML ? Math.max(1, Math.round(ml * DROPS_A_ML)) : undefined,
        };
      }),
    }));
}
