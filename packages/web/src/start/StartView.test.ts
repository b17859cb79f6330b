/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { flushPromises } from '@vue/test-utils';
import { api, ApiProblem } from '../shared/api';
import { useNotice } from '../shared/notice';
import { mounted } from '../testing/mounted';
import StartView from './StartView.vue';

jest.mock('comlink', () => jest.requireActual<object>('../testing/fakeComlink'));
jest.mock('vue-router', () => ({ useRouter: () => ({ push: jest.fn() }) }));

test('builds that can not be fetched are asked for again until they come, and complained of once', async () => {
  jest.useFakeTimers();
  const builds = jest
    .spyOn(api, 'builds')
    .mockRejectedValueOnce(new ApiProblem(0, 'away', 'No answer', 'Nobody answers', []))
    .mockRejectedValueOnce(new ApiProblem(0, 'away', 'No answer', 'Nobody answers', []))
    .mockResolvedValue({ builds: [] });
  jest.spyOn(api, 'workshops').mockResolvedValue({ workshops: [] });
  const wrapper = mounted(StartView, {
    global: { stubs: { AsideList: true, FileButton: true, VBtn: true } },
  });
  const complain = jest.spyOn(useNotice(), 'complain');
  await flushPromises();
  expect(wrapper.text()).not.toContain('Nothing here yet');
  await jest.advanceTimersByTimeAsync(3000);
  expect(builds).toHaveBeenCalledTimes(2);
  await jest.advanceTimersByTimeAsync(3000);
  expect(wrapper.text()).toContain('Nothing here yet');
  await jest.advanceTimersByTimeAsync(9000);
  expect(builds).toHaveBeenCalledTimes(3);
  expect(complain.mock.calls.length).toBeLessThanOrEqual(1);
  jest.useRealTimers();
});
