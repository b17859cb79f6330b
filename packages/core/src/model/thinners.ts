import { columnOf, idsOf, tableOf } from './table';

/** What is stirred into a material before it is laid. */
export interface ThinnerDefinition {
  word: string;
  /** What it mixes with, by what that is carried in; undefined where that depends on the label. */
  mixesWith?: 'water' | 'solvent';
  /** It carries no binder, so that much of it leaves the film without. */
  isBare?: boolean;
  /** It keeps acrylic soft and fast in cloth. */
  forCloth?: boolean;
}

export const thinnerTable = tableOf<ThinnerDefinition>()({
  water: { word: 'water', isBare: true, mixesWith: 'water' },
  reducer: { word: 'reducer' },
  medium: { word: 'clear medium' },
  'textile-medium': { word: 'textile medium', forCloth: true },
  'flexible-additive': { word: 'flexible additive' },
  'white-spirit': { word: 'white spirit', mixesWith: 'solvent' },
  'own-thinner': { word: 'the thinner on its label' },
});

export type Thinner = keyof typeof thinnerTable;
export const thinners = idsOf(thinnerTable);
export const thinnerWords = columnOf(thinnerTable, 'word');
