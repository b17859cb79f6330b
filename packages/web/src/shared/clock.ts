import { epochMinute } from '@fixatum/core';
import { useIntervalFn, useTimeoutFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { onScopeDispose, ref } from 'vue';
import { api, type Health } from './api';
import { useNewVersion } from './newVersion';

/** A server that did not say what time it is is asked again after so long. */
const TRY_AGAIN_MS = 3000;
/** A clock can be set while the app is open. */
const ASK_EVERY_MS = 5 * 60_000;

/**
 * The present as the server sees it, in epoch minutes with seconds as a fraction. A server with a fixed clock
 * stands still, and so does this.
 */
export const useClock = defineStore('clock', () => {
  const offsetMs = ref(0);
  const fixedAt = ref<string | null>(null);
  /** Where the server's clock is behind what was saved there already. */
  const behind = ref<Health['behind']>(null);
  const tick = ref(Date.now());
  const toNow = () => (tick.value = Date.now());
  useIntervalFn(toNow, 1000);
  // In the background the page's own timer is held back, and alarms with it.
  if (typeof Worker !== 'undefined') {
    const ticker = new Worker(new URL('./offThread/tickWorker.ts', import.meta.url), {
      type: 'module',
      name: 'tick',
    });
    ticker.onmessage = toNow;
    onScopeDispose(() => ticker.terminate());
  }

  const again = useTimeoutFn(() => void synchronise().catch(() => undefined), TRY_AGAIN_MS, {
    immediate: false,
  });

  /** Asks the server what time it is. Rejects when it does not answer, and goes on asking until it does. */
  async function synchronise(): Promise<void> {
    again.stop();
    const before = Date.now();
    try {
      const health = await api.health();
      offsetMs.value = Date.parse(health.now) - (before + Date.now()) / 2;
      fixedAt.value = health.fixedAt;
      behind.value = health.behind;
      useNewVersion().isOnServer(health.app);
    } catch (error) {
      again.start();
      throw error;
    }
  }

  useIntervalFn(() => void synchronise().catch(() => undefined), ASK_EVERY_MS);

  /** Now, in epoch minutes, for a build in this time zone. */
  function now(timeZone: string): number {
    return fixedAt.value === null
      ? (tick.value + offsetMs.value) / 60_000
      : epochMinute(fixedAt.value, timeZone);
  }

  return { synchronise, now, fixedAt, behind };
});
