/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { planView } from '@fixatum/core';
import { nextTick } from 'vue';
import { useBuild } from '../shared/build';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import PassTicks from './PassTicks.vue';

jest.mock('comlink', () => jest.requireActual<object>('../testing/fakeComlink'));
jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

const plate = smallBuild().pieces[0]!;
const build = smallBuild({ pieces: [{ ...plate, quantity: 3 }] });
const passes = planView(build, { now: 30_000_000 }).operations.filter(({ coat }) => coat === 1);

async function shown() {
  let left = new Set<string>();
  const wrapper = mounted(PassTicks, {
    props: {
      passes,
      left,
      'onUpdate:left': (now: Set<string>) => {
        left = now;
        void wrapper.setProps({ left: now } as never);
      },
    },
  });
  useBuild().build = build;
  await nextTick();
  return { wrapper, left: () => [...left].map((id) => id.split('/')[1]) };
}

describe('the pieces of a batch', () => {
  it('are told together, and all left out by one tick', async () => {
    const { wrapper, left } = await shown();
    expect(wrapper.findAll('li')).toHaveLength(1);
    expect(wrapper.find('li').text()).toContain('Plate');
    await wrapper.find('input').setValue(false);
    expect(left()).toEqual(['1', '2', '3']);
    await wrapper.find('input').setValue(true);
    expect(left()).toEqual([]);
  });

  it('are taken apart, so that one of them is left out', async () => {
    const { wrapper, left } = await shown();
    await wrapper.find('button.apart').trigger('click');
    expect(wrapper.findAll('li')).toHaveLength(4);
    await wrapper.findAll('input')[2]!.setValue(false);
    expect(left()).toEqual(['2']);
    // Not all are in any more, so the tick of the set is off.
    expect((wrapper.findAll('input')[0]!.element as HTMLInputElement).checked).toBe(false);
  });
});
