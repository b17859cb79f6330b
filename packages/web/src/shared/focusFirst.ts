import type { Directive } from 'vue';

/** A dialog that comes in is hidden for a few frames; after so many the focus is left where it is. */
const MOST_FRAMES = 30;

const isTypedInto = (element: Element | null) => element?.matches('input, textarea, select') === true;

/**
 * Puts the focus into a field when it comes on screen, once. Where somebody is typing into another field by then, the focus stays there: what
 * is typed never ends in the wrong field.
 */
export const vFocusFirst: Directive<HTMLElement> = {
  mounted(element) {
    const field = element.matches('input, textarea') ? element : element.querySelector('input, textarea');
    if (!(field instanceof HTMLElement)) return;
    let frames = 0;
    const put = () => {
      if (!field.isConnected || isTypedInto(document.activeElement)) return;
      field.focus();
      frames += 1;
      if (document.activeElement !== field && frames < MOST_FRAMES) requestAnimationFrame(put);
    };
    put();
  },
};
