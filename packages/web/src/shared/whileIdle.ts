/** A browser that can't tell when it is idle is let be for so long between two. */
const PAUSE_MS = 500;

const idle = (): Promise<void> =>
  new Promise((done) => {
    if ('requestIdleCallback' in window) window.requestIdleCallback(() => done());
    else setTimeout(done, PAUSE_MS);
  });

/**
 * Does one thing after the other, each once the browser has nothing to do, so that none is waited for when it is wanted. What fails is
 * only not done sooner.
 */
export async function whileIdle(works: readonly (() => Promise<unknown>)[]): Promise<void> {
  for (const work of works) {
    await idle();
    await work().catch(() => undefined);
  }
}
