import 'fake-indexeddb/auto';
import { planView, warmFrom, type PlanView, type RuleFinding, nothingTaken } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { effectScope, nextTick } from 'vue';
import { api } from '../shared/api';
import { FakeWorker } from '../testing/fakeWorker';
import { smallBuild } from '../testing/smallBuild';
import type { PlanRequest } from '../shared/offThread/planWork';
import { useBetterPlan } from './betterPlan';
import { useBuild } from '../shared/build';
import { useClock } from '../shared/clock';
import { useForecast } from '../shared/forecast';
import { useNotice } from '../shared/notice';
import { useWays } from '../shared/ways';

jest.mock('comlink', () => jest.requireActual<object>('../testing/fakeComlink'));

/** Lets promises that are settled be heard. */
const heard = async () => {
  for (let n = 0; n < 8; n += 1) await Promise.resolve();
};

const plate = smallBuild().pieces[0]!;
const room = smallBuild().places[0]!;
// Enamel over rubber dip stays tacky: a stop, and a piece with two passes to plan.
const build = smallBuild({
  name: 'Workers',
  places: [{ ...room, ventilation: 'extraction', hygrometerPort: 4000 }],
  pieces: [
    {
      ...plate,
      steps: [
        { id: 'seal', kind: 'seal', material: 'rubber-dip-spray', method: 'aerosol' },
        { id: 'enamel', kind: 'base', material: 'alkyd-flat-spray', method: 'aerosol' },
      ],
    },
  ],
});
const readings = { room: [{ at: 30_045_590, temperatureC: 17, humidityPct: 61 }] };

/** A build that is open, with a measured room, planned by the worker. */
async function planned() {
  const store = useBuild();
  await store.open('b1');
  await jest.advanceTimersByTimeAsync(0);
  const request = FakeWorker.of('planner').asked.at(-1) as PlanRequest;
  const view = planView(request.build, { now: request.now, ...request.around });
  FakeWorker.of('planner').tell(1, view, 'whole');
  await nextTick();
  return { store, view };
}
/** What every long search has to go by: the plan on screen and the air as it was measured. */
const setting = (view: PlanView) => ({
  now: view.now,
  warm: warmFrom(view),
  around: { readings, taken: nothingTaken },
  build: expect.objectContaining({ name: 'Workers' }),
});

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  FakeWorker.install();
  setActivePinia(createPinia());
  useClock().fixedAt = '2027-02-15T08:00';
  jest.spyOn(api, 'build').mockResolvedValue({ id: 'b1', version: 1, pieceEtags: {}, build });
  jest.spyOn(api, 'plan').mockResolvedValue({ plan: null });
  jest.spyOn(api, 'keepPlan').mockResolvedValue(undefined);
  jest.spyOn(api, 'readings').mockResolvedValue({
    from: 0,
    until: 30_045_600,
    places: [{ place: 'room', readings: readings.room, gaps: [], thrownOut: [] }],
  });
});
afterEach(() => {
  jest.restoreAllMocks();
  jest.useRealTimers();
});

describe('ways out', () => {
  const stopOf = (view: PlanView): RuleFinding => view.findings.find((one) => one.severity === 'stop')!;

  it('are searched for on the plan on screen, once a finding, and given to whoever asks for it', async () => {
    const { view } = await planned();
    const ways = useWays();
    const finding = stopOf(view);
    ways.ask(finding);
    ways.ask(finding);
    const worker = FakeWorker.of('ways out');
    expect(worker.asked).toHaveLength(2);
    expect(worker.asked[0]).toMatchObject({ setting: 1, ...setting(view) });
    expect(worker.calls[1]!.given).toMatchObject([1, { rule: finding.rule }]);
    expect(ways.of(finding)).toBeUndefined();
    const found = { offers: [], tried: 3 };
    worker.last.answer(found);
    await heard();
    expect(ways.of(finding)).toEqual(found);
  });

  it('of the build before are forgotten, also when they come in late', async () => {
    const { store, view } = await planned();
    const ways = useWays();
    const finding = stopOf(view);
    ways.ask(finding);
    store.build = { ...store.build!, name: 'Changed' };
    await nextTick();
    FakeWorker.of('ways out').last.answer({ offers: [], tried: 1 });
    await heard();
    expect(ways.of(finding)).toBeUndefined();
    // It can be asked for anew, on new setting.
    ways.ask(finding);
    expect(FakeWorker.of('ways out').asked.slice(-2)).toMatchObject([{ setting: 2 }, 2]);
  });
});

describe('the forecast', () => {
  it('is made of the plan on screen once that has been quiet for a while', async () => {
    const { view } = await planned();
    const forecast = useForecast();
    await jest.advanceTimersByTimeAsync(700);
    expect(FakeWorker.made.some((worker) => worker.name === 'forecast')).toBe(false);
    await jest.advanceTimersByTimeAsync(200);
    const worker = FakeWorker.of('forecast');
    expect(worker.asked[0]).toMatchObject(setting(view));
    worker.tell(1, 30, 150);
    expect(forecast.progress).toBeCloseTo(0.2);
    worker.last.answer([{ pieceId: 'plate', chance: 0.9 }]);
    await heard();
    expect([forecast.byPiece.get('plate')?.chance, forecast.progress, worker.terminated]).toEqual([
      0.9,
      1,
      true,
    ]);
  });

  it('is made for as long as somebody looks at it, and not again of a plan it was made of', async () => {
    const { store } = await planned();
    const made = () => FakeWorker.made.filter(({ name }) => name === 'forecast').length;
    const screen = effectScope();
    screen.run(() => useForecast());
    await jest.advanceTimersByTimeAsync(900);
    expect(made()).toBe(1);
    FakeWorker.of('forecast').last.answer([{ pieceId: 'plate', chance: 0.9 }]);
    await heard();
    screen.stop();
    const next = effectScope();
    next.run(() => useForecast());
    await jest.advanceTimersByTimeAsync(900);
    expect(made()).toBe(1);
    next.stop();
    store.view = { ...store.view! };
    await jest.advanceTimersByTimeAsync(900);
    expect(made()).toBe(1);
    const last = effectScope();
    last.run(() => useForecast());
    await jest.advanceTimersByTimeAsync(900);
    expect(made()).toBe(2);
    last.stop();
  });

  it('is stopped when the plan changes under it', async () => {
    const { store } = await planned();
    useForecast();
    await jest.advanceTimersByTimeAsync(900);
    const worker = FakeWorker.of('forecast');
    store.view = { ...store.view! };
    await nextTick();
    expect(worker.terminated).toBe(true);
  });
});

describe('a better plan', () => {
  it('is looked for from the plan on screen, taken when it is better, and told', async () => {
    const { store, view } = await planned();
    const better = useBetterPlan();
    better.look();
    const worker = FakeWorker.of('better plan');
    expect(worker.asked[0]).toMatchObject({ ...setting(view), seconds: 5, seed: 1 });
    worker.tell(2, 0.4, 120);
    expect([better.share, better.tried]).toEqual([0.4, 120]);

    const warm = { ...warmFrom(view), sequence: [...view.sequence].reverse() };
    // As good is not better.
    worker.tell(1, warm, view.score);
    expect(store.warm).toEqual(warmFrom(view));
    worker.tell(1, warm, { ...view.score, sessions: view.score.sessions - 1 });
    expect(store.warm).toEqual(warm);
    expect((FakeWorker.of('planner').asked.at(-1) as PlanRequest).warm).toEqual(warm);
    worker.last.answer(300);
    await heard();
    expect(useNotice().text).toBe('A better plan was found.');
    expect([better.share, worker.terminated]).toEqual([undefined, true]);
    // Another press looks elsewhere.
    better.look();
    expect(FakeWorker.of('better plan').asked[0]).toMatchObject({ seed: 2 });
  });

  it('that was not found is said too, and looking can be stopped', async () => {
    await planned();
    const better = useBetterPlan();
    better.look();
    FakeWorker.of('better plan').last.answer(41);
    await heard();
    expect(useNotice().text).toBe('41 other orders were tried; none is better than this plan.');
    better.look();
    const worker = FakeWorker.of('better plan');
    better.stopLooking();
    expect([worker.terminated, better.share]).toEqual([true, undefined]);
  });
});

describe('a rescue', () => {
  it('is looked for on the plan on screen with the chances known, and is void once the build changes', async () => {
    const { store, view } = await planned();
    const forecast = useForecast();
    forecast.byPiece = new Map([['plate', { pieceId: 'plate', chance: 0.5 } as never]]);
    const better = useBetterPlan();
    better.lookForRescue();
    const worker = FakeWorker.of('rescue');
    expect(worker.asked[0]).toMatchObject({ ...setting(view), chances: new Map([['plate', 0.5]]) });
    worker.tell(1, 3, 12);
    expect(better.rescueShare).toBe(0.25);
    worker.last.answer({ late: [], offers: [] });
    await heard();
    expect([better.rescue, better.rescueShare]).toEqual([{ late: [], offers: [] }, undefined]);
    store.build = { ...store.build!, name: 'Changed' };
    await nextTick();
    expect(better.rescue).toBeUndefined();
  });

  it('that fails says so and leaves nothing running', async () => {
    await planned();
    const better = useBetterPlan();
    better.lookForRescue();
    const worker = FakeWorker.of('rescue');
    worker.last.fail('Out of memory');
    await heard();
    expect(useNotice().text).toBe('Out of memory');
    expect([worker.terminated, better.rescueShare]).toEqual([true, undefined]);
  });
});

describe('a worker that can not be loaded', () => {
  const broken = 'A part of the app could not be loaded. Check the connection to the server.';

  it('leaves no planning for ever: it is said, and trying again starts another', async () => {
    const { store } = await planned();
    store.takePlan(store.warm!);
    expect(store.planning).toBe(true);
    const first = FakeWorker.of('planner');
    first.onerror!();
    await heard();
    const notice = useNotice();
    expect([store.planning, notice.isProblem, notice.text]).toEqual([false, true, broken]);
    expect(first.terminated).toBe(true);
    notice.action!.run();
    const second = FakeWorker.of('planner');
    expect([second === first, notice.action!.label, store.planning]).toEqual([false, 'Try again', true]);
  });

  it.each([
    ['better plan', () => useBetterPlan().look(), () => useBetterPlan().share],
    ['rescue', () => useBetterPlan().lookForRescue(), () => useBetterPlan().rescueShare],
  ] as const)('ends the search for a %s', async (name, begin, share) => {
    await planned();
    begin();
    expect(share()).toBe(0);
    FakeWorker.of(name).onerror!();
    await heard();
    expect([share(), useNotice().text, useNotice().action!.label]).toEqual([undefined, broken, 'Try again']);
  });
});
