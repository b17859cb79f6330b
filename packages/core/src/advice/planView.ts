import type { Placement } from '../model/placementIds';
import { judgeBuild } from './judgeBuild';
import type { RuleFinding } from './finding';
import type { Build } from '../model/schema';
import { plainMilestones } from '../drying/dryStack';
import { dryFilmUm } from '../materials/film';
import type { MeasuredMaterial } from '../schedule/state/measuredTimes';
import type { EpochMinute } from '../model/wallTime';
import type { PiecePlan, PlannedOperation, Session } from '../schedule/plan/plan';
import type { PieceBound } from '../schedule/place/bounds';
import type { PlaceOutlook } from '../schedule/answers/outlook';
import { placeBands, type PlaceBand } from '../schedule/view/placeBands';
import type { Score } from '../schedule/search/score';
import { planBuild, type PlanOptions } from '../schedule/answers/planBuild';
import { ribbonOf, type RibbonSpan } from '../schedule/view/ribbon';
import type { Plan } from '../schedule/answers/plan';
import type { Effort } from '../schedule/answers/effortBound';
import { heldUp, type HeldUp } from '../schedule/answers/heldUp';
import { withProofs } from '../schedule/answers/whyLater';
import type { HandsBound } from '../schedule/answers/handsBound';
import type { CoatMilestones } from '../drying/laidCoat';
import { groundColourOf } from '../model/substrates';
import { entryOf, nth } from '../model/sure';
import { seenOver } from '../colour/seenColour';

/** One coat of a stack as it is drawn: how thick, in what colour and sheen, and when it reaches what. */
export interface StrataCoat {
  operationId: string;
  stepId: string;
  materialId: string;
  name: string;
  colour: string;
  /** What is seen once it lies there, over what is below it. */
  seen: string;
  sheenGu: number | undefined;
  /** Dry film where it lies, µm. */
  dftUm: number;
  /** Where on the spot it goes, and the share of it that it covers, 0 to 1. */
  placement: Placement;
  share: number;
  laidAt: EpochMinute;
  /** Whether it lies there already, or is only planned. */
  real: boolean;
  milestones: CoatMilestones;
}

/** A plan as plain data, with all that is drawn from it: it can be sent between threads. */
export interface PlanView {
  now: EpochMinute;
  timeZone: string;
  /** The span of time that drawings cover. */
  from: EpochMinute;
  until: EpochMinute;
  operations: PlannedOperation[];
  pieces: (PiecePlan & { ribbon: RibbonSpan[] })[];
  sessions: Session[];
  /** What the rules say; ways out are searched for when somebody looks at them. */
  findings: RuleFinding[];
  /** The stacks by `piece/unit`, then by spot `face:zone`, bottom coat first. */
  strata: Record<string, Record<string, StrataCoat[]>>;
  sequence: string[];
  score: Score;
  bounds: PieceBound[];
  hands: HandsBound[];
  heldUp: HeldUp[];
  effort: Effort;
  places: PlaceBand[];
  outlooks: PlaceOutlook[];
  doableNow: string[];
  measured: MeasuredMaterial[];
}

const MARGIN_MINUTES = 12 * 60;

/** Plans and checks a build and gathers what screens draw. */
export function planView(build: Build, options: PlanOptions = {}): PlanView {
  const plan = planBuild(build, options);
  const { from, until } = spanOf(plan);
  const operations = withProofs(plan);
  return {
    now: plan.now,
    timeZone: plan.timeZone,
    from,
    until,
    operations,
    pieces: plan.pieces.map((piece) => ({ ...piece, ribbon: ribbonOf(plan, piece.pieceId, from, until) })),
    sessions: plan.sessions,
    findings: judgeBuild(build, plan),
    strata: strataOf(plan),
    sequence: plan.sequence,
    score: plan.score,
    bounds: plan.bounds,
    hands: plan.hands,
    heldUp: heldUp(plan, operations),
    effort: plan.effort,
    places: placeBands(plan.workload, plan.operations, plan.units, from, until),
    outlooks: plan.outlooks,
    doableNow: plan.doableNow,
    measured: plan.measured,
  };
}

/** From the first thing that happened to half a day past the last date or readiness. */
function spanOf(plan: Plan): { from: EpochMinute; until: EpochMinute } {
  const starts = plan.operations.flatMap((operation) => operation.start ?? []);
  const ends = plan.pieces.flatMap((piece) => [
    piece.packDueAt,
    piece.wearDueAt,
    piece.packableAt,
    piece.wearableAt,
  ]);
  const from = Math.min(plan.now, ...starts) - 60;
  const last = ends.filter((end): end is number => end !== undefined && Number.isFinite(end));
  return { from, until: Math.max(plan.now + 2 * 1440, ...last) + MARGIN_MINUTES };
}

function strataOf(plan: Plan): PlanView['strata'] {
  const operations = new Map(plan.operations.map((operation) => [operation.id, operation]));
  const pieces = new Map(plan.workload.build.pieces.map((piece) => [piece.id, piece]));
  const strata: PlanView['strata'] = {};
  for (const [key, unit] of plan.units) {
    const cells: Record<string, StrataCoat[]> = {};
    for (const [cell, coats, stack] of unit.stacks()) {
      const present = unit.asOf(cell, plan.now);
      let below: string | undefined;
      cells[cell] = coats.map((coat, at) => {
        const operation = entryOf(operations, coat.operationId);
        const { material, colour } = coat;
        const filmUm = dryFilmUm(coat.wetUm, material);
        const under = below ?? groundColourOf(entryOf(pieces, operation.pieceId).substrate);
        const seen = seenOver(under, { material, colour, share: operation.share, filmUm });
        below = seen;
        return {
          operationId: coat.operationId,
          stepId: operation.stepId,
          materialId: coat.material.id,
          name: coat.material.name,
          colour: coat.colour,
          seen,
          sheenGu: coat.material.sheenGu,
          dftUm: filmUm,
          placement: operation.placement,
          share: operation.share,
          laidAt: coat.laidAt,
          real: operation.status === 'done',
          milestones: plainMilestones(
            (operation.status === 'done' ? present?.coats[at] : undefined) ?? nth(stack.coats, at),
          ),
        };
      });
    }
    strata[key] = cells;
  }
  return strata;
}
