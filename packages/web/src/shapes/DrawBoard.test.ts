/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import { ref } from 'vue';
import { mounted } from '../testing/mounted';
import type { BoardShape } from './board';
import DrawBoard from './DrawBoard.vue';

const box = { x: 0, y: 0, w: 100, h: 100 };
const square: BoardShape = {
  id: 's',
  tone: 'outline',
  closed: true,
  points: [
    { x: 10, y: 10 },
    { x: 50, y: 10 },
    { x: 50, y: 50 },
    { x: 10, y: 50 },
  ],
};
function board(shapes: BoardShape[], more: Record<string, unknown> = {}) {
  const commit = jest.fn();
  const history = { commit, undo: jest.fn(), redo: jest.fn(), canUndo: ref(false), canRedo: ref(false) };
  const wrapper = mounted(DrawBoard, {
    props: {
      modelValue: shapes,
      active: shapes[0]?.id,
      box,
      label: 'Board',
      history,
      'onUpdate:modelValue': (value: BoardShape[]) => void wrapper.setProps({ modelValue: value } as never),
      'onUpdate:active': (active: string | undefined) => void wrapper.setProps({ active } as never),
      ...more,
    } as never,
  });
  const svg = wrapper.get('svg');
  return {
    wrapper,
    commit,
    press: (key: string) => svg.trigger('keydown', { key }),
    shapes: () => (wrapper.props() as unknown as { modelValue: BoardShape[] }).modelValue,
  };
}
const open: BoardShape = { id: 'o', tone: 'outline', points: [], closed: false };

describe('the board, by keys alone', () => {
  it('sets points where the cross stands, and closes at the first', async () => {
    const { press, shapes } = board([open]);
    await press('Enter'); // shows the cross in the middle
    await press('Enter');
    for (const [key, times] of [
      ['ArrowRight', 3],
      ['ArrowDown', 3],
      ['ArrowLeft', 3],
    ] as const) {
      for (let n = 0; n < times; n += 1) await press(key);
      await press('Enter');
    }
    expect(shapes()[0]).toMatchObject({
      closed: false,
      points: [
        { x: 50, y: 50 },
        { x: 74, y: 50 },
        { x: 74, y: 74 },
        { x: 50, y: 74 },
      ],
    });
    for (let n = 0; n < 3; n += 1) await press('ArrowUp');
    await press('Enter');
    expect(shapes()[0]).toMatchObject({ closed: true });
    expect(shapes()[0]!.points).toHaveLength(4);
  });
  it('closes a ruler at two points', async () => {
    const { press, shapes } = board([{ ...open, tone: 'measure' }], { closesAt: 2 });
    await press('Enter');
    await press('Enter');
    await press('ArrowRight');
    await press('Enter');
    expect(shapes()[0]).toMatchObject({ closed: true, points: [{ x: 50 }, { x: 58 }] });
  });
  it('moves, bends and takes away the point that was taken hold of', async () => {
    const { wrapper, commit, press, shapes } = board([square]);
    const handle = wrapper.findAll('.handle')[1]!;
    (handle.element as unknown as { setPointerCapture: () => void }).setPointerCapture = () => undefined;
    await handle.trigger('pointerdown');
    await press('ArrowRight');
    expect(shapes()[0]!.points[1]).toEqual({ x: 58, y: 10 });
    await press('c');
    expect(shapes()[0]!.points[1]).toEqual({ x: 58, y: 10, curve: true });
    await press('c');
    expect(shapes()[0]!.points[1]).toEqual({ x: 58, y: 10 });
    await press('Delete');
    expect(shapes()[0]!.points).toHaveLength(3);
    expect(commit).toHaveBeenCalledTimes(4);
  });
  it('adds a point between two', async () => {
    const { wrapper, shapes } = board([square]);
    await wrapper.findAll('.between')[0]!.trigger('click');
    expect(shapes()[0]!.points[1]).toEqual({ x: 30, y: 10 });
  });
  it('hands presses on while something below is picked', async () => {
    const { wrapper, press } = board([square], { picks: true, active: undefined });
    await press('Enter');
    await press('Enter');
    expect(wrapper.emitted('pick')).toEqual([[[50, 50]]]);
  });
  it('shows the points of the shape in hand only', () => {
    const { wrapper } = board([square, { ...square, id: 'other' }]);
    expect(wrapper.findAll('.handle')).toHaveLength(4);
  });
});
