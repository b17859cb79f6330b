import { applyPatch, patchedForTrying } from '../materials/applyPatch';
import type { Build, Piece } from '../model/schema';
import { materialsOf } from '../materials/ownMaterials';
import { passMl } from '../quantity/amounts';
import type { PiecePlan } from '../schedule/plan/plan';
import { planBuild } from '../schedule/answers/planBuild';
import { warmFrom } from '../schedule/search/warmStart';
import type { Idea, RuleFinding, WayOut } from './finding';
import { ideasFor } from './ideas';
import { judgeBuild } from './judgeBuild';
import type { Plan } from '../schedule/answers/plan';
import { aloneWith, changeAlone, judgedAlone, obstacleOf, newOf } from './tryIdea';
import { breaksCraft } from './craft';
import { lookDifference } from './looksLike';
import { weights, costScore } from './wayCost';
import { entryOf } from '../model/sure';
import { WaysKnown, type Verdict } from './waysKnown';
import { takenBy } from '../schedule/answers/takenBy';
import { allTaken } from '../schedule/plan/taken';

/** How many ways are planned in full and offered. */
const MOST_OFFERED = 4;
const MOST_PLANNED = 7;

/** What the search for ways out of one finding came to. */
export interface WaysOut {
  waysOut: WayOut[];
  /** Why there are none, in a sentence. */
  noWayOut?: string;
}

/**
 * Searches for ways out of a finding: every idea is applied, planned and judged by the same rules; those that leave
 * the finding or bring a stop that was not there are thrown away, the rest are planned with the whole build and ranked by
 * days lost, money and change to the look.
 * @param plan the plan the finding was made from; its `now` is kept
 * @param known what is known of that build already; to be given when ways are searched for more than one of its findings
 */
export function searchWaysOut(
  build: Build,
  finding: RuleFinding,
  plan: Plan,
  known: WaysKnown = new WaysKnown(build, plan),
): WaysOut {
  const piece = build.pieces.find((one) => one.id === finding.piece);
  if (!piece || finding.severity === 'note') return { waysOut: [] };
  const step = piece.steps.find((one) => one.id === finding.step);
  if (step && (build.log ?? []).some((entry) => entry.piece === piece.id && entry.step === step.id))
    return {
      waysOut: [],
      noWayOut: 'It is done already and can’t be planned away: look at it, and redo it if it failed.',
    };
  const alone = aloneWith(build, piece);
  const { materials } = known;
  const { before, verdicts } = known.of(alone, piece, finding);
  const ideas = ideasFor(build, piece, finding, materials);
  const obstacles = new Map<string, number>();
  /** As the how manieth its rule names a cure. */
  const cureOf = ({ label }: Idea) => finding.ideas.findIndex((cure) => cure.label === label);
  const verdictOn = (idea: Idea): Verdict => {
    const changed = patchedForTrying(alone, changeAlone(build, alone, idea.change));
    const after = changed?.pieces.find((one) => one.id === piece.id);
    if (!changed || !after) return { obstacle: 'it does not fit' };
    if (breaksCraft(piece, after, idea, finding.severity, materials)) return {};
    const findings = judgedAlone(changed, plan);
    const obstacle = obstacleOf(finding, before, findings);
    if (obstacle !== undefined) return { obstacle };
    return {
      holds: { ...lookDifference(piece, after, materials), newRisks: newOf(before, findings, 'risk') },
    };
  };
  const holding = ideas.flatMap((idea) => {
    const verdict = verdicts.get(idea.label) ??
      tried(() => verdictOn(idea)) ?? { obstacle: 'it can’t be planned' };
    verdicts.set(idea.label, verdict);
    const { obstacle, holds } = verdict;
    if (obstacle !== undefined) obstacles.set(obstacle, (obstacles.get(obstacle) ?? 0) + 1);
    if (!holds) return [];
    const { look, shows, newRisks } = holds;
    return [
      {
        idea,
        look,
        shows,
        newRisks,
        rough:
          (idea.isCure ? weights.laterCure * cureOf(idea) : weights.notItsCure) +
          weights.look[look] +
          weights.risk * newRisks.length +
          idea.change.length / 10,
      },
    ];
  });
  const ways = holding
    .sort((a, b) => a.rough - b.rough)
    .slice(0, MOST_PLANNED)
    .flatMap(({ idea, look, shows, newRisks }) => {
      const costed = tried(() => costOf(build, alone, piece, idea, finding, plan, known.said));
      return costed ? [{ ...idea, ...costed, look, shows, newRisks }] : [];
    })
    // A risk is not traded for another where it can be settled without.
    .sort(
      (a, b) =>
        (finding.severity === 'risk' ? Math.sign(a.newRisks.length) - Math.sign(b.newRisks.length) : 0) ||
        costScore(a, cureOf(a)) - costScore(b, cureOf(b)),
    )
    .slice(0, MOST_OFFERED)
    .map(({ isCure: _known, ...way }) => way);
  if (ways.length > 0) return { waysOut: ways };
  const [worst] = [...obstacles].sort((a, b) => b[1] - a[1]);
  return {
    waysOut: [],
    noWayOut: `${ideas.length} changes were tried (a coat between, waiting, thinner coats, another material, order or place, leaving it out): none helps${worst ? `; mostly because ${worst[0]}` : ''}.`,
  };
}

/** A change that breaks the planner or a rule is no way out, and takes nothing from the others. */
function tried<T>(attempt: () => T): T | undefined {
  try {
    return attempt();
  } catch {
    return undefined;
  }
}

const readyAt = (state: PiecePlan | undefined): number | undefined =>
  state?.readiness === 'stuck' || state?.packableAt === undefined || state.wearableAt === undefined
    ? undefined
    : Math.max(state.packableAt, state.wearableAt);

const passesOf = ({ operations }: Plan, pieces: ReadonlySet<string>): number =>
  operations.filter(({ pieceId, status }) => status !== 'skipped' && pieces.has(pieceId)).length;

/** What is planned again ends half a day sooner or later without any reason that one could name. */
const WOBBLE_MINUTES = 720;

/**
 * How much later a piece is said to be ready, minutes: being sooner only where that is more than planning again moves by itself, and never for a
 * change that adds work.
 */
export const sayableLater = (laterMinutes: number, addsWork: boolean): number =>
  laterMinutes < 0 && (addsWork || laterMinutes > -WOBBLE_MINUTES) ? 0 : laterMinutes;

/** What a change costs once the whole build is planned with it; undefined when that brings back the finding or a stop. */
function costOf(
  build: Build,
  alone: Build,
  piece: Piece,
  idea: Idea,
  finding: RuleFinding,
  plan: Plan,
  said: readonly RuleFinding[],
): Pick<WayOut, 'laterMinutes' | 'buys' | 'extraMl' | 'makesLate'> | undefined {
  const applied = applyPatch(alone, changeAlone(build, alone, idea.change));
  if (!applied.ok) return undefined;
  // Everything else keeps its time, so that what is lost or gained is the doing of this change.
  const changed = applied.value;
  const linked = new Set(changed.pieces.map(({ id }) => id));
  const then = planBuild(changed, {
    now: plan.now,
    readings: plan.workload.readings,
    taken: allTaken(plan.workload.taken, takenBy(plan, linked)),
    latestStarts: false,
    search: { warm: warmFrom(plan), keep: true, starts: 'none' },
  });
  const isNear = ({ piece: of }: RuleFinding) => linked.has(of);
  if (obstacleOf(finding, said.filter(isNear), judgeBuild(changed, then)) !== undefined) return undefined;
  const stateOf = (of: Plan) => of.pieces.find((one) => one.pieceId === piece.id);
  const before = readyAt(stateOf(plan));
  const after = readyAt(stateOf(then));
  if (before !== undefined && after === undefined) return undefined;
  const used = (of: Plan, pieces: ReadonlySet<string> | undefined) => {
    const ml = new Map<string, number>();
    for (const pass of of.operations)
      if (pass.material && (!pieces || pieces.has(pass.pieceId)))
        ml.set(pass.material.id, (ml.get(pass.material.id) ?? 0) + passMl(pass));
    return ml;
  };
  const usedBefore = used(plan, undefined);
  const usedAfter = used(then, linked);
  const shelf = new Set((build.stock ?? []).filter((one) => one.remainingMl > 0).map((one) => one.material));
  const materials = materialsOf(build.materials);
  const sum = (ml: Map<string, number>) => [...ml.values()].reduce((total, one) => total + one, 0);
  const late = (of: Plan) =>
    of.pieces
      .filter((one) => one.readiness === 'late' || one.readiness === 'stuck')
      .map((one) => one.pieceId);
  const lateBefore = new Set(late(plan));
  return {
    laterMinutes:
      before === undefined || after === undefined
        ? undefined
        : sayableLater(after - before, passesOf(then, linked) > passesOf(plan, linked)),
    buys: [...usedAfter.keys()]
      .filter((id) => !usedBefore.has(id) && !shelf.has(id))
      .map((id) => entryOf(materials, id).name),
    extraMl: sum(usedAfter) - sum(used(plan, linked)),
    makesLate: late(then).filter((id) => id !== piece.id && !lateBefore.has(id)),
  };
}
