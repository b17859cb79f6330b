/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { nextTick } from 'vue';
import { useBuild } from '../shared/build';
import { useClock } from '../shared/clock';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import NowLine from './NowLine.vue';

jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

describe('the line of the present', () => {
  it('stands where the clock is between the ends of the chart', async () => {
    const at = (wall: string) => Date.parse(`${wall}:00Z`) / 60_000;
    const wrapper = mounted(NowLine, {
      props: { from: at('2027-02-15T00:00'), until: at('2027-02-16T00:00') },
    });
    useClock().fixedAt = '2027-02-15T06:00';
    useBuild().build = smallBuild();
    await nextTick();
    expect((wrapper.element as HTMLElement).style.left).toBe('25%');
  });
});
