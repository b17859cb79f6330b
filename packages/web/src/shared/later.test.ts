/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { flushPromises, mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { h } from 'vue';
import { later } from './later';
import { useNotice } from './notice';

beforeEach(() => {
  setActivePinia(createPinia());
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());
const dialog = () => h('p', 'the dialog');

test('a part that can not be loaded is said once, and shown five seconds after it can be', async () => {
  let loads = 0;
  let isThere = false;
  const Part = later(() => {
    loads += 1;
    return isThere ? Promise.resolve(dialog) : Promise.reject(new Error('no answer'));
  });
  const part = mount({ render: () => h('div', [h(Part)]) });
  await flushPromises();
  const notice = useNotice();
  expect([loads, notice.count, part.text()]).toEqual([1, 1, '']);
  expect(notice.text).toContain('opens by itself');
  await jest.advanceTimersByTimeAsync(5000);
  expect([loads, notice.count]).toEqual([2, 1]);
  isThere = true;
  await jest.advanceTimersByTimeAsync(4999);
  expect(part.text()).toBe('');
  await jest.advanceTimersByTimeAsync(1);
  await flushPromises();
  expect([loads, part.text()]).toEqual([3, 'the dialog']);
});

test('a part that never comes is asked for five minutes long, and no more', async () => {
  let loads = 0;
  const wrong = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  mount(
    later(() => {
      loads += 1;
      return Promise.reject(new Error('gone'));
    }),
    { global: { config: { errorHandler: () => undefined } } },
  );
  await jest.advanceTimersByTimeAsync(20 * 60_000);
  // Once at first, then every 5 s for 300 s.
  expect(loads).toBe(61);
  wrong.mockRestore();
});
