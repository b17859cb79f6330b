import type { Build, Piece, PlanView, ReadingsByPlace, VariantOutcome, WarmStart } from '@fixatum/core';
import type { CompareAnswer, CompareRequest, PlanAnswer, PlanRequest, PlanStage } from './planWorker';

/** What a plan is made from: the build, the present in epoch minutes, what was measured, and the plan before. */
export interface PlanGround {
  build: Build;
  now: number;
  readings: ReadingsByPlace;
  warm?: WarmStart | undefined;
}

/** Takes a plan as it comes in, stage by stage. */
export type TakeView = (view: PlanView, stage: PlanStage) => void;

let worker: Worker | undefined;
let lastTicket = 0;
let lastComparison = 0;
const comparing = new Map<
  number,
  { take: (outcomes: VariantOutcome[]) => void; fail: (error: Error) => void }
>();
const waiting = new Map<number, { take: TakeView; fail: (error: Error) => void }>();

function theWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer | CompareAnswer>) => {
    const compared = comparing.get(data.ticket);
    if (compared) {
      comparing.delete(data.ticket);
      if ('outcomes' in data) compared.take(data.outcomes);
      else if ('error' in data) compared.fail(new Error(data.error));
      return;
    }
    const asked = waiting.get(data.ticket);
    if ('view' in data) {
      if (data.stage === 'whole') waiting.delete(data.ticket);
      asked?.take(data.view, data.stage);
    } else if ('error' in data) {
      waiting.delete(data.ticket);
      asked?.fail(new Error(data.error));
    }
  };
  return worker;
}

/** Plans a build in the worker, as of a moment in epoch minutes. Only the newest request is answered whole. */
export function planInWorker(
  { build, now, readings, warm, urgent }: PlanGround & { urgent?: readonly string[] | undefined },
  take: TakeView,
  fail: (error: Error) => void,
): void {
  waiting.delete(lastTicket);
  lastTicket += 1;
  const ticket = lastTicket;
  waiting.set(ticket, { take, fail });
  // Through JSON, as what the screens hold is reactive and can't be sent as it is.
  theWorker().postMessage({
    ticket,
    now,
    warm,
    ...plain({ build, readings, urgent }),
  } satisfies PlanRequest);
}

/** A copy that can be sent to a worker. */
export const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** What the build comes to with a piece done in each of several ways, worked out in the worker. */
export function compareInWorker(
  { build, now, readings, warm }: PlanGround,
  variants: Piece[],
): Promise<VariantOutcome[]> {
  // Counted downwards, so that comparisons and plans never share a ticket.
  lastComparison -= 1;
  const ticket = lastComparison;
  return new Promise((take, fail) => {
    comparing.set(ticket, { take, fail });
    theWorker().postMessage({
      ticket,
      now,
      warm,
      ...plain({ build, variants, readings }),
    } satisfies CompareRequest);
  });
}
