import { idsOf, tableOf } from './table';

/** When a place bends. */
export interface FlexUseDefinition {
  word: string;
  /** A film cracks there that is stretched by this many times what it stands; half of that may crack it. */
  cracksAt: number;
}

/** How a bend is used (docs/domain.md, rule R15): what was formed that way never bends again. */
export const flexUseTable = tableOf<FlexUseDefinition>()({
  worn: { word: 'moves while it is worn', cracksAt: 1 },
  opening: { word: 'opens only to put it on', cracksAt: 1.5 },
  formed: { word: 'was formed that way, and stays', cracksAt: Infinity },
});
export type FlexUse = keyof typeof flexUseTable;
export const flexUses = idsOf(flexUseTable);
