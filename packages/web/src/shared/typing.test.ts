/**
 * @jest-environment jsdom
 */
import { commandOf } from './typing';

const press = (key: string, more: KeyboardEventInit = {}, on: Element = document.body) => {
  let said: string | undefined;
  const hear = (event: Event) => (said = commandOf(event as KeyboardEvent, true));
  document.addEventListener('keydown', hear, { once: true });
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, ...more }));
  return said;
};

describe('a key as a command', () => {
  afterEach(() => document.body.replaceChildren());
  it('is the letter on the key, with CapsLock too', () => {
    expect(press('b')).toBe('b');
    // CapsLock makes it large without Shift.
    expect(press('B')).toBe('b');
    expect(press('?', { shiftKey: true })).toBe('?');
  });
  it('is none with other keys held, in a field, in a dialog, or where single keys are switched off', () => {
    expect(press('b', { ctrlKey: true })).toBeUndefined();
    expect(press('b', { altKey: true })).toBeUndefined();
    const field = document.createElement('input');
    document.body.append(field);
    expect(press('b', {}, field)).toBeUndefined();
    expect(commandOf(new KeyboardEvent('keydown', { key: 'b' }), false)).toBeUndefined();
    const dialog = document.createElement('div');
    dialog.className = 'v-overlay--active v-dialog';
    document.body.append(dialog);
    expect(press('b')).toBeUndefined();
  });
});
