import type { Build, PlanView } from '@fixatum/core';
import type { PlanAnswer, PlanRequest } from './planWorker';

let worker: Worker | undefined;
let lastTicket = 0;
const waiting = new Map<number, { resolve: (view: PlanView) => void; reject: (error: Error) => void }>();

function theWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./planWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<PlanAnswer>) => {
    const asked = waiting.get(data.ticket);
    waiting.delete(data.ticket);
    if ('view' in data) asked?.resolve(data.view);
    else asked?.reject(new Error(data.error));
  };
  return worker;
}

/** Plans a build in the worker, as of a moment in epoch minutes. */
export function planInWorker(build: Build, now: number): Promise<PlanView> {
  lastTicket += 1;
  const ticket = lastTicket;
  return new Promise((resolve, reject) => {
    waiting.set(ticket, { resolve, reject });
    // Through JSON, as what the screens hold is reactive and can't be sent as it is.
    theWorker().postMessage({
      ticket,
      build: JSON.parse(JSON.stringify(build)) as Build,
      now,
    } satisfies PlanRequest);
  });
}
