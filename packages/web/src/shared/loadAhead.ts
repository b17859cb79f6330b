/** A browser that can't tell when it is idle is let be for so long between two. */
const PAUSE_MS = 500;

const idle = (): Promise<void> =>
  new Promise((done) => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(() => done());
    else setTimeout(done, PAUSE_MS);
  });

let underway = 0;
/** Whether something is loaded that nobody has asked for yet: that it can't be had, as while the server starts anew, is no matter then. */
export const isLoadingAhead = (): boolean => underway > 0;

/** Loads parts of the app one after the other, each once the browser has nothing to do, so that none is waited for when it is wanted. */
export async function loadAhead(parts: readonly (() => Promise<unknown>)[]): Promise<void> {
  for (const load of parts) {
    await idle();
    underway += 1;
    await load().catch(() => undefined);
    underway -= 1;
  }
}
