import { useEventListener, useMutationObserver } from '@vueuse/core';

/** As many places as anybody goes back through. */
const MOST_KEPT = 30;

const isThere = (one: HTMLElement): boolean =>
  one.isConnected && !one.closest('[inert]') && one.getClientRects().length > 0;
const canTake = (one: HTMLElement): boolean => isThere(one) && !one.matches(':disabled');

/**
 * Keeps the focus where a person expects it. What had it and is gone, as with a dialog that closed, a menu that was chosen from, or a button that
 * did its work, gives it back to what had it before; where none of that is left it goes to the heading of the screen. A press beside
 * everything, which takes the focus from what is still there, is left as it is.
 */
export function keepFocus(): void {
  const trail: HTMLElement[] = [];
  /** What had the focus is gone, and the screen that gets it is still to come. */
  let isOwed = false;
  useEventListener(document, 'focusin', ({ target }) => {
    if (!(target instanceof HTMLElement) || target === document.body) return;
    isOwed = false;
    if (trail.at(-1) === target) return;
    trail.push(target);
    if (trail.length > MOST_KEPT) trail.shift();
  });
  function giveBack(): void {
    const { activeElement } = document;
    if (activeElement !== null && activeElement !== document.body && isThere(activeElement as HTMLElement))
      return;
    const last = trail.at(-1);
    if (!isOwed && (!last || canTake(last))) return;
    // Whatever opens takes the focus itself, a moment later.
    while (trail.length > 0 && !canTake(trail.at(-1)!)) trail.pop();
    const back = trail.at(-1) ?? document.querySelector<HTMLElement>('main h1');
    isOwed = back === null;
    if (!back) return;
    if (!trail.includes(back)) back.tabIndex = -1;
    back.focus({ preventScroll: true });
  }
  // Once a frame and after it, when the page is laid out: looking sooner would make the browser do that twice.
  let isAsked = false;
  const ask = () => {
    if (isAsked) return;
    isAsked = true;
    requestAnimationFrame(() =>
      setTimeout(() => {
        isAsked = false;
        giveBack();
      }),
    );
  };
  useMutationObserver(document.body, ask, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled', 'style'],
  });
}
