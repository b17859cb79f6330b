/** A screen that is not as long by then as it was is left where it is. */
const GIVE_UP_MS = 8000;

/**
 * Waits until the page is so long that it can be scrolled to some place, as when it is opened anew and its build is still on its way. Somebody who
 * scrolls meanwhile wants to be elsewhere: then it is false.
 * @param topPx the place, px from the top
 */
export function onceTallEnough(topPx: number): Promise<boolean> {
  const page = document.documentElement;
  const isTall = () => page.scrollHeight - window.innerHeight >= topPx;
  if (isTall()) return Promise.resolve(true);
  return new Promise((done) => {
    const off = new AbortController();
    const grown = new ResizeObserver(() => {
      if (isTall()) end(true);
    });
    const late = setTimeout(() => end(true), GIVE_UP_MS);
    function end(goes: boolean): void {
      off.abort();
      grown.disconnect();
      clearTimeout(late);
      done(goes);
    }
    grown.observe(page);
    for (const kind of ['wheel', 'touchmove', 'keydown'])
      window.addEventListener(kind, () => end(false), { signal: off.signal });
  });
}
