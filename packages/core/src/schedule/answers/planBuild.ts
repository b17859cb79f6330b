import type { Build } from '../../model/schema';
import { epochMinute, type EpochMinute } from '../../model/wallTime';
import { measuredTimes } from '../state/measuredTimes';
import { doableNow } from '../place/doableNow';
import { latestStart, sessionDeadlines } from './latestStart';
import { LatestKnown, orderOf } from './latestKnown';
import { placeOutlooks } from './outlook';
import type { PlannedOperation } from '../plan/plan';
import { dryThroughOf } from '../place/dryThrough';
import { pieceBounds } from '../place/bounds';
import { workloadOf, type Around } from '../plan/workload';
import { searchPlan, type SearchOptions } from '../search/search';
import { pieceReadiness } from '../state/readiness';
import { sessionsOf } from './sessions';
import type { Plan } from './plan';
import { handsBounds } from './handsBound';
import { fewestSessionsAndSetUps } from './effortBound';
import { entryOf, nth } from '../../model/sure';

/** The next sessions within the week are told when they have to begin; what is further off changes before it comes. */
const DEADLINES_AHEAD_MINUTES = 7 * 1440;
const MOST_DEADLINES = 4;

export interface PlanOptions extends Around {
  /** The present, epoch minutes. Without it: the last thing logged, or else the build's start. */
  now?: EpochMinute;
  /** Whether to work out latest starts and bounds, which takes most of the time; true unless said otherwise. */
  latestStarts?: boolean;
  /** Latest moments to begin that were worked out before, which are kept up to date. */
  latestKnown?: LatestKnown;
  /** How the plan is looked for, in place of one order by slack: changes tried, the seed, an order to begin with, and who is told of better ones. */
  search?: Omit<SearchOptions, 'now'>;
}

/** The present of a build file that is read without a clock: its last log entry, or its start. */
export function presentOf(build: Build): EpochMinute {
  return Math.max(
    epochMinute(build.start, build.timeZone),
    ...(build.log ?? []).map((entry) => epochMinute(entry.doneAt, build.timeZone)),
  );
}

/**
 * Plans a build from where its log leaves off: when each pass is done and by whom, when each piece is packable and
 * wearable, whether that is in time, and the latest moment to start. Nothing is planned before the build's start or
 * before now.
 * @example planBuild(build, { now: epochMinute('2027-02-20T19:30', build.timeZone) }).pieces[0].readiness
 */
export function planBuild(build: Build, options: PlanOptions = {}): Plan {
  const now = options.now ?? presentOf(build);
  const workload = workloadOf(build, options);
  const { sequence, run, score } = searchPlan(workload, { ...(options.search ?? { starts: 'first' }), now });
  const { operations, units, lessons } = run;
  const byPiece = new Map<string, PlannedOperation[]>(build.pieces.map((piece) => [piece.id, []]));
  for (const operation of operations) entryOf(byPiece, operation.pieceId).push(operation);
  const fixedEnds = new Map(
    operations.flatMap((operation) =>
      operation.laidAt === undefined ? [] : [[operation.id, operation.laidAt]],
    ),
  );
  const around = {
    now,
    fixedEnds,
    orders: orderOf(workload, sequence),
    letDryThrough: dryThroughOf(operations),
  };
  const known = options.latestKnown ?? new LatestKnown();
  const pieces = build.pieces.map((piece) => {
    const own = entryOf(byPiece, piece.id);
    const state = pieceReadiness(build, piece, own, units, now);
    const open = own.some((operation) => operation.status === 'planned');
    return options.latestStarts !== false && open && state.readiness !== 'stuck'
      ? {
          ...state,
          latestStartAt: known.of(workload, piece, around, () => latestStart(workload, piece, around)),
        }
      : state;
  });
  const sessions = sessionsOf(workload, operations);
  if (options.latestStarts !== false) {
    const soon = sessions
      .filter((session) => session.from < now + DEADLINES_AHEAD_MINUTES)
      .slice(0, MOST_DEADLINES);
    for (const [at, beginBy] of sessionDeadlines(
      workload,
      { operations, pieces, sessions: soon },
      around,
    ).entries())
      if (beginBy) nth(soon, at).beginBy = beginBy;
  }
  return {
    now,
    timeZone: build.timeZone,
    operations,
    pieces,
    sessions,
    units,
    workload,
    sequence,
    score,
    bounds: options.latestStarts === false ? [] : pieceBounds(workload, operations, units, now),
    hands: options.latestStarts === false ? [] : handsBounds(workload, operations, units, now),
    effort: {
      planned: score.sessions,
      atLeast: fewestSessionsAndSetUps(workload, operations, now),
    },
    outlooks: placeOutlooks(workload, operations, now),
    doableNow: doableNow(workload, operations, now),
    measured: measuredTimes(lessons),
  };
}
