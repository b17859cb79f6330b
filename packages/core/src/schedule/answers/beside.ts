import type { Build } from '../../model/schema';
import type { EpochMinute } from '../../model/wallTime';
import { allTaken, nothingTaken, type Taken } from '../plan/taken';
import type { ReadingsByPlace } from '../plan/workload';
import type { WarmStart } from '../search/warmStart';
import type { Plan } from './plan';
import { planBuild } from './planBuild';
import { takenBy } from './takenBy';

/** Another build of a workshop that is in hand. */
export interface BuildBeside {
  id: string;
  build: Build;
  /** The plan it has. */
  plan?: WarmStart | undefined;
}

const noPieces: ReadonlySet<string> = new Set();

interface At {
  now: EpochMinute;
  readings?: ReadingsByPlace;
}

/**
 * Plans builds that share a workshop in the order in which they have its hands, racks and rooms: each in what those before it leave. What
 * has been begun in a later one is a fact for those before it too. Work keeps its time where nothing is in the way, so that the plans are
 * those on the screens of whoever looks at them. What each found taken stands in the workload of its plan.
 */
export function planTogether(builds: readonly BuildBeside[], at: At): Map<string, Plan> {
  const begun = builds.map((one) => (builds.length > 1 ? begunIn(one, at) : nothingTaken));
  const plans = new Map<string, Plan>();
  for (const [n, one] of builds.entries()) {
    const before = [...plans].map(([id, plan]) =>
      ofBuild(id, plan.workload.build.name, takenBy(plan, noPieces)),
    );
    plans.set(one.id, planned(one, at, allTaken(...before, ...begun.slice(n + 1))));
  }
  return plans;
}

const planned = ({ build, plan: warm }: BuildBeside, { now, readings = {} }: At, taken: Taken): Plan =>
  planBuild(build, {
    now,
    readings,
    taken,
    latestStarts: false,
    search: warm ? { warm, keep: true, starts: 'none' } : { starts: 'first' },
  });

/** What has been begun or lies wet in a build. */
function begunIn(one: BuildBeside, at: At): Taken {
  const { log = [], underway = [] } = one.build;
  if (log.length + underway.length === 0) return nothingTaken;
  return ofBuild(one.id, one.build.name, takenBy(planned(one, at, nothingTaken), noPieces, true));
}

/** Pieces of two builds may have one name; whose hands they are is said by the name of the build. */
const ofBuild = (id: string, name: string, taken: Taken): Taken => ({
  ...taken,
  hands: taken.hands.map((hand) => ({ ...hand, by: name })),
  racks: taken.racks.map((rack) => ({ ...rack, unit: `${id}/${rack.unit}` })),
});
