import {
  compareVariants,
  planView,
  type Build,
  type Piece,
  type PlanView,
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

/** Each request is answered twice: at once without latest starts, then whole; or with an error. */
export type PlanAnswer =
  { ticket: number; view: PlanView; whole: boolean } | { ticket: number; error: string };

/** So many changes are tried on a build that has no plan yet; about half a second for a costume. */
const FIRST_TRIES = 150;

let newest = 0;

function answer(
  { ticket, build, now, readings = {}, warm, urgent }: PlanRequest,
  latestStarts: boolean,
): void {
  try {
    const view = planView(build, {
      now,
      latestStarts,
      readings,
      // At once whatever is quickest; then, where there was no plan before, the best that some tries find.
      search: {
        ...(warm ? { warm, keep: true, ...(urgent ? { urgent: new Set(urgent) } : {}) } : {}),
        ...(latestStarts ? { iterations: warm ? 0 : FIRST_TRIES } : { starts: warm ? 'none' : 'first' }),
      },
    });
    self.postMessage({ ticket, view, whole: latestStarts } satisfies PlanAnswer);
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
  answer(data, false);
  // Requests that came in meanwhile go first; one that has been overtaken is not worth finishing.
  setTimeout(() => {
    if (data.ticket === newest) answer(data, true);
  });
};
