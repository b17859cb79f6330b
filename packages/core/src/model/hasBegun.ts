import type { Build } from './schema';

/** Whether work on a build has begun. Until then nobody has arranged themselves by its plan, and a better one simply is better. */
export const hasBegun = ({ log = [], underway = [] }: Pick<Build, 'log' | 'underway'>): boolean =>
  log.length > 0 || underway.length > 0;

/** Steps of which something is in the log, or under way, as `piece step`. */
export const begunSteps = ({ log = [], underway = [] }: Pick<Build, 'log' | 'underway'>): Set<string> =>
  new Set([...log, ...underway].map(({ piece, step }) => `${piece} ${step}`));

/** The ids of the steps of one piece of which something is in the log, or under way. */
export const begunStepIds = (
  { log = [], underway = [] }: Pick<Build, 'log' | 'underway'>,
  pieceId: string,
): Set<string> =>
  new Set([...log, ...underway].flatMap(({ piece, step }) => (piece === pieceId ? [step] : [])));
