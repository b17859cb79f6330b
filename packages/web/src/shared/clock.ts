import { epochMinute } from '@fixatum/core';
import { useIntervalFn } from '@vueuse/core';
import { defineStore } from 'pinia';
import { onScopeDispose, ref } from 'vue';
import { api } from './api';

/**
 * The present as the server sees it, in epoch minutes with seconds as a fraction. A server with a fixed clock
 * stands still, and so does this.
 */
export const useClock = defineStore('clock', () => {
  const offsetMs = ref(0);
  const fixedAt = ref<string | null>(null);
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

  async function synchronise(): Promise<void> {
    const before = Date.now();
    const health = await api.health();
    offsetMs.value = Date.parse(health.now) - (before + Date.now()) / 2;
    fixedAt.value = health.fixedAt;
  }

  /** Now, in epoch minutes, for a build in this time zone. */
  function now(timeZone: string): number {
    return fixedAt.value === null
      ? (tick.value + offsetMs.value) / 60_000
      : epochMinute(fixedAt.value, timeZone);
  }

  return { synchronise, now, fixedAt };
});
