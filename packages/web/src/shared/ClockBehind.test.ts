/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { nextTick } from 'vue';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import { useBuild } from './build';
import { useClock } from './clock';
import ClockBehind from './ClockBehind.vue';

jest.mock('./planner', () => ({ planInWorker: jest.fn() }));

test('a clock that was set back is said in the zone of the build, and nothing while it goes well', async () => {
  const wrapper = mounted(ClockBehind);
  expect(wrapper.find('section').exists()).toBe(false);
  useBuild().build = smallBuild({ timeZone: 'Europe/Berlin' });
  useClock().behind = { savedAt: '2027-02-20T19:30:00Z', now: '2027-02-18T19:30:00Z' };
  await nextTick();
  const said = wrapper.get('section').text();
  expect(said).toContain('The computer’s clock is behind by 2 days.');
  // Berlin is an hour ahead of UTC in winter.
  expect(said).toContain('It says Thu 18 Feb, 20:30, and the last change was saved at Sat 20 Feb, 20:30.');
  useClock().behind = null;
  await nextTick();
  expect(wrapper.find('section').exists()).toBe(false);
});
