import type { Build } from '../model/schema';
import { keptFreeMinutes } from '../schedule/state/timeline';
import { workloadOf } from '../schedule/plan/workload';
import type { ProvableShape } from './provableBuild';

/** The fewest sessions and set-ups of a made-up build with all in time, as an exact solver proved it. */
export interface Optimum extends ProvableShape {
  passes: number;
  sessions: number;
  /** The minutes and orders it was proved for: when these change, it has to be proved anew. */
  fingerprint: string;
}

const shapes = (
  count: number,
  from: number,
  one: (n: number) => Omit<ProvableShape, 'seed'>,
): ProvableShape[] => Array.from({ length: count }, (_, n) => ({ seed: from + n, ...one(n) }));

/** The builds that are tried: small ones, then middling ones. */
export const provableShapes: readonly ProvableShape[] = [
  ...shapes(24, 1, (n) => ({ pieces: 2 + (n % 2), people: n % 3 === 2 ? 2 : 1 })),
  ...shapes(8, 101, (n) => ({ pieces: 4 + (n % 2), people: 1 })),
];

/** What a proof hangs on that the planner's tables could change: the work of each pass, unit by unit. */
export function fingerprintOf(build: Build): string {
  const workload = workloadOf(build);
  const free = keptFreeMinutes({ from: 0, to: 120 }, 0);
  const units = [...workload.byUnit.values()]
    .map((own) =>
      own
        .map(
          ({ setUpMinutes, workMinutes, cleanUpMinutes, stepId }) =>
            `${stepId}:${setUpMinutes}+${workMinutes}+${cleanUpMinutes}`,
        )
        .join(' '),
    )
    .join(' | ');
  return `${free} of 120 min free | ${units}`;
}
