import type { Build } from './schema';

/** Whether work on a build has begun. Until then nobody has arranged themselves by its plan, and a better one simply is better. */
export const hasBegun = ({ log = [], underway = [] }: Pick<Build, 'log' | 'underway'>): boolean =>
  log.length > 0 || underway.length > 0;
