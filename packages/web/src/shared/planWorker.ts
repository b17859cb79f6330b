import {
  compareVariants,
  planView,
  warmFrom,
  type Build,
  type Piece,
  type PlanView,
  type PlanOptions,
  type ReadingsByPlace,
  type VariantOutcome,
  type WarmStart,
} from '@fixatum/core';

/** Asks for a plan; the newest request wins. */
export interface PlanRequest {
  ticket: number;
  build: Build;
  now: number;
  readings?: ReadingsByPlace;
  /** The plan before: it is kept to unless something would be late that need not be. */
  warm?: WarmStart | undefined;
  /** Pieces that go before all others this time, by id. */
  urgent?: readonly string[] | undefined;
}

/** Asks what a build comes to with a piece done in each of several ways. */
export interface CompareRequest extends PlanRequest {
  variants: Piece[];
}

export type CompareAnswer = { ticket: number; outcomes: VariantOutcome[] };

/**
 * How far an answer has come. `quick`: something to look at; where there was no plan before, soon replaced. `made`: the plan
 * that stands, on which the last moments to begin are still being worked out. `whole`: with those.
 */
export type PlanStage = 'quick' | 'made' | 'whole';

/** Each request is answered stage by stage, or with an error. */
export type PlanAnswer =
  { ticket: number; view: PlanView; stage: PlanStage } | { ticket: number; error: string };

/** So many changes are tried on a build that has no plan yet; about half a second for a costume. */
const FIRST_TRIES = 400;

let newest = 0;

/** Works out one stage after the other, letting requests that came in meanwhile go first: who is overtaken is not finished. */
function answer(
  { ticket, build, now, readings = {}, warm, urgent }: PlanRequest,
  [stage, ...rest]: readonly PlanStage[],
  made?: PlanView,
): void {
  if (!stage || ticket !== newest) return;
  try {
    const kept = { keep: true, ...(urgent ? { urgent: new Set(urgent) } : {}) };
    const search: PlanOptions['search'] =
      stage === 'made'
        ? { iterations: FIRST_TRIES }
        : made
          ? { warm: warmFrom(made), keep: true, starts: 'none' }
          : {
              ...(warm ? { warm, ...kept } : {}),
              starts: stage === 'whole' ? 'all' : warm ? 'none' : 'first',
            };
    const view = planView(build, { now, latestStarts: stage === 'whole', readings, search });
    self.postMessage({ ticket, view, stage } satisfies PlanAnswer);
    setTimeout(() =>
      answer({ ticket, build, now, readings, warm, urgent }, rest, stage === 'made' ? view : undefined),
    );
  } catch (error) {
    self.postMessage({ ticket, error: (error as Error).message } satisfies PlanAnswer);
  }
}

self.onmessage = ({ data }: MessageEvent<PlanRequest | CompareRequest>) => {
  if ('variants' in data) {
    try {
      const outcomes = compareVariants(data.build, data.now, data.variants, {
        warm: data.warm,
        ...(data.readings ? { readings: data.readings } : {}),
      });
      self.postMessage({ ticket: data.ticket, outcomes } satisfies CompareAnswer);
    } catch (error) {
      self.postMessage({ ticket: data.ticket, error: (error as Error).message } satisfies PlanAnswer);
    }
    return;
  }
  newest = data.ticket;
  answer(data, data.warm ? ['quick', 'whole'] : ['quick', 'made', 'whole']);
};
