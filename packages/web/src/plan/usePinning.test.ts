/**
 * @jest-environment jsdom
 * @jest-environment-options {"customExportConditions": ["node", "node-addons"]}
 */
import 'fake-indexeddb/auto';
import type { PlannedOperation } from '@fixatum/core';
import { createPinia, setActivePinia } from 'pinia';
import { effectScope, ref } from 'vue';
import { useBuild } from '../shared/build';
import { useClock } from '../shared/clock';
import { smallBuild } from '../testing/smallBuild';
import { draggedMinutes, usePinning } from './usePinning';

jest.mock('../shared/planner', () => ({ planInWorker: jest.fn() }));

describe('dragging a pass', () => {
  it.each([
    // 100 px of 1000 over 1000 minutes are 100 minutes.
    [100, 1000, 1000, 100],
    // To the next five minutes.
    [103, 1000, 1000, 105],
    [-102, 1000, 1000, -100],
    // A hand that shakes moves nothing.
    [4, 1000, 100_000, 0],
    [50, 0, 1000, 0],
  ])('%d px of %d over %d min are %d min', (px, width, span, minutes) => {
    expect(draggedMinutes(px, width, span)).toBe(minutes);
  });
});

describe('a pass in the hand', () => {
  const AT = Date.parse('2027-02-16T09:00:00Z') / 60_000;
  const pass = { id: 'plate/1/seal/1/0', status: 'planned', start: AT } as PlannedOperation;
  // What a browser would say of a pointer; only these are looked at.
  const pointer = (clientX: number) =>
    ({ clientX, button: 0, currentTarget: null }) as unknown as PointerEvent;
  function inHand() {
    setActivePinia(createPinia());
    useClock().fixedAt = '2027-02-15T06:00';
    const store = useBuild();
    store.build = smallBuild();
    const pin = jest.spyOn(store, 'pin').mockResolvedValue(true);
    const press = jest.fn();
    const lanes = document.createElement('div');
    // A minute a pixel.
    Object.defineProperty(lanes, 'clientWidth', { value: 1000 });
    const chart = { lanes: ref(lanes), from: ref(AT - 500), until: ref(AT + 500) };
    const hand = effectScope().run(() => usePinning(chart, press))!;
    return { hand, pin, press };
  }

  it('is pinned where it is dropped', async () => {
    const { hand, pin, press } = inHand();
    hand.grab(pointer(100), pass);
    hand.pull(pointer(190));
    expect(hand.shiftOf(pass)).toBe(90);
    await hand.drop(pass);
    expect(pin).toHaveBeenCalledWith([pass.id], AT + 90);
    expect(press).not.toHaveBeenCalled();
    expect(hand.shiftOf(pass)).toBe(0);
  });
  it('is told about when it was hardly moved', async () => {
    const { hand, pin, press } = inHand();
    hand.grab(pointer(100), pass);
    hand.pull(pointer(102));
    await hand.drop(pass);
    expect(press).toHaveBeenCalledWith(pass);
    expect(pin).not.toHaveBeenCalled();
  });
  it('stays where it was after Escape, and letting go then does nothing', async () => {
    const { hand, pin, press } = inHand();
    hand.grab(pointer(100), pass);
    hand.pull(pointer(190));
    hand.cancel();
    expect(hand.shiftOf(pass)).toBe(0);
    await hand.drop(pass);
    expect(pin).not.toHaveBeenCalled();
    expect(press).not.toHaveBeenCalled();
  });
});
