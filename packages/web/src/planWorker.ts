import { planView, type Build, type PlanView } from '@fixatum/core';

/** Asks for a plan; the newest request wins. */
export interface PlanRequest {
  ticket: number;
  build: Build;
  now: number;
}

export type PlanAnswer = { ticket: number; view: PlanView } | { ticket: number; error: string };

self.onmessage = ({ data }: MessageEvent<PlanRequest>) => {
  const { ticket, build, now } = data;
  try {
    self.postMessage({ ticket, view: planView(build, { now }) } satisfies PlanAnswer);
  } catch (error) {
    self.postMessage({ ticket, error: (error as Error).message } satisfies PlanAnswer);
  }
};
