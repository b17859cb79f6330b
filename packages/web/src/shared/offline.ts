import { isLoadingAhead } from './loadAhead';

/** What was loaded so far, so that it is there without the server too. */
const PARTS = 'fixatum-parts';
/** The page loads itself anew at most so often, as when a part of it can't be had at all. */
const RELOAD_AT_MOST_MS = 10_000;
const RELOADED_AT = 'fixatum-reloaded-at';

/**
 * Lets the app open without the server: what keeps its parts is started once the page is idle, where the browser allows it, which is on the machine
 * itself and over a secure line.
 */
export function openOffline(): void {
  if (!('serviceWorker' in navigator) || !import.meta.env.PROD) return;
  window.addEventListener('load', () => {
    void navigator.serviceWorker
      .register('/sw.js')
      .then(() => navigator.serviceWorker.ready)
      // What came in before it was there is kept as well.
      .then(async () => {
        const parts = performance
          .getEntriesByType('resource')
          .flatMap(({ name }) => (new URL(name).pathname.startsWith('/assets/') ? [name] : []));
        const kept = await caches.open(PARTS);
        await Promise.all([...new Set(parts)].map((part) => kept.add(part).catch(() => undefined)));
      })
      .catch(() => undefined);
  });
}

/**
 * A part that is gone, as a new version took the place of this one: the page is loaded again, unless it just was, something typed would go, or nobody
 * answers, as then nothing would come. Where somebody answers and the page stays, that is said.
 */
export function reloadWhenPartsAreGone(mayReload: () => boolean, sayGone: () => void): void {
  window.addEventListener('vite:preloadError', () => {
    const last = Number(sessionStorage.getItem(RELOADED_AT) ?? 0);
    if (isLoadingAhead()) return;
    void fetch('/', { method: 'HEAD', cache: 'no-store' })
      .then(({ ok }) => {
        if (!ok) return;
        if (!mayReload() || Date.now() - last < RELOAD_AT_MOST_MS) {
          sayGone();
          return;
        }
        sessionStorage.setItem(RELOADED_AT, String(Date.now()));
        window.location.reload();
      })
      .catch(() => undefined);
  });
}
