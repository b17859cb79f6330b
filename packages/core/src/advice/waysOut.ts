import { applyPatch } from '../materials/applyPatch';
import type { Build, Piece } from '../model/schema';
import { stepsBefore } from '../model/stepLinks';
import { materialsOf } from '../materials/ownMaterials';
import { passMl } from '../quantity/amounts';
import type { PiecePlan } from '../schedule/plan/plan';
import { planBuild } from '../schedule/answers/planBuild';
import { warmFrom } from '../schedule/search/warmStart';
import { spotsOf } from '../facts/spots';
import type { Idea, LookChange, RuleFinding, WayOut } from './finding';
import { ideasFor } from './ideas';
import { judgeBuild } from './judgeBuild';
import type { Material } from '../model/materialSchema';
import type { Plan } from '../schedule/answers/plan';

/** How many ways are planned in full and offered. */
const MOST_OFFERED = 4;
const MOST_PLANNED = 7;

/**
 * What a way out costs, on one scale, so that ways can be ranked: a day lost counts 1, a material to buy half a day, 50 ml
 * of material a tenth, a slight change of look half a day, another look three days, a new risk two, a piece that
 * becomes late five.
 */
const weights = { day: 1, buy: 0.5, ml: 0.002, look: { same: 0, slight: 0.5, other: 3 }, risk: 2, late: 5 };

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
 */
export function searchWaysOut(build: Build, finding: RuleFinding, plan: Plan): WaysOut {
  const piece = build.pieces.find((one) => one.id === finding.piece);
  if (!piece || finding.severity === 'note') return { waysOut: [] };
  const step = piece.steps.find((one) => one.id === finding.step);
  if (step && (build.log ?? []).some((entry) => entry.piece === piece.id && entry.step === step.id))
    return {
      waysOut: [],
      noWayOut: 'It is done already and can’t be planned away: look at it, and redo it if it failed.',
    };
  const alone = aloneWith(build, piece);
  const before = judgedAlone(alone, plan);
  const materials = materialsOf(build.materials);
  const ideas = ideasFor(build, piece, finding, materials);
  const obstacles = new Map<string, number>();
  const holding = ideas.flatMap((idea) => {
    const tried = tryAlone(alone, build, piece.id, idea, plan);
    const obstacle = tried === undefined ? 'it does not fit' : obstacleOf(finding, before, tried.findings);
    if (tried === undefined || obstacle !== undefined) {
      obstacles.set(obstacle!, (obstacles.get(obstacle!) ?? 0) + 1);
      return [];
    }
    const look = lookOf(idea, piece, tried.piece, materials);
    const newRisks = newOf(before, tried.findings, 'risk');
    return [
      {
        idea,
        look,
        newRisks,
        rough: weights.look[look] + weights.risk * newRisks.length + idea.change.length / 10,
      },
    ];
  });
  const said = judgeBuild(build, plan);
  const ways = holding
    .sort((a, b) => a.rough - b.rough)
    .slice(0, MOST_PLANNED)
    .flatMap(({ idea, look, newRisks }) => {
      const costed = costOf(build, piece, idea, finding, plan, said);
      return costed ? [{ ...idea, ...costed, look, newRisks }] : [];
    })
    .sort((a, b) => costScore(a) - costScore(b))
    .slice(0, MOST_OFFERED);
  if (ways.length > 0) return { waysOut: ways };
  const [worst] = [...obstacles].sort((a, b) => b[1] - a[1]);
  return {
    waysOut: [],
    noWayOut: `${ideas.length} changes were tried (between, wait, thinner, another material, another order or place, left out): none helps${worst ? `; most often ${worst[0]}` : ''}.`,
  };
}

const costScore = (way: WayOut): number =>
  (Math.max(0, way.laterMinutes ?? 0) / 1440) * weights.day +
  way.buys.length * weights.buy +
  Math.max(0, way.extraMl) * weights.ml +
  weights.look[way.look] +
  way.newRisks.length * weights.risk +
  way.makesLate.length * weights.late;

/** A piece with those its steps are linked to, which is all that its verdicts can depend on but for other people's time. */
function aloneWith(build: Build, piece: Piece): Build {
  const linked = new Set([piece.id]);
  for (let grown = true; grown;) {
    grown = false;
    for (const one of build.pieces) {
      const others = one.steps.flatMap((_, at) =>
        stepsBefore(build.pieces, one, at).map((link) => link.piece),
      );
      const parts = one.steps.flatMap((step) => step.parts ?? []);
      const near = [...others, ...parts, ...(one.mirrors ? [one.mirrors] : [])];
      const touches = linked.has(one.id) || near.some((id) => linked.has(id));
      if (!touches) continue;
      for (const id of [one.id, ...near])
        if (!linked.has(id)) {
          linked.add(id);
          grown = true;
        }
    }
  }
  const keep = (id: string) => linked.has(id);
  return {
    ...build,
    pieces: build.pieces.filter((one) => keep(one.id)),
    log: (build.log ?? []).filter((entry) => keep(entry.piece)),
    underway: (build.underway ?? []).filter((pass) => keep(pass.piece)),
  };
}

const judgedAlone = (build: Build, { now, workload }: Plan): RuleFinding[] =>
  judgeBuild(build, planBuild(build, { now, readings: workload.readings, latestStarts: false }));

/** The idea applied to the whole build, then judged on the linked pieces alone. Undefined when it does not fit. */
function tryAlone(
  alone: Build,
  build: Build,
  pieceId: string,
  idea: Idea,
  plan: Plan,
): { findings: RuleFinding[]; piece: Piece } | undefined {
  const applied = applyPatch(build, idea.change);
  if (!applied.ok) return undefined;
  const changed = new Map(applied.value.pieces.map((one) => [one.id, one]));
  const tried = { ...alone, pieces: alone.pieces.map((one) => changed.get(one.id) ?? one) };
  return { findings: judgedAlone(tried, plan), piece: changed.get(pieceId)! };
}

const keyOf = (finding: RuleFinding): string => `${finding.piece} ${finding.rule} ${finding.step ?? ''}`;

/** Rules that speak after a change about steps they did not speak about before. */
function newOf(
  before: readonly RuleFinding[],
  after: readonly RuleFinding[],
  severity: 'stop' | 'risk',
): string[] {
  // What was a risk and is a stop now is new; what was a stop and is a risk now is not.
  const known = new Set(
    before.filter((one) => one.severity === severity || one.severity === 'stop').map(keyOf),
  );
  return [
    ...new Set(
      after.filter((one) => one.severity === severity && !known.has(keyOf(one))).map((one) => one.rule),
    ),
  ];
}

/** Why a change is no way out: it leaves the finding, or brings a stop; undefined when it holds. */
function obstacleOf(
  finding: RuleFinding,
  before: readonly RuleFinding[],
  after: readonly RuleFinding[],
): string | undefined {
  const same = (list: readonly RuleFinding[]) =>
    list.filter((one) => one.piece === finding.piece && one.rule === finding.rule && one.severity !== 'note');
  const stays = same(after).some((one) => one.step === finding.step && one.below === finding.below);
  if (stays || same(after).length >= same(before).length) return `${finding.rule} stays`;
  const stops = newOf(before, after, 'stop');
  return stops.length > 0 ? `it runs into ${stops.join(' and ')}` : undefined;
}

/** How much a change shows: texture left out is gone, and other work left out is missed a little. */
function lookOf(
  idea: Idea,
  before: Piece,
  after: Piece,
  materials: ReadonlyMap<string, Material>,
): LookChange {
  const pressed = (piece: Piece) => piece.steps.filter((step) => step.kind === 'texture').length;
  if (pressed(after) < pressed(before)) return 'other';
  const change = lookChange(before, after, materials);
  return change === 'same' && idea.change.some((step) => step.op === 'remove') ? 'slight' : change;
}

/** What shows on the outer face: the films that are not under others of their kind, with colour, film and count. */
function lookChange(before: Piece, after: Piece, materials: ReadonlyMap<string, Material>): LookChange {
  const visible = new Set(['paint', 'texture', 'weather', 'detail', 'topcoat']);
  const seen = (piece: Piece) =>
    spotsOf(piece, { build: {}, materials })
      .filter((spot) => spot.face === 'outer')
      .map((spot) => spot.layers.filter((layer) => visible.has(layer.material.role)));
  const now = seen(before);
  const then = seen(after);
  let change: LookChange = 'same';
  for (const [n, layers] of now.entries()) {
    const others = then[n]!;
    // A clear laid under others does not show.
    const bare = (list: typeof layers) =>
      list.filter((layer, at) => layer.material.role !== 'topcoat' || at === list.length - 1);
    const one = bare(layers);
    const other = bare(others);
    if (one.length !== other.length) return 'other';
    for (const [at, layer] of one.entries()) {
      const match = other[at]!;
      const colour = (of: typeof layer) => of.step.colour ?? of.material.colour;
      if (layer.material.role !== match.material.role || colour(layer) !== colour(match)) {
        if (layer.material.role !== 'topcoat' || match.material.role !== 'topcoat') return 'other';
      }
      if (layer.material.id !== match.material.id) {
        if (Math.abs((layer.material.sheenGu ?? 0) - (match.material.sheenGu ?? 0)) > 10) return 'other';
        change = 'slight';
      } else if (layer.film !== match.film || (layer.step.coats ?? 1) !== (match.step.coats ?? 1)) {
        change = 'slight';
      }
    }
  }
  return change;
}

const readyAt = (state: PiecePlan | undefined): number | undefined =>
  state?.readiness === 'stuck' || state?.packableAt === undefined || state.wearableAt === undefined
    ? undefined
    : Math.max(state.packableAt, state.wearableAt);

/** What a change costs once the whole build is planned with it; undefined when that brings back the finding or a stop. */
function costOf(
  build: Build,
  piece: Piece,
  idea: Idea,
  finding: RuleFinding,
  plan: Plan,
  said: readonly RuleFinding[],
): Pick<WayOut, 'laterMinutes' | 'buys' | 'extraMl' | 'makesLate'> | undefined {
  const applied = applyPatch(build, idea.change);
  if (!applied.ok) return undefined;
  // Everything else keeps its time, so that what is lost or gained is the doing of this change.
  const then = planBuild(applied.value, {
    now: plan.now,
    readings: plan.workload.readings,
    latestStarts: false,
    search: { warm: warmFrom(plan), keep: true, starts: 'none' },
  });
  if (obstacleOf(finding, said, judgeBuild(applied.value, then)) !== undefined) return undefined;
  const stateOf = (of: Plan) => of.pieces.find((one) => one.pieceId === piece.id);
  const before = readyAt(stateOf(plan));
  const after = readyAt(stateOf(then));
  if (before !== undefined && after === undefined) return undefined;
  const used = (of: Plan) => {
    const ml = new Map<string, number>();
    for (const pass of of.operations)
      if (pass.material) ml.set(pass.material.id, (ml.get(pass.material.id) ?? 0) + passMl(pass));
    return ml;
  };
  const usedBefore = used(plan);
  const usedAfter = used(then);
  const shelf = new Set((build.stock ?? []).filter((one) => one.remainingMl > 0).map((one) => one.material));
  const materials = materialsOf(build.materials);
  const sum = (ml: Map<string, number>) => [...ml.values()].reduce((total, one) => total + one, 0);
  const late = (of: Plan) =>
    of.pieces
      .filter((one) => one.readiness === 'late' || one.readiness === 'stuck')
      .map((one) => one.pieceId);
  const lateBefore = new Set(late(plan));
  return {
    laterMinutes: before === undefined || after === undefined ? undefined : after - before,
    buys: [...usedAfter.keys()]
      .filter((id) => !usedBefore.has(id) && !shelf.has(id))
      .map((id) => materials.get(id)!.name),
    extraMl: sum(usedAfter) - sum(usedBefore),
    makesLate: late(then).filter((id) => id !== piece.id && !lateBefore.has(id)),
  };
}
