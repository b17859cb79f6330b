import { isRecord } from '@fixatum/core';
import { useEventSource, useTimeoutFn } from '@vueuse/core';
import { computed, watch, type Ref } from 'vue';
import { api } from './api';

/** What was done on this very screen is told here too, a moment before its answer is in: that is waited for. */
const PATIENCE_MS = 150;
const RECONNECT_MS = 2000;
/** Several things beside change at once: they are fetched together. */
const BESIDE_MS = 400;

/**
 * Hears of every change to the open build, whoever made it, and says when there is a version that this screen has not seen. A line
 * that drops is taken up again; the server then says where things stand, so nothing is missed.
 * @param etag the version on this screen, as the server names it
 * @param whenBeside told when another build of the workshop has changed
 */
export function liveUpdates(
  id: Ref<string | undefined>,
  etag: Ref<string | undefined>,
  whenNews: () => void,
  whenBeside: () => void,
): { connected: Ref<boolean> } {
  const url = computed(() =>
    id.value === undefined || typeof EventSource === 'undefined' ? undefined : api.eventsUrl(id.value),
  );
  const { data, event, status } = useEventSource(url, ['change', 'beside'], {
    autoReconnect: { retries: -1, delay: RECONNECT_MS },
  });
  let latest: number | undefined;
  const look = useTimeoutFn(
    () => {
      if (latest !== undefined && etag.value !== undefined && etag.value !== `"${latest}"`) whenNews();
    },
    PATIENCE_MS,
    { immediate: false },
  );
  const lookBeside = useTimeoutFn(whenBeside, BESIDE_MS, { immediate: false });
  // At once, as the next thing said would be in its place.
  const hear = (text: string | null) => {
    if (text === null) return;
    if (event.value === 'beside') {
      lookBeside.start();
      return;
    }
    const news: unknown = JSON.parse(text);
    if (!isRecord(news) || typeof news['version'] !== 'number') return;
    latest = news['version'];
    look.start();
  };
  watch(data, hear, { flush: 'sync' });
  return { connected: computed(() => status.value === 'OPEN') };
}
