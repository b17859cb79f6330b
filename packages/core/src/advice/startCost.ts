import { aroundOf } from '../schedule/plan/workload';
import type { Build } from '../model/schema';
import { passOfId } from '../model/stepSpots';
import { toWallTime, type EpochMinute } from '../model/wallTime';
import { planBuild } from '../schedule/answers/planBuild';
import type { Plan } from '../schedule/answers/plan';
import { warmFrom } from '../schedule/search/warmStart';
import type { RuleFinding } from './finding';
import { judgeBuild } from './judgeBuild';
import { readyAt } from './rescue/standing';

/** A piece that is ready later than planned. */
export interface LaterPiece {
  pieceId: string;
  byMinutes: number;
  readyAt: EpochMinute;
  /** Whether it misses a date by it that it makes as planned. */
  missesDate: boolean;
}

/** What beginning some passes now does to the build. */
export interface StartCost {
  /** The pieces that it delays, worst first. */
  later: LaterPiece[];
  /** What the rules say then and do not say as planned. */
  findings: RuleFinding[];
}

/** Less than this is within what a plan shifts by anyway. */
const WORTH_SAYING_MINUTES = 30;

const keyOf = ({ piece, rule, step, severity }: RuleFinding): string =>
  [piece, rule, step, severity].join(' ');

/**
 * What it costs to begin some passes now and not when they are planned: the build is planned with them under way, all else keeping
 * to its time, and judged by the same rules.
 * @param plan the plan at hand, of the same build
 * @param operationIds the passes, by id; what is no pass of the build is left out
 */
export function startCost(
  build: Build,
  plan: Plan,
  operationIds: readonly string[],
  now: EpochMinute,
): StartCost {
  const startedAt = toWallTime(now, build.timeZone);
  const begun = operationIds.flatMap((id) => {
    const pass = passOfId(id);
    if (!pass) return [];
    const { face, ...spot } = pass;
    return [{ id: `begun ${id}`, ...spot, ...(face ? { face } : {}), startedAt }];
  });
  const then = { ...build, underway: [...(build.underway ?? []), ...begun] };
  const changed = planBuild(then, {
    now,
    ...aroundOf(plan.workload),
    latestStarts: false,
    search: { warm: warmFrom(plan), keep: true, starts: 'none' },
  });
  const isMissed = (of: Plan, pieceId: string) => {
    const readiness = of.pieces.find((one) => one.pieceId === pieceId)?.readiness;
    return readiness === 'late' || readiness === 'stuck';
  };
  const later = build.pieces
    .map(({ id }): LaterPiece => ({
      pieceId: id,
      byMinutes: readyAt(changed, id) - readyAt(plan, id),
      readyAt: readyAt(changed, id),
      missesDate: isMissed(changed, id) && !isMissed(plan, id),
    }))
    .filter(({ byMinutes }) => byMinutes >= WORTH_SAYING_MINUTES)
    .sort((a, b) => Number(b.missesDate) - Number(a.missesDate) || b.byMinutes - a.byMinutes);
  const said = new Set(judgeBuild(build, plan).map(keyOf));
  const steps = new Set(begun.map(({ piece, step }) => `${piece} ${step}`));
  const findings = judgeBuild(then, changed).filter(
    (finding) => steps.has(`${finding.piece} ${finding.step}`) && !said.has(keyOf(finding)),
  );
  return { later, findings };
}
