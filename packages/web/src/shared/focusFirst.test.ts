/** @jest-environment jsdom */
import { afterEach, beforeEach, expect, jest, test } from '@jest/globals';
import { mount } from '@vue/test-utils';
import { defineComponent } from 'vue';
import { vFocusFirst } from './focusFirst';

const Fields = defineComponent({
  directives: { focusFirst: vFocusFirst },
  template: '<div><label v-focus-first><input id="first" /></label><input id="second" /></div>',
});
/** What is to be done on the next frame. */
let frames: FrameRequestCallback[] = [];
const nextFrame = () => frames.splice(0).forEach((frame) => frame(0));
beforeEach((): void => {
  frames = [];
  jest.spyOn(window, 'requestAnimationFrame').mockImplementation((frame) => frames.push(frame));
});
afterEach(() => void jest.restoreAllMocks());

test('the field has the focus at once', () => {
  const shown = mount(Fields, { attachTo: document.body });
  expect(document.activeElement?.id).toBe('first');
  shown.unmount();
});

test('a field that is hidden at first gets it as soon as it can, and not when somebody types elsewhere by then', () => {
  // As while a dialog comes in: nothing in it takes the focus.
  const focus = jest.spyOn(HTMLElement.prototype, 'focus').mockImplementation(() => undefined);
  const shown = mount(Fields, { attachTo: document.body });
  expect(frames).toHaveLength(1);
  focus.mockRestore();
  shown.get<HTMLInputElement>('#second').element.focus();
  nextFrame();
  expect(document.activeElement?.id).toBe('second');
  expect(frames).toHaveLength(0);
  shown.unmount();
});

test('a field that never can is given up', () => {
  jest.spyOn(HTMLElement.prototype, 'focus').mockImplementation(() => undefined);
  const shown = mount(Fields, { attachTo: document.body });
  let count = 0;
  while (frames.length > 0 && count < 100) {
    nextFrame();
    count += 1;
  }
  expect(count).toBeLessThan(100);
  shown.unmount();
});
