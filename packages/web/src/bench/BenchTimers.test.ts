/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { nextTick } from 'vue';
import { useBuild } from '../shared/build';
import { useClock } from '../shared/clock';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import BenchTimers from './BenchTimers.vue';

jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

test('a timer that runs out is told once, whatever its figures do after that', async () => {
  const wrapper = mounted(BenchTimers, { props: { passes: [] } as never });
  useBuild().build = smallBuild({
    timers: [{ id: 't', label: 'Turn it', minutes: 10, startedAt: '2027-02-15T08:00:00Z' }],
  });
  const clock = useClock();
  const rung = () => wrapper.get('[data-testid=rung]').text();
  const figures = () => wrapper.get('[data-testid=timers] .left').text();
  const at = async (minutes: number) => {
    clock.fixedAt = `2027-02-15T08:${String(minutes).padStart(2, '0')}`;
    await nextTick();
  };
  await at(4);
  expect([rung(), figures()]).toEqual(['', '6:00']);
  await at(11);
  expect([rung(), figures()]).toEqual(['Time is up: Turn it.', 'over by 1:00']);
  await at(13);
  expect([rung(), figures()]).toEqual(['Time is up: Turn it.', 'over by 3:00']);
  // The figures, which change every second, are not told.
  expect(wrapper.get('[data-testid=timers]').find('[aria-live]').exists()).toBe(false);
});
