/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { mounted } from '../testing/mounted';
import DayStrip from './DayStrip.vue';

jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

it('lays what was done along its day: a quarter past six in the evening is 73 of 96 quarters on', () => {
  const line = (id: string, at: string, kind: string) => ({ id, at, kind, materialIds: [], text: 'Sand' });
  const wrapper = mounted(DayStrip, {
    props: {
      lines: [
        line('a', '2027-02-20T18:15', 'work'),
        line('b', '2027-02-20T06:00', 'failed'),
        // What was changed in the app, or measured all day, is at no moment of the bench.
        line('c', '2027-02-20T12:00', 'change'),
        line('d', '2027-02-20', 'air'),
      ],
    },
  });
  const marks = wrapper.findAll<HTMLElement>('.mark');
  // 18.25 h of 24 are 76.04 %, 6 h are 25 %.
  expect(marks.map(({ element }) => Number.parseFloat(element.style.left))).toEqual([
    expect.closeTo(76.04, 2),
    25,
  ]);
  expect(marks.map((one) => one.classes('failed'))).toEqual([false, true]);
});
