import type { Material } from './materialSchema';
import { idsOf, tableOf } from './table';

/** What the dry film is made of, and what follows from that. */
export interface BinderDefinition {
  /** The share of its speed that a coat keeps while a film of this lies on it (docs/domain.md, "The drying model"). */
  coverFactor: number;
  /** It stays soft and smears under sandpaper. */
  soft?: boolean;
  /** It hardens by taking up oxygen for days, and lifts under solvents until then. */
  curesByAir?: boolean;
  /** Nothing sticks to it. */
  repels?: boolean;
  /** It is wiped off again with what lies on it. */
  comesOff?: boolean;
  /** Water softens it again until something closed lies on it. */
  mindsWater?: boolean;
  /** It has no film of its own and rubs off. */
  loose?: boolean;
}

const breathing = { coverFactor: 1 };
const rubbery = { coverFactor: 0.6, soft: true };

/** Every binder family (docs/domain.md, "What a film is"). */
export const binderTable = tableOf<BinderDefinition>()({
  PVA: { coverFactor: 0.75, mindsWater: true },
  acrylic: { coverFactor: 0.75 },
  'acrylic urethane': { coverFactor: 0.75 },
  'vinyl acrylic': { coverFactor: 0.75, mindsWater: true },
  EVA: { coverFactor: 0.75 },
  'synthetic rubber': rubbery,
  'natural rubber': rubbery,
  chloroprene: rubbery,
  rubber: { coverFactor: 0.6 },
  'acrylic lacquer': { coverFactor: 0.6 },
  'chlorinated polyolefin': { coverFactor: 0.6 },
  alkyd: { coverFactor: 0.4, curesByAir: true },
  oil: { coverFactor: 0.4 },
  wax: { coverFactor: 0.3, repels: true },
  epoxy: { coverFactor: 0.2 },
  urethane: { coverFactor: 0.75 },
  silicone: { coverFactor: 0.2, repels: true },
  cyanoacrylate: { coverFactor: 0.2 },
  powder: { ...breathing, loose: true },
  resist: { ...breathing, repels: true, comesOff: true },
  dye: breathing,
  /** Leaf, foil and vinyl: a sheet, no film. */
  sheet: { coverFactor: 0.2 },
  /** One that no label here names: taken to be like an acrylic. */
  unknown: { coverFactor: 0.75 },
});

export type Binder = keyof typeof binderTable;
export const binders = idsOf(binderTable);

/** Other words that labels use for a family. */
const otherWords: Readonly<Record<string, Binder>> = {
  enamel: 'alkyd',
  'alkyd enamel': 'alkyd',
  latex: 'natural rubber',
  neoprene: 'chloroprene',
  polychloroprene: 'chloroprene',
  polyurethane: 'urethane',
  'acrylic polyurethane': 'acrylic urethane',
  'acrylic-urethane': 'acrylic urethane',
  lacquer: 'acrylic lacquer',
  'linseed oil': 'oil',
  'polyvinyl acetate': 'PVA',
  cellulose: 'acrylic lacquer',
  nitrocellulose: 'acrylic lacquer',
};

/** What tells a family within a longer name, such as "oil-modified alkyd"; the first that is found counts. */
const tellingWords: readonly (readonly [RegExp, Binder])[] = [
  [/alkyd|oil[ -]modified/, 'alkyd'],
  [/acrylic[ -](?:poly)?urethane|urethane[ -]acryl/, 'acrylic urethane'],
  [/lacquer|cellulose/, 'acrylic lacquer'],
  [/vinyl[ -]acryl/, 'vinyl acrylic'],
  [/cyanoacryl/, 'cyanoacrylate'],
  // House paint is called latex too; where acrylic is named it is that.
  [/acryl/, 'acrylic'],
  [/enamel/, 'alkyd'],
  [/epoxy|epoxide/, 'epoxy'],
  [/chloroprene|neoprene/, 'chloroprene'],
  [/latex|natural rubber/, 'natural rubber'],
  [/rubber/, 'rubber'],
  [/urethane|isocyanat/, 'urethane'],
  [/polyvinyl acetate|\bpva\b/, 'PVA'],
  [/silicone/, 'silicone'],
  [/\bwax/, 'wax'],
  [/\boils?\b/, 'oil'],
];

/** The family that a label means, by whatever it calls it. */
export function binderNamed(text: string): Binder {
  const name = text.trim().toLowerCase();
  return (
    binders.find((one) => one.toLowerCase() === name) ??
    otherWords[name] ??
    tellingWords.find(([words]) => words.test(name))?.[1] ??
    'unknown'
  );
}

/** From this attack on a solvent makes a lacquer of an acrylic. */
const LACQUER_SOLVENT = 2;

/**
 * The family of a material by its label and what it is: acrylic in a hot solvent is a lacquer, and rubber that is laid as a film is a
 * synthetic one, as glue alone goes by "rubber".
 */
export function binderFor({ binder, role, solvent }: Pick<Material, 'binder' | 'role' | 'solvent'>): Binder {
  const family = binderNamed(binder);
  if (family === 'acrylic' && solvent >= LACQUER_SOLVENT) return 'acrylic lacquer';
  return family === 'rubber' && role !== 'bond' ? 'synthetic rubber' : family;
}

const byName: Readonly<Partial<Record<string, BinderDefinition>>> = binderTable;

export const binderOf = ({ binder }: { binder: string }): BinderDefinition =>
  byName[binder] ?? binderTable[binderNamed(binder)];
