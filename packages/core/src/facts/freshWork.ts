import { binderOf } from '../model/binders';
import type { Material } from '../model/materialSchema';
import type { Method } from '../model/methods';
import type { StepKind } from '../model/stepKinds';

/** Work on a coat that has a latest moment: chipped while its film is open, wiped back while it is wet. */
export type FreshWork = 'chipped' | 'wiped';

/** The milestone of the coat by which such work has to begin. */
export const freshUntil = { chipped: 'handleAt', wiped: 'touchAt' } as const;

/**
 * What is done to the newest of some coats while it is fresh, if that is what a pass is for: the colour right over a resist is
 * chipped with it, a wash is wiped back (docs/domain.md, "Planner constraints").
 * @param coats the materials on a spot, from below
 */
export function freshWorkOn(
  pass: { kind: StepKind; method: Method; material?: unknown },
  coats: readonly Pick<Material, 'binder' | 'role'>[],
): FreshWork | undefined {
  const top = coats.at(-1);
  if (pass.kind !== 'weather' || pass.material !== undefined || !top) return undefined;
  const resist = coats.findLastIndex((material) => binderOf(material).comesOff === true);
  // The resist has to lie right under what comes off with it.
  if (resist >= 0 && coats.length - resist === 2) return 'chipped';
  return top.role === 'weather' && pass.method === 'wipe' ? 'wiped' : undefined;
}
