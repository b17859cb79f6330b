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

/** The family that a label means, by whatever it calls it. */
export function binderNamed(text: string): Binder {
  const name = text.trim().toLowerCase();
  return binders.find((one) => one.toLowerCase() === name) ?? otherWords[name] ?? 'unknown';
}

const byName: Readonly<Partial<Record<string, BinderDefinition>>> = binderTable;

export const binderOf = ({ binder }: { binder: string }): BinderDefinition =>
  byName[binder] ?? binderTable[binderNamed(binder)];
