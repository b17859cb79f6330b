import { useEventSource, useTimeoutFn } from '@vueuse/core';
import { computed, watch, type Ref } from 'vue';
import { z } from 'zod';
import { api } from './api';

/** What was done on this very screen is told here too, a moment before its answer is in: that is waited for. */
const PATIENCE_MS = 150;
const RECONNECT_MS = 2000;

const newsSchema = z.object({ version: z.number() });

/**
 * Hears of every change to the open build, whoever made it, and says when there is a version that this screen has not seen. A line
 * that drops is taken up again; the server then says where things stand, so nothing is missed.
 * @param etag the version on this screen, as the server names it
 */
export function liveUpdates(
  id: Ref<string | undefined>,
  etag: Ref<string | undefined>,
  whenNews: () => void,
): { connected: Ref<boolean> } {
  const url = computed(() =>
    id.value === undefined || typeof EventSource === 'undefined' ? undefined : api.eventsUrl(id.value),
  );
  const { data, status } = useEventSource(url, ['change'], {
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
  watch(data, (text) => {
    if (text === null) return;
    latest = newsSchema.parse(JSON.parse(text)).version;
    look.start();
  });
  return { connected: computed(() => status.value === 'OPEN') };
}
