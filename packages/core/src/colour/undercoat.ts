import type { Undercoat } from '../model/schema';
import { lab65 } from 'culori';
import type { Material } from '../model/materialSchema';
import { pigmentIds } from '../model/pigmentIds';
import { pigmentTable } from '../model/pigments';
import { has } from '../model/traits';
import { dryFilmUm } from '../materials/film';
import { colourDistance } from './distance';
import { coatsToHide, colourOver, isCovered, coverGrades, offOver, type Laying } from './hiding';
import { hideOf } from './pigmentsOf';
import { paintFigures } from './paint';

/** Undercoats that finishers keep at hand. */
export const undercoats = ['black', 'white', 'grey', 'oxide'] as const satisfies readonly Undercoat[];
export type UndercoatId = (typeof undercoats)[number];

/** From this chroma on a colour is clean and bright. */
const CLEAN_CHROMA = 42;
/** A metal with less chroma than this is steel or silver. */
const STEEL_CHROMA = 12;
const LIGHT_L = 72;
const DARK_L = 33;
/** Hues of red through orange to yellow-green, and of magenta, degrees in L*a*b*. */
const isWarm = (hue: number) => hue <= 118 || hue >= 320;

/**
 * What finishers usually lay under a colour: white under clean brights and what is light, black under steel and what is dark, red-brown
 * under gold, brass and copper, grey under the rest (docs/domain.md, "Undercoats").
 */
export function usualUndercoat(colour: string, isMetallic: boolean): UndercoatId {
  const { l, a, b } = lab65(colour)!;
  const chroma = Math.hypot(a, b);
  const hue = ((Math.atan2(b, a) * 180) / Math.PI + 360) % 360;
  if (isMetallic) return chroma >= STEEL_CHROMA && isWarm(hue) ? 'oxide' : 'black';
  if (l >= LIGHT_L) return 'white';
  if (chroma >= CLEAN_CHROMA && (isWarm(hue) || l > DARK_L)) return 'white';
  if (l <= DARK_L) return isWarm(hue) && chroma > STEEL_CHROMA ? 'oxide' : 'black';
  return 'grey';
}

/** What a colour may be laid over. */
export interface GroundChoice {
  /** An undercoat, the piece as it is, or an opaque neighbour of the colour itself. */
  id: UndercoatId | 'bare' | 'neighbour';
  /** What it is laid with; undefined for the piece as it is. */
  material?: Material;
  colour: string;
  /** Coats of it; 0 for the piece as it is. */
  coatsBelow: number;
  /** Coats of the colour over it; undefined where no sensible number covers. */
  coats: number | undefined;
  /** What comes out: after those coats, or after as many as are sensible. */
  comesOut: string;
  /** How far that is from what is wanted, ΔE00. */
  off: number;
  /** What finishers usually take for such a colour. */
  isUsual: boolean;
}

/** What would take more coats than this wants another ground or another pigment. */
export const MOST_SENSIBLE_COATS = 6;
const MOST_BELOW = 3;
/** What is usual may cost so many coats more: under metals and clean brights, as it does more than hide, and else. */
const USUAL_FOR_SHOW = 1.5;
const USUAL = 0.5;
/** An undercoat is as good as there where the ground is no further off. */
const SAME_GROUND_DELTA_E = 8;
/** One coat leaves holidays, however well it hides. */
export const atLeastTwo = (coats: number | undefined): number | undefined =>
  coats === undefined ? undefined : Math.max(2, coats);
/** A neighbour is no further off than this, and hides at least as well as the second. */
const NEIGHBOUR_DELTA_E = 32;
const NEIGHBOUR_HIDE = 1.15;

/**
 * What a colour is best laid over, the best first: fewest coats in all, what is usual where that costs no more than one. Under clean brights
 * what is lighter than they are only makes them livelier, so that a shade off is near enough there; under metals it gives them depth.
 * @param ground the colour of the piece as it is when the colour goes on
 * @param laying how the colour is laid
 * @param primers what there is to lay below, by undercoat
 */
export function groundChoices(
  colour: string,
  material: Material,
  laying: Laying,
  ground: string,
  primers: ReadonlyMap<UndercoatId, Material>,
): GroundChoice[] {
  const isMetallic = has(material, 'metallic');
  const usual = usualUndercoat(colour, isMetallic);
  const over = (below: string): Pick<GroundChoice, 'coats' | 'comesOut' | 'off'> => {
    const enough = isEnoughOver(below, colour, material);
    const coats = atLeastTwo(coatsToHide(below, colour, material, laying, MOST_SENSIBLE_COATS, enough));
    const laid = coats ?? MOST_SENSIBLE_COATS;
    return {
      coats,
      comesOut: colourOver(below, colour, material, laying.coatUm * laid),
      off: offOver(below, colour, material, laying, laid).off,
    };
  };
  const laidWith = (
    id: GroundChoice['id'],
    own: Material,
    shade: string,
    method = laying.method,
  ): GroundChoice => {
    const below = { coatUm: dryFilmUm(own.wftUm, own), method };
    const coatsBelow = coatsToHide(ground, shade, own, below, MOST_BELOW, isCovered) ?? MOST_BELOW;
    const seen = colourOver(ground, shade, own, below.coatUm * coatsBelow);
    return { id, material: own, colour: shade, coatsBelow, ...over(seen), isUsual: id === usual };
  };
  const neighbour = neighbourOf(colour, material);
  // What lies there already is not laid once more.
  const isThere = (shade: string) => colourDistance(shade, ground) < SAME_GROUND_DELTA_E;
  const choices: GroundChoice[] = [
    {
      id: 'bare',
      colour: ground,
      coatsBelow: 0,
      ...over(ground),
      isUsual: isThere(primers.get(usual)?.colour ?? colour),
    },
    ...undercoats.flatMap((id) => {
      const own = primers.get(id);
      return own && !isThere(own.colour) ? [laidWith(id, own, own.colour)] : [];
    }),
    ...(neighbour === undefined ? [] : [laidWith('neighbour', material, neighbour)]),
  ];
  const { a, b } = lab65(colour)!;
  const worth = isMetallic || Math.hypot(a, b) >= CLEAN_CHROMA ? USUAL_FOR_SHOW : USUAL;
  const inAll = ({ coats, coatsBelow, isUsual }: GroundChoice) =>
    (coats ?? Infinity) + coatsBelow - (isUsual ? worth : 0);
  return choices.sort(
    (one, other) =>
      compare(inAll(one), inAll(other)) || compare(one.coats ?? 99, other.coats ?? 99) || one.off - other.off,
  );
}

const compare = (one: number, other: number) => (one === other ? 0 : one < other ? -1 : 1);

/** How near coats have to come over a ground. */
function isEnoughOver(ground: string, colour: string, material: Material): typeof isCovered {
  const { wanted } = coverGrades(material);
  if (has(material, 'metallic')) return wanted;
  const [below, own] = [lab65(ground)!, lab65(colour)!];
  return Math.hypot(own.a, own.b) >= CLEAN_CHROMA && below.l > own.l ? isCovered : wanted;
}

/** The opaque pigment nearest to a colour of clear ones: an ochre under a yellow, an iron oxide under a red. */
function neighbourOf(colour: string, material: Material): string | undefined {
  const { pigments } = paintFigures(material, colour);
  if (pigments.length === 0 || hideOf(pigments) <= NEIGHBOUR_HIDE) return undefined;
  return pigmentIds
    .filter((id) => pigmentTable[id].hide <= NEIGHBOUR_HIDE && !pigmentTable[id].onlyIfNamed)
    .map((id) => pigmentTable[id].masstone)
    .map((shade) => ({ shade, off: colourDistance(shade, colour) }))
    .filter(({ off }) => off <= NEIGHBOUR_DELTA_E)
    .sort((one, other) => one.off - other.off)[0]?.shade;
}
