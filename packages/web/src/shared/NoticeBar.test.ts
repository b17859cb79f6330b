/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { mounted } from '../testing/mounted';
import { useNotice } from './notice';
import NoticeBar from './NoticeBar.vue';

const VSnackbar = { name: 'VSnackbar', props: ['timeout'], template: '<p>{{ timeout }}<slot /></p>' };

test('a notice stands 7 s, a problem 12 s; a second in a row counts from its own start', async () => {
  const bar = mounted(NoticeBar, { global: { stubs: { VSnackbar, VBtn: true } } });
  const time = async () => {
    await bar.vm.$nextTick();
    return bar.getComponent(VSnackbar).props('timeout') as number;
  };
  const notice = useNotice();
  const times: number[] = [];
  for (const say of [
    () => notice.say('Logged.'),
    () => notice.say('Logged.'),
    () => notice.complain(new Error('No.')),
  ]) {
    say();
    times.push(await time());
  }
  // The bar starts its time again where the figure is another: each differs from the one before by a millisecond at least.
  expect(times.map((ms) => Math.floor(ms / 1000))).toEqual([7, 7, 12]);
  expect(times[1]).not.toBe(times[0]);
});
