import { cleaningTable } from '../model/cleanings';
import type { Step } from '../model/schema';

/** A surface that was sanded wet, rinsed and shaken out, minutes until it is dry (docs/domain.md, "Ground"). */
const WET_SANDED_REST_MINUTES = 30;

/** Minutes that a piece is left alone after a step that lays nothing: water dries, a solvent flashes off. 0 for most. */
export const restMinutesOf = ({
  kind,
  cleans,
  thinWith,
}: Pick<Step, 'kind' | 'cleans' | 'thinWith'>): number =>
  cleans !== undefined
    ? cleaningTable[cleans].restMinutes
    : kind === 'sand' && thinWith === 'water'
      ? WET_SANDED_REST_MINUTES
      : 0;
