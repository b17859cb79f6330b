import type { Material } from '../model/materialSchema';
import { nth } from '../model/sure';
import { blend, labOfBlend, tintOf, type Tint } from './blend';
import { colourDistance } from './distance';
import { labDeltaE, labDistance, labOf, type LabD65 } from './lab';
import { paintFigures } from './paint';
import { colourOf, luminanceOf, spectrumOf, xyzOf } from './spectrum';

/** A tin that may go into a mix. */
export interface Ingredient {
  material: Material;
  colour: string;
}

/** How much of a tin goes into a mix. */
export interface MixRecipePart extends Ingredient {
  /** Parts by volume; for what is counted in drops, a drop is a twentieth of a part. */
  parts: number;
  /** Whole drops to each part's worth of millilitres, where it goes in by drops. */
  drops?: number;
}

/** A way to mix a colour. */
export interface MixRecipe {
  /** In the order they go together: the weak ones first, the strong ones into them. */
  parts: MixRecipePart[];
  /** What it comes out as, dry. */
  colour: string;
  /** How far that is from what was wanted, ΔE00. */
  deltaE: number;
  /** Dry film that hides 98 %, µm; undefined where a tin of it is clear. */
  hideUm: number | undefined;
}

/** A millilitre is so many drops, and a part as many. */
export const DROPS_A_ML = 20;
const DROPS_A_PART = DROPS_A_ML;
/** What is no lighter than this goes in by drops as well as by parts, as a little of it turns much. */
const LIGHT = 0.6;
/** Whole parts, and drops, in all. */
const MOST_PARTS = 20;
/** A tin more has to bring the colour so much nearer, ΔE00. */
const COST_A_TIN = 0.4;
/** And a part or drop more, so that of two that come as near the one that is sooner counted is told. */
const COST_A_UNIT = 0.004;
/** Nobody sees a difference smaller than this. */
const UNSEEN = 1;
/** Parts that are tried on every choice of tins, and how many choices are then gone through whole. */
const ROUGH_PARTS = 10;
const CHOICES_KEPT = 12;
/** Choices that get a tin more. */
const CHOICES_WIDENED = 40;
const RECIPES_TOLD = 5;
/** From this difference on a mix is another colour, ΔE00. */
const ANOTHER_COLOUR = 10;
/** What a tin more has to bring for a mix to be told beside the one without it, ΔE00. */
const WORTH_A_TIN = 0.7;

/** How unlike a painter's a mix is counts no more than this against how near it comes, ΔE00. */
const MOST_UNLIKE = 1;
/** A strong tint more than one; in a grey every one, as black, white and umber make that. */
const COST_A_STRONG_TINT = 0.35;
/** Black in a yellow turns it green: umber or its complement shade it. */
const COST_OF_BLACK_IN_YELLOW = 0.6;
/** From this tinting strength on a tint is strong. */
const STRONG = 2;
/** Less colourful than this (C*ab) is a grey, and darker than this (L*) such a one is black. */
const GREY_CHROMA = 9;
const BLACK_LIGHTNESS = 35;
/** Hues of yellow, degrees of CIE L*a*b*. */
const YELLOW = { from: 62, to: 112, leastChroma: 20 };

/** A tin as it counts in a mix: whole, or by drops. */
interface Way extends Tint {
  ingredient: Ingredient;
  at: number;
  /** Volume of one unit, in parts. */
  unit: number;
}

interface Found {
  ways: Way[];
  units: number[];
  deltaE: number;
}

/**
 * The best ways to mix a colour from some tins: whole parts, at most twenty in all, of at most `mostTins` tins, with the least ΔE00 to what is
 * wanted. What is not light may be counted in drops, a twentieth of a part. The first is the one to take: nearest, but a tin fewer counts for more
 * than what nobody sees; the nearest of all is always among them.
 * @param wanted `#rrggbb`, dry
 */
export function recipesFor(
  wanted: string,
  tins: readonly Ingredient[],
  { mostTins = 3 }: { mostTins?: number } = {},
): MixRecipe[] {
  const target = labOf(xyzOf(spectrumOf(wanted)));
  const ways = tins.flatMap(waysOf);
  const found: Found[] = [];
  let kept: Way[][] = [[]];
  for (let size = 1; size <= Math.min(mostTins, tins.length); size += 1) {
    const rough = widened(kept, ways)
      .map((choice) => ({ choice, off: roughly(choice, target) }))
      .sort((one, other) => one.off - other.off);
    kept = rough.slice(0, CHOICES_WIDENED).map(({ choice }) => choice);
    for (const { choice } of rough.slice(0, CHOICES_KEPT)) {
      const best = nearest(choice, target);
      if (best) found.push(best);
    }
  }
  const seen = new Set<string>();
  const each = found
    .map((one) => ({ one, cost: rank(one, target) }))
    .sort((a, b) => a.cost - b.cost)
    .map(({ one }) => one)
    .filter(({ ways: own }) => {
      const key = own.map(({ at }) => at).join(' ');
      return !seen.has(key) && seen.add(key);
    });
  const told: Found[] = [];
  for (const one of each) {
    // Another colour is no mix of this one; the best there is, is told whatever it comes to.
    const isIt = told.length === 0 || one.deltaE < ANOTHER_COLOUR;
    if (isIt && told.length < RECIPES_TOLD && !told.some((other) => addsNothing(one, other))) told.push(one);
  }
  const closest = each.reduce<Found | undefined>(
    (best, one) => (best && best.deltaE <= one.deltaE ? best : one),
    undefined,
  );
  if (closest && !told.includes(closest)) told.push(closest);
  return told.map((one) => recipeOf(one, wanted));
}

const rank = ({ deltaE, ways }: Found, target: LabD65) =>
  Math.max(deltaE, UNSEEN) +
  deltaE * 0.01 +
  COST_A_TIN * ways.length +
  Math.min(MOST_UNLIKE, unlikePainters(ways, target));

/** What in a mix a painter would not do: greys of strong tints, several of those at once, black in a yellow. */
function unlikePainters(ways: readonly Way[], [, a, b]: LabD65): number {
  const chroma = Math.hypot(a, b);
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  let [strong, blacks] = [0, 0];
  for (const { ingredient } of ways) {
    const { masstone, strength } = paintFigures(ingredient.material, ingredient.colour);
    const [lightness, ownA, ownB] = labOf(xyzOf(masstone));
    const isGrey = Math.hypot(ownA, ownB) < GREY_CHROMA;
    if (isGrey && lightness < BLACK_LIGHTNESS) blacks += 1;
    if (!isGrey && strength >= STRONG) strong += 1;
  }
  const isYellow = chroma > YELLOW.leastChroma && hue > YELLOW.from && hue < YELLOW.to;
  return (
    COST_A_STRONG_TINT * (chroma < GREY_CHROMA ? strong : Math.max(0, strong - 1)) +
    (isYellow && blacks > 0 ? COST_OF_BLACK_IN_YELLOW : 0)
  );
}

/** Whether a mix is another with a tin more that brings it no nearer to the eye. */
const addsNothing = (one: Found, other: Found): boolean =>
  one.deltaE > other.deltaE - WORTH_A_TIN &&
  other.ways.every(({ at }) => one.ways.some((way) => way.at === at));

function waysOf(ingredient: Ingredient, at: number): Way[] {
  const { masstone, strength } = paintFigures(ingredient.material, ingredient.colour);
  const way = (unit: number): Way => ({
    ingredient,
    at,
    unit,
    ...tintOf(masstone, strength * unit),
  });
  return luminanceOf(masstone) < LIGHT ? [way(1), way(1 / DROPS_A_PART)] : [way(1)];
}

/** Every choice with one tin more, each once. */
function widened(choices: readonly Way[][], ways: readonly Way[]): Way[][] {
  const wider = new Map<string, Way[]>();
  for (const choice of choices)
    ways.forEach((way) => {
      if (choice.some((one) => one.at === way.at)) return;
      const own = [...choice, way].sort((one, other) => one.at - other.at);
      wider.set(own.map(({ at, unit }) => `${at}*${unit}`).join(' '), own);
    });
  return [...wider.values()];
}

/** Goes through all ways to part a number of units, or any number up to it, among some tins: at least one each. */
function eachParting(tins: number, total: number, isUpTo: boolean, visit: (units: number[]) => void): void {
  const units = new Array<number>(tins).fill(1);
  const part = (at: number, left: number) => {
    if (at === tins - 1) {
      for (let own = isUpTo ? 1 : left; own <= left; own += 1) {
        units[at] = own;
        visit(units);
      }
      return;
    }
    for (let own = 1; own <= left - (tins - 1 - at); own += 1) {
      units[at] = own;
      part(at + 1, left - own);
    }
  };
  if (total >= tins) part(0, total);
}

/** How near a choice of tins comes in rough steps. */
function roughly(choice: readonly Way[], target: LabD65): number {
  let least = Infinity;
  eachParting(choice.length, ROUGH_PARTS, false, (units) => {
    least = Math.min(least, labDistance(labOfBlend(choice, units), target));
  });
  return least;
}

const gcd = (one: number, other: number): number => (other === 0 ? one : gcd(other, one % other));

/** The nearest parts of a choice of tins, the simplest of those that are as near. */
function nearest(choice: Way[], target: LabD65): Found | undefined {
  // What is all in drops has nothing to drop them into.
  if (choice.every(({ unit }) => unit < 1)) return undefined;
  let best: (Found & { cost: number }) | undefined;
  // What ΔE00 makes of a plain distance is no less than this share of it.
  const softened = 2 + 0.045 * Math.hypot(target[1], target[2]);
  eachParting(choice.length, MOST_PARTS, true, (units) => {
    // Twice as much of each is the same mix.
    if (units.reduce(gcd) > 1) return;
    const lab = labOfBlend(choice, units);
    if (best && labDistance(lab, target) / softened > best.cost) return;
    const deltaE = labDeltaE(lab, target);
    const cost = deltaE + COST_A_UNIT * units.reduce((total, own) => total + own);
    if (!best || cost < best.cost) best = { ways: choice, units: [...units], deltaE, cost };
  });
  return best;
}

/** The colour of a mix by parts, dry, `#rrggbb`. */
export const mixedFrom = (parts: readonly Pick<MixRecipePart, 'material' | 'colour' | 'parts'>[]): string =>
  colourOf(
    blend(
      parts.map(({ material, colour, parts: own }) => ({ ...paintFigures(material, colour), parts: own })),
    ),
  );

/** The dry film of a mix that hides 98 %, µm: hiding power goes by volume; undefined where something in it is clear. */
export function mixedHideUm(
  parts: readonly Pick<MixRecipePart, 'material' | 'colour' | 'parts'>[],
): number | undefined {
  let [all, power] = [0, 0];
  for (const { material, colour, parts: own } of parts) {
    const { hideUm } = paintFigures(material, colour);
    if (hideUm === undefined) return undefined;
    all += own;
    power += own / hideUm;
  }
  return all / power;
}

function recipeOf({ ways, units }: Found, wanted: string): MixRecipe {
  const parts = ways
    .map(({ ingredient, unit, strength }, n) => ({
      part: {
        ...ingredient,
        parts: nth(units, n) * unit,
        ...(unit === 1 ? {} : { drops: nth(units, n) }),
      },
      strong: strength / unit,
    }))
    .sort((one, other) => one.strong - other.strong || other.part.parts - one.part.parts)
    .map(({ part }) => part);
  const colour = mixedFrom(parts);
  // Of what can be shown, which is what the eye judges it by.
  return { parts, colour, deltaE: colourDistance(colour, wanted), hideUm: mixedHideUm(parts) };
}

/** How strongly a mix tints, titanium white 1. */
export function mixedStrength(
  parts: readonly Pick<MixRecipePart, 'material' | 'colour' | 'parts'>[],
): number {
  const all = parts.reduce((sum, one) => sum + one.parts, 0);
  return parts.reduce(
    (sum, one) => sum + (one.parts / all) * paintFigures(one.material, one.colour).strength,
    0,
  );
}
