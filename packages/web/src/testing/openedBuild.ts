/// <reference types="jest" />
import { planView, type Build, type PlanView } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { api } from '../shared/api';
import type { BuildAnswer } from '../shared/knownBuild';
import { useBuild } from '../shared/build';
import { useClock } from '../shared/clock';
import type { PlanStage, TakeView } from '../shared/offThread/planWork';
import { planInWorker } from '../shared/planner';
import { smallBuild } from './smallBuild';

/** What the server answers for the small build in some version. */
export const answer = (version: number, changes: Partial<Build> = {}, id = 'b1'): BuildAnswer => ({
  id,
  version,
  pieceEtags: { plate: `"${version}"` },
  build: smallBuild(changes),
});

/** What the planner was asked, newest last, and how it answers. */
export const asked = () => jest.mocked(planInWorker).mock.calls;
export function answerPlan({
  stage = 'whole',
  request = asked().at(-1)!,
}: { stage?: PlanStage; request?: ReturnType<typeof asked>[number] } = {}): PlanView {
  const [{ build: given, now, warm }, take] = request as [
    Parameters<typeof planInWorker>[0],
    TakeView,
    unknown,
  ];
  const view = planView(given, { now, search: warm ? { warm, keep: true } : { starts: 'first' } });
  take(view, stage);
  return view;
}

/** The store with the small build open. `./planner` has to be mocked where this is used. */
export async function opened(kept: Awaited<ReturnType<typeof api.plan>> = { plan: null }) {
  jest.spyOn(api, 'build').mockImplementation(async (id) => answer(1, {}, id));
  jest.spyOn(api, 'plan').mockResolvedValue(kept);
  const store = useBuild();
  await store.open('b1');
  return store;
}

/** For every test: a clock that stands still, stores of its own, a planner that was asked nothing. */
export function beginFresh(): void {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  setActivePinia(createPinia());
  useClock().fixedAt = '2027-02-15T08:00';
  jest.mocked(planInWorker).mockReset();
  jest.spyOn(api, 'keepPlan').mockResolvedValue(undefined);
}
export function endFresh(): void {
  jest.restoreAllMocks();
  jest.useRealTimers();
}
