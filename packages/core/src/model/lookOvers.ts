import type { Wait } from './stepKinds';
import { columnOf, idsOf, tableOf } from './table';

/** A stop in the work where a seasoned finisher looks before going on (docs/domain.md, "Looking over"). */
export interface LookOverDefinition {
  word: string;
  /** Minutes in all, however many there are; what says none takes those of any look (`stepKindTable.inspect`). */
  minutesInAll?: number;
  /** What it waits for; a look needs no more than dry paint. */
  waits: readonly Wait[];
  /** It is done as things are packed: it needs hands, but no date waits for it. */
  atPacking?: boolean;
}

const handled: readonly Wait[] = [{ milestone: 'handle', coats: 'all', where: 'everywhere' }];
const packable: readonly Wait[] = [{ milestone: 'pack', coats: 'all', where: 'everywhere' }];
const touchDry: readonly Wait[] = [{ milestone: 'touch', coats: 'all', where: 'everywhere' }];

/** In the order they come; `lookOverChecks.ts` says what is looked at. */
export const lookOverTable = tableOf<LookOverDefinition>()({
  worn: {
    word: 'Try it on',
    minutesInAll: 8,
    waits: handled,
  },
  bare: {
    word: 'Look over before the first coat',
    waits: handled,
  },
  sealed: {
    word: 'Look over the sealer',
    waits: touchDry,
  },
  felt: {
    word: 'Look over the sealer, without water',
    // Soft films take a fingerprint for long after the next coat could go on.
    waits: [{ milestone: 'recoat', coats: 'top', where: 'everywhere', twice: true }],
  },
  primed: {
    word: 'Look over the primer',
    waits: touchDry,
  },
  coloured: {
    word: 'Look over the colours',
    waits: touchDry,
  },
  pulled: {
    word: 'Look over the edges',
    waits: touchDry,
  },
  packing: {
    word: 'Look over before packing',
    // A fingernail tells nothing before.
    waits: packable,
    atPacking: true,
  },
});

export type LookOver = keyof typeof lookOverTable;
export const lookOvers = idsOf(lookOverTable);
/** What a look-over is called on a button or a tag. */
export const lookOverWords = columnOf(lookOverTable, 'word');

/** Whether something is only done as things are packed, so that no date waits for it. */
export const isAtPacking = ({ looksOver }: { looksOver?: LookOver | undefined }): boolean =>
  looksOver !== undefined && lookOverTable[looksOver].atPacking === true;
