import { columnOf, idsOf, tableOf } from './table';

/** A fact about a material that its binder does not tell. */
export interface TraitDefinition {
  /** On a label. */
  word: string;
}

/** What a material can be besides its binder. Rules ask for these, never for a material by name. */
export const traitTable = tableOf<TraitDefinition>()({
  copper: { word: 'holds copper' },
  manganese: { word: 'holds manganese' },
  /** Flakes that shine like metal. */
  metallic: { word: 'looks like metal' },
  /** Flakes that lie flat as a mirror: any wet film on it tilts them. */
  mirror: { word: 'mirror effect' },
  /** Its dry film goes soft again under water. */
  resoftens: { word: 'goes soft under water' },
  /** It pulls together as it dries, and bends thin foam with it. */
  shrinks: { word: 'shrinks as it dries' },
  /** Water draws back from it. */
  greasy: { word: 'water beads on it' },
  /** It holds by melting, and lets go where it gets hot. */
  melts: { word: 'melts when hot' },
  /** It sets over a day after it has been pressed together. */
  'sets-slowly': { word: 'full strength after a day' },
  /** Sun yellows or bleaches it. */
  fades: { word: 'sun changes it' },
  /** It keeps ultraviolet from what lies below. */
  'uv-filter': { word: 'keeps ultraviolet out' },
  /** It makes paint hold to smooth plastic, resin and metal. */
  promotes: { word: 'makes paint hold to plastic' },
  /** It stays sticky for a while, for leaf and foil. */
  size: { word: 'stays sticky for leaf' },
  /** It needs a sticky ground. */
  leaf: { word: 'goes on a sticky ground' },
  /** A sheet that is stuck on: what leaves the film below lifts it in bubbles. */
  sheet: { word: 'stuck on as a sheet' },
  /** It gives back the light of a white ground, and stays dull over any other. */
  'over-white': { word: 'bright only over white' },
  /** It glows in the dark, the more the thicker it lies. */
  glows: { word: 'glows in the dark' },
  /** It keeps acrylic soft and fast in cloth. */
  'for-cloth': { word: 'keeps paint soft in cloth' },
});

export type Trait = keyof typeof traitTable;
export const traits = idsOf(traitTable);
export const traitWords = columnOf(traitTable, 'word');

/** Whether a material has a trait. */
export const has = (material: { traits: readonly Trait[] } | undefined, trait: Trait): boolean =>
  material?.traits.includes(trait) ?? false;
