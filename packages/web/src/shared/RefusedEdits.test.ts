/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import 'fake-indexeddb/auto';
import { nextTick } from 'vue';
import { mounted } from '../testing/mounted';
import { smallBuild } from '../testing/smallBuild';
import { useBuild } from './build';
import { useOutbox, type Refused } from './outbox';
import RefusedEdits from './RefusedEdits.vue';

jest.mock('./planner', () => ({ planInWorker: jest.fn() }));

const refused: Refused = {
  id: 'r',
  buildId: 'b1',
  why: 'That coat is in the log.',
  edit: {
    kind: 'log',
    entries: [{ id: 'e', piece: 'plate', unit: 1, step: 'seal', coat: 2, doneAt: '2027-02-15T09:00' }],
  },
};

async function shown() {
  const wrapper = mounted(RefusedEdits);
  const store = useBuild();
  const outbox = useOutbox();
  await outbox.ready;
  store.id = 'b1';
  store.build = smallBuild();
  outbox.refused = [refused, { ...refused, id: 'other', buildId: 'b2' }];
  await nextTick();
  return { wrapper, outbox };
}

describe('presses that were not taken', () => {
  it('are told with what they were and why, those of the open build only', async () => {
    const { wrapper } = await shown();
    expect(wrapper.findAll('p').map((line) => line.find('.what').text())).toEqual([
      '■ Not taken: Log Seal, coat 2 of 2: Plate. That coat is in the log.',
    ]);
  });

  it('can be sent again, or let go', async () => {
    const { wrapper, outbox } = await shown();
    const again = jest.spyOn(outbox, 'sendAgain').mockResolvedValue();
    const letGo = jest.spyOn(outbox, 'letGo').mockResolvedValue();
    const [send, drop] = wrapper.findAll('button');
    await send!.trigger('click');
    await drop!.trigger('click');
    expect([again.mock.calls, letGo.mock.calls]).toEqual([[['r']], [['r']]]);
  });
});
