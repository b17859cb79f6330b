import {
  compareVariants,
  LatestKnown,
  planView,
  standingSearch,
  warmFrom,
  type Around,
  type Build,
  type Piece,
  type PlanOptions,
  type PlanView,
  type VariantOutcome,
  type WarmStart,
} from '@fixatum/core';

/** What a plan is made from. */
export interface PlanRequest {
  build: Build;
  now: number;
  around?: Around;
  /** The plan before: it is kept to unless something would be late that need not be. */
  warm?: WarmStart | undefined;
  /** Pieces that go before all others this time, by id. */
  urgent?: readonly string[] | undefined;
}

/**
 * How far an answer has come. `quick`: something to look at; where there was no plan before, soon replaced. `made`: the plan
 * that stands, on which the last moments to begin are still being worked out. `whole`: with those.
 */
export type PlanStage = 'quick' | 'made' | 'whole';

/** Takes a plan as it comes in, stage by stage. */
export type TakeView = (view: PlanView, stage: PlanStage) => void;

/** So many changes are tried on a build that has no plan yet; about half a second for a costume. */
const FIRST_TRIES = 400;

/** Latest moments to begin, kept from one plan to the next. */
const latestKnown = new LatestKnown();

let newest = 0;

/**
 * Plans a build stage by stage, letting requests that came in meanwhile go first: what is overtaken is not finished. Ends with the
 * last stage, or when it is overtaken.
 */
export async function plan(request: PlanRequest, take: TakeView): Promise<void> {
  newest += 1;
  const ticket = newest;
  let made: PlanView | undefined;
  for (const stage of request.warm ? (['quick', 'whole'] as const) : (['quick', 'made', 'whole'] as const)) {
    if (ticket !== newest) return;
    const view = planView(request.build, {
      now: request.now,
      latestStarts: stage === 'whole',
      latestKnown,
      ...request.around,
      search: searchFor(request, stage, made),
    });
    take(view, stage);
    if (stage === 'made') made = view;
    // Whoever asked meanwhile is heard before the next stage.
    await new Promise((go) => setTimeout(go));
  }
}

function searchFor(
  { build, warm, urgent }: PlanRequest,
  stage: PlanStage,
  made: PlanView | undefined,
): NonNullable<PlanOptions['search']> {
  if (stage === 'made') return { iterations: FIRST_TRIES };
  if (made) return { warm: warmFrom(made), keep: true, starts: 'none' };
  if (!warm) return { starts: stage === 'whole' ? 'all' : 'first' };
  return {
    ...(stage === 'whole' ? standingSearch(build, warm) : { warm, keep: true, starts: 'none' as const }),
    ...(urgent ? { urgent: new Set(urgent) } : {}),
  };
}

/** What the build comes to with a piece done in each of several ways. */
export const compare = ({ build, now, warm, around }: PlanRequest, variants: Piece[]): VariantOutcome[] =>
  compareVariants(build, now, variants, { warm, ...around });
