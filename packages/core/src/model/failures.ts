import { columnOf, idsOf, tableOf } from './table';

/** How a coat can fail: what it is called, and what is done first, before it is laid again. */
export interface FailureDefinition {
  word: string;
  /** One or two sentences, in the order they are done. */
  first: string;
  /** Hands-on minutes of that, besides laying the coat again. */
  minutes: number;
}

/** Causes of failed coats (docs/domain.md, "When a coat fails"). */
export const failureTable = tableOf<FailureDefinition>()({
  fingerprint: {
    word: 'a fingerprint, or touched',
    first: 'Let it dry, then sand the print level.',
    minutes: 10,
  },
  dust: {
    word: 'dust or hair in it',
    first: 'Let it dry, take the specks off with fine paper, wipe.',
    minutes: 10,
  },
  run: {
    word: 'a run or a sag',
    first: 'Leave it alone until it is dry through: a wet run only smears. Then sand it level.',
    minutes: 15,
  },
  lifted: {
    word: 'lifted off, as by tape',
    first:
      'Take off all that is loose, sand its edge until it is not felt, and begin again from the coat that held.',
    minutes: 20,
  },
  wrinkled: {
    word: 'wrinkled or cracked',
    first:
      'Lay nothing over it. Let it cure, take it back to a sound coat, and see what stands against these two together before it is laid again.',
    minutes: 30,
  },
  bloom: {
    word: 'milky, bloomed',
    first:
      'Bring it into warm, dry air and wait: it may clear by itself. What stays is rubbed dull before a thin coat in dry air.',
    minutes: 5,
  },
  wiped: {
    word: 'a wash wiped too late',
    first:
      'Lift what is still soft with a cloth and a little of its own thinner. What has dried is glazed over with the base colour, not sanded.',
    minutes: 10,
  },
  other: {
    word: 'something else',
    first: 'Let it dry, then sand it back.',
    minutes: 10,
  },
});
export type FailureCause = keyof typeof failureTable;
export const failureCauses = idsOf(failureTable);
/** What a cause is called on a menu. */
export const failureWords = columnOf(failureTable, 'word');
