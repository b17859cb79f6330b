/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { planView, warmFrom, type WarmStart } from '@fixatum/core';
import { computed, effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue';
import { FakeWorker } from '../testing/fakeWorker';
import { smallBuild } from '../testing/smallBuild';
import { idleSearch } from './idleSearch';

jest.mock('comlink', () => jest.requireActual<object>('../testing/fakeComlink'));

const heard = async () => {
  for (let n = 0; n < 8; n += 1) await Promise.resolve();
};
const planned = planView(smallBuild(), { latestStarts: false });
let scope: EffectScope;
let taken: WarmStart[];

/** A build that is open and planned, with nothing pressed yet. */
function opened() {
  const warm = shallowRef<WarmStart | undefined>(warmFrom(planned));
  const planning = ref(false);
  scope = effectScope();
  const search = scope.run(() =>
    idleSearch({
      id: ref('b1'),
      build: shallowRef(smallBuild()),
      view: shallowRef(planned),
      warm,
      planning,
      around: computed(() => ({})),
      take: (better) => taken.push(better),
    }),
  )!;
  return { warm, planning, search };
}
const rounds = () => FakeWorker.made.filter(({ name }) => name === 'idle search').length;
const worker = () => FakeWorker.of('idle search');
const wait = (ms: number) => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  jest.useFakeTimers({ doNotFake: ['setImmediate', 'queueMicrotask', 'nextTick'] });
  FakeWorker.install();
  localStorage.clear();
  taken = [];
});
afterEach(() => {
  scope.stop();
  jest.useRealTimers();
});

describe('looking while nothing is pressed', () => {
  it('begins after four seconds, and gives what it found when it is done, so that nothing flickers', async () => {
    const { search } = opened();
    await wait(3500);
    expect(rounds()).toBe(0);
    await wait(1000);
    expect(worker().asked[0]).toMatchObject({ warm: warmFrom(planned), quietSeconds: 12 });
    expect(search.looking.value).toBe(true);
    const better = { ...warmFrom(planned), sequence: [...planned.sequence].reverse() };
    worker().tell(1, better);
    expect(taken).toEqual([]);
    worker().last.answer(300);
    await heard();
    expect(taken).toEqual([better]);
    expect([worker().terminated, search.looking.value]).toEqual([true, false]);
  });

  it('rests once nothing was found, until the plan is another', async () => {
    const { warm } = opened();
    await wait(4500);
    worker().last.answer(300);
    await heard();
    // The same plan, made again a few minutes later.
    warm.value = warmFrom(planned);
    await wait(10_000);
    expect(rounds()).toBe(1);
    const [id, at] = [...warmFrom(planned).beginsAt][0]!;
    warm.value = { ...warmFrom(planned), beginsAt: new Map([[id, at + 60]]) };
    await nextTick();
    expect(rounds()).toBe(2);
    expect(worker().asked[0]).not.toMatchObject({ seed: 1001 });
  });

  it('stops at once when something is pressed or planned', async () => {
    const { planning, search } = opened();
    await wait(4500);
    window.dispatchEvent(new Event('keydown'));
    await nextTick();
    expect([worker().terminated, search.looking.value]).toEqual([true, false]);
    await wait(4500);
    expect(rounds()).toBe(2);
    planning.value = true;
    await nextTick();
    expect(worker().terminated).toBe(true);
  });

  it('may be switched off', async () => {
    const { search } = opened();
    search.allowed.value = false;
    await wait(60_000);
    expect(rounds()).toBe(0);
  });
});
