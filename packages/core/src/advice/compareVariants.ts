import type { Build, Piece } from '../model/schema';
import { passMl } from '../quantity/amounts';
import type { EpochMinute } from '../model/wallTime';
import { planBuild } from '../schedule/answers/planBuild';
import { judgeBuild } from './judgeBuild';
import type { Around } from '../schedule/plan/workload';
import type { Readiness } from '../schedule/plan/plan';
import type { WarmStart } from '../schedule/search/warmStart';
import { placesOf } from '../model/places';
import { hasBegun } from '../model/hasBegun';
import { keepLaid } from '../model/keepLaid';

/** What a way of doing a piece comes to. */
export interface VariantOutcome {
  packableAt: EpochMinute | undefined;
  wearableAt: EpochMinute | undefined;
  readiness: Readiness;
  slackMinutes: number | undefined;
  /** Coats on one unit. */
  coats: number;
  /** Hands-on minutes over all units. */
  handsOnMinutes: number;
  /** Material used over all units, ml, and how many different ones. */
  materialMl: number;
  materials: number;
  /** Cans and pots needed, roughly: one means little, three means much. */
  costClass: 1 | 2 | 3;
  /** Names of the places it needs. */
  places: string[];
  stops: number;
  /** Other pieces that this makes late. */
  makesLate: string[];
}

/** What a small can and a small pot hold, ml; only for telling little from much. */
const SPRAY_ML = 200;
const POT_ML = 60;

/** From so many passes on only one plan by rule is made beside the one that stands. */
const MANY_PASSES = 500;

/**
 * How a plan that stands is made of the one before it: once work has begun it stays where it is unless something would be late that need not
 * be; until then the better plan is taken, so that what is added piece by piece comes to be done in one go all the same.
 * Of a large build one plan by rule is made beside it and not all of them, which takes seconds: the search that goes on in the background finds the rest.
 */
export const standingSearch = (build: Pick<Build, 'log' | 'underway'>, warm: WarmStart) => ({
  warm,
  keep: hasBegun(build),
  starts: warm.sequence.length > MANY_PASSES ? ('first' as const) : ('all' as const),
});

/** What the plans that are compared have in common. */
export interface CompareOptions extends Around {
  /** The plan at hand; without it each is planned afresh. */
  warm?: WarmStart | undefined;
}

/** Plans a build with a piece done in each of several ways, and says what each way comes to. */
export function compareVariants(
  build: Build,
  now: EpochMinute,
  variants: readonly Piece[],
  { warm, ...around }: CompareOptions = {},
): VariantOutcome[] {
  const options = {
    now,
    latestStarts: false,
    ...around,
    // As the plan that then stands is made, so that it comes to the same.
    ...(warm ? { search: standingSearch(build, warm) } : {}),
  };
  const before = new Set<string>();
  for (const piece of planBuild(build, options).pieces)
    if (piece.readiness === 'late') before.add(piece.pieceId);
  return variants.map((variant) => {
    const known = build.pieces.some((piece) => piece.id === variant.id);
    const changed = keepLaid(build, {
      ...build,
      pieces: known
        ? build.pieces.map((piece) => (piece.id === variant.id ? variant : piece))
        : [...build.pieces, variant],
    });
    const plan = planBuild(changed, options);
    // Rules look at one piece at a time, and only what they say of this one counts.
    const own = changed.pieces.filter(({ id }) => id === variant.id);
    const findings = judgeBuild({ ...changed, pieces: own }, plan);
    const state = plan.pieces.find((piece) => piece.pieceId === variant.id)!;
    const passes = plan.operations.filter(
      (operation) => operation.pieceId === variant.id && operation.status !== 'skipped',
    );
    const used = new Map<string, number>();
    for (const pass of passes)
      if (pass.material) used.set(pass.material.id, (used.get(pass.material.id) ?? 0) + passMl(pass));
    const containers = [...used].reduce(
      (sum, [id, ml]) =>
        sum +
        ml /
          (passes.some((pass) => pass.material?.id === id && pass.method === 'aerosol') ? SPRAY_ML : POT_ML),
      0,
    );
    const names = new Map(placesOf(build).map((place) => [place.id, place.name]));
    return {
      packableAt: state.packableAt,
      wearableAt: state.wearableAt,
      readiness: state.readiness,
      slackMinutes: state.slackMinutes,
      coats: passes.filter((pass) => pass.unit === 1 && pass.material).length,
      handsOnMinutes: passes.reduce(
        (sum, pass) => sum + (pass.end !== undefined && pass.start !== undefined ? pass.end - pass.start : 0),
        0,
      ),
      materialMl: [...used.values()].reduce((sum, ml) => sum + ml, 0),
      materials: used.size,
      costClass: containers > 4 ? 3 : containers > 1.5 ? 2 : 1,
      places: [...new Set(passes.map((pass) => names.get(pass.placeId) ?? pass.placeId))],
      stops: findings.filter(({ severity }) => severity === 'stop').length,
      makesLate: plan.pieces
        .filter(
          (piece) => piece.readiness === 'late' && piece.pieceId !== variant.id && !before.has(piece.pieceId),
        )
        .map((piece) => piece.pieceId),
    };
  });
}
