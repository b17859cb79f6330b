import { columnOf, idsOf, tableOf } from './table';

/** What a surface is rid of before the next thing. */
export interface CleaningDefinition {
  /** On a menu. */
  word: string;
  /** How, in a step's note. */
  note: string;
  /** Until what it was done with has left the surface, minutes; nothing is done to the piece before (docs/domain.md, "Ground"). */
  restMinutes: number;
  /** With a solvent, which wants gloves, moving air and no flame. */
  withSolvent?: boolean;
}

export const cleaningTable = tableOf<CleaningDefinition>()({
  wiped: { word: 'wiped: dust', note: 'Wipe it with a damp cloth; let it dry.', restMinutes: 15 },
  washed: {
    word: 'washed: mould release',
    note: 'Warm water and soap, a soft brush; rinse, let it dry.',
    restMinutes: 60,
  },
  degreased: {
    word: 'degreased: grease and silicone',
    note: 'Alcohol on a cloth, in moving air; let it flash off, and do not touch it after that.',
    restMinutes: 15,
    withSolvent: true,
  },
  unglued: {
    word: 'glue and marker taken off',
    note: 'White spirit on a cotton bud, only where there is glue or marker; let it flash off.',
    restMinutes: 15,
    withSolvent: true,
  },
});

export type Cleaning = keyof typeof cleaningTable;
export const cleanings = idsOf(cleaningTable);
/** What a cleaning is called on a menu. */
export const cleaningWords = columnOf(cleaningTable, 'word');
