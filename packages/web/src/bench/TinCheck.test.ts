/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { passNeeds, planView, type Tin } from '@fixatum/core';
import { nextTick } from 'vue';
import { useBuild } from '../shared/build';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import TinCheck from './TinCheck.vue';
import type { TinCheck as Check } from './useTinCheck';

jest.mock('comlink', () => jest.requireActual<object>('../testing/fakeComlink'));
jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

const view = planView(smallBuild(), { now: 30_000_000 });
const pass = view.operations.find(({ material }) => material !== undefined)!;
const needMl = passNeeds(smallBuild(), view.operations).get(pass.id)!.ml;
const tin = (remainingMl: number): Tin => ({
  id: 't',
  material: pass.material!.id,
  containerMl: 500,
  remainingMl,
  levelAt: '2027-01-01T08:00',
  openedOn: '2027-01-01',
});

/** What is said of the first pass with these tins on the shelf. */
async function said(stock: Tin[]): Promise<{ check: Check | undefined; text: string }> {
  const wrapper = mounted(TinCheck, { props: { passes: [pass] } });
  const store = useBuild();
  store.build = smallBuild({ stock });
  store.view = view;
  await nextTick();
  const checks = wrapper.emitted<[Check | undefined]>('check') ?? [];
  return { check: checks.at(-1)?.[0], text: wrapper.text() };
}

describe('what a pass takes', () => {
  it('is short where tins are kept of it and hold less', async () => {
    const { check, text } = await said([tin(needMl - 1)]);
    expect(check).toMatchObject({ isKept: true, isShort: true });
    expect(check?.ml).toBeCloseTo(needMl, 9);
    expect(text).toContain('There are only');
  });

  it('is not short where the tin has just as much, or none is kept account of', async () => {
    expect((await said([tin(needMl)])).check).toMatchObject({ isKept: true, isShort: false });
    expect((await said([])).check).toMatchObject({ isKept: false, isShort: false });
  });
});
