import type { Build, PlanView } from '@fixatum/core';
import type { PlanAnswer, PlanRequest } from './planWorker';

/** Takes a plan as it comes in: first quickly, without latest starts, then whole. */
export type TakeView = (view: PlanView, whole: boolean) => void;

let worker: Worker | undefined;
let lastTicket = 0;
const waiting = new Map<number, { take: TakeView; fail: (error: Error) => void }>();

function theWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
    const asked = waiting.get(data.ticket);
    if ('view' in data) {
      if (data.whole) waiting.delete(data.ticket);
      asked?.take(data.view, data.whole);
    } else {
      waiting.delete(data.ticket);
      asked?.fail(new Error(data.error));
    }
  };
  return worker;
}

/** Plans a build in the worker, as of a moment in epoch minutes. Only the newest request is answered whole. */
export function planInWorker(build: Build, now: number, take: TakeView, fail: (error: Error) => void): void {
  waiting.delete(lastTicket);
  lastTicket += 1;
  const ticket = lastTicket;
  waiting.set(ticket, { take, fail });
  // Through JSON, as what the screens hold is reactive and can't be sent as it is.
  theWorker().postMessage({
    ticket,
    build: JSON.parse(JSON.stringify(build)) as Build,
    now,
  } satisfies PlanRequest);
}
