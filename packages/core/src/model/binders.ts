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
  /** It has no film of its own and rubs off. */
  loose?: boolean;
}

const breathing = { coverFactor: 1 };
const rubbery = { coverFactor: 0.6, soft: true };

/** Binder families by the names that labels use. */
export const binderTable: Readonly<Record<string, BinderDefinition>> = {
  PVA: { coverFactor: 0.75 },
  acrylic: { coverFactor: 0.75 },
  'acrylic urethane': { coverFactor: 0.75 },
  'vinyl acrylic': { coverFactor: 0.75 },
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
};

/** A binder that no label here names: taken to be like an acrylic. */
const unknownBinder: BinderDefinition = { coverFactor: 0.75 };

export const binderOf = ({ binder }: { binder: string }): BinderDefinition =>
  binderTable[binder] ?? unknownBinder;
